<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { tick } from 'svelte';
  import { conversationText, type Conversation } from '$core/story';
  import { stoppedBy } from '$core/texting';
  import type { TextRecord } from '$workspace';
  import { saveText } from '../files/download';
  import { fieldText, momentText } from '../format';
  import { here, session } from '../window/session.svelte';
  import KeepContact from '../contacts/KeepContact.svelte';
  import Compose from './Compose.svelte';
  import { reached } from './reached';
  import TextFiles from './TextFiles.svelte';
  import WhoHas from './WhoHas.svelte';
  import Words from './Words.svelte';

  /** A conversation by text: what came and went, what is to go, and answering it. */
  let { conversation, onsent }: { conversation: Conversation<TextRecord>; onsent: (key: string) => void } =
    $props();
  const { theirs, ours, contact, line } = $derived(conversation);
  const texting = $derived(here().texting);
  const stopped = $derived(stoppedBy(texting.texts, texting.wishes, theirs));
  const name = $derived(contact?.name ?? here().number(theirs));
  const mayText = $derived(texting.lines.some((n) => n.e164 === ours));
  const HOW = {
    word: 'They asked for no more texts',
    refusal: 'They wrote, in other words, that they want no more texts',
    entered: 'They said that they want no texts',
  };
  /** So many are drawn at first, and so many more when asked for. */
  const AT_ONCE = 50;
  let shown = $state(AT_ONCE);
  const texts = $derived(conversation.texts.slice(-shown));
  const later = $derived(conversation.later);

  /** The newest stands in sight. */
  function toEnd(list: HTMLElement) {
    $effect(() => {
      void conversation.texts.length;
      void tick().then(() => (list.scrollTop = list.scrollHeight));
    });
  }

  async function callOff({ id }: TextRecord) {
    const back = await here().deeds.callOff(id);
    if (back) here().sayDone({ kind: 'info', title: `Not sent to ${name}` }, back);
    else session.say({ kind: 'error', title: 'It has gone already' });
  }
  const written = (at: number) => fieldText(at, here().zone).replace('T', ' ');
  const save = () =>
    saveText(
      `texts-${name.replace(/[^\p{L}\p{N}]+/gu, '-').slice(0, 40)}.txt`,
      'text/plain',
      conversationText(conversation, here().system, written),
    );
  async function wish(does: 'stop' | 'lift') {
    const wrong = await here().deeds.enterWish(theirs, does);
    if (wrong) return session.say({ kind: 'error', title: 'Not kept', detail: wrong });
    here().sayDone(
      { kind: 'info', title: does === 'stop' ? `${name} gets no texts` : `${name} may be texted again` },
      async () => here().deeds.enterWish(theirs, does === 'stop' ? 'lift' : 'stop'),
    );
  }
</script>

<h2>{name}</h2>
<p class="soft small">
  {contact ? `${here().number(theirs)}, ` : ''}through {line?.label ?? here().number(ours)}
</p>
{#if !contact}<div class="make"><KeepContact number={theirs} /></div>{/if}
<WhoHas {conversation} {name} />
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<ol aria-label="Texts, the oldest first" data-testid="thread" tabindex="0" {@attach toEnd}>
  {#if conversation.texts.length > shown}
    <li class="more">
      <button class="linkish small" type="button" onclick={() => (shown += AT_ONCE)}
        >Show older ones ({(conversation.texts.length - shown).toLocaleString('en-US')} more)</button
      >
    </li>
  {/if}
  {#each texts as t (t.id)}
    {@const where = reached(t, here())}
    <li class={t.way} class:failed={where.failed}>
      {#if t.text}<p><Words text={t.text} /></p>{/if}
      {#if t.files}<TextFiles files={t.files} />{/if}
      <span class="soft small"
        >{t.way === 'in' ? name : t.byItself ? 'by itself' : (t.by ?? 'from here')} ·
        <span class:bad={where.failed}>{where.words}</span></span
      >
    </li>
  {/each}
</ol>
{#if conversation.texts.length}
  <p class="small">
    <button class="linkish small" type="button" onclick={save}>Save this conversation as a file</button>
    {#if texting.older}<span class="soft">It has what this phone knows; older texts are in the office.</span
      >{/if}
  </p>
{/if}
{#if later.length}
  <h3>To go later</h3>
  <ul aria-label="Texts that are to go later">
    {#each later as t (t.id)}
      <li>
        {#if t.text}<p>{t.text}</p>{/if}
        {#if t.files}<TextFiles files={t.files} />{/if}
        <span class="small">{momentText(t.sendAt!, here().zone)} · {t.by ?? 'from here'}</span>
        <Button size="small" kind="ghost" on:click={() => void callOff(t)}>Do not send it</Button>
      </li>
    {/each}
  </ul>
{/if}
{#if stopped}
  <p class="stopped" role="status">
    {HOW[stopped.how]} ({momentText(stopped.since, here().zone)}{stopped.how === 'entered'
      ? `, entered by ${stopped.words}`
      : `: “${stopped.words}”`}). None may go to them from any number before {stopped.how === 'word'
      ? 'they send START'
      : 'they agree'}.
    {#if stopped.how !== 'word'}
      <button class="linkish" type="button" onclick={() => void wish('lift')}>They may be texted again</button
      >
    {/if}
  </p>
{:else if !mayText}
  <p class="soft">
    {line ? 'You may not text from this number.' : 'This number carries no texts any more.'}
  </p>
{:else}
  <Compose {conversation} {onsent} />
  <p class="small">
    <button class="linkish small" type="button" onclick={() => void wish('stop')}
      >They said that they want no texts</button
    >
  </p>
{/if}

<style>
  ol,
  ul {
    list-style: none;
    margin: 8px 0;
    padding: 0;
  }
  ol {
    max-height: 42vh;
    overflow-y: auto;
  }
  li {
    padding: 6px 12px;
    border-left: 3px solid var(--rule);
    margin-bottom: 8px;
  }
  li.in {
    border-left-color: var(--message);
  }
  li.failed {
    border-left-color: var(--alarm);
  }
  li.more {
    border-left-color: transparent;
  }
  p {
    overflow-wrap: anywhere;
  }
  li p {
    margin: 0;
    white-space: pre-wrap;
  }
  h3 {
    margin: 10px 0 4px;
  }
  .make {
    display: flex;
    flex-wrap: wrap;
  }
  .bad {
    color: var(--alarm);
    font-weight: 600;
  }
  .stopped {
    color: var(--copper);
    font-weight: 600;
  }
</style>
