<script lang="ts">
  import type { ToAnswer } from '$core/story';
  import { contactOf } from '$core/system';
  import type { TextRecord } from '$workspace';
  import Numbers from '../Numbers.svelte';
  import { agoText, count, momentText } from '../format';
  import { Remembered } from '../remembered.svelte';
  import { theBusiness } from '../window/session.svelte';
  import KeepContact from '../contacts/KeepContact.svelte';
  import AnswerBack from './AnswerBack.svelte';
  import { giveTo, markAnswered } from './answering';
  import SeesToIt from './SeesToIt.svelte';

  /** Somebody who waits for an answer: how they tried, what they said, and answering them. */
  let { waiting }: { waiting: ToAnswer<TextRecord> } = $props();
  const { number, callBack, texts, faxes } = $derived(waiting);
  const contact = $derived(contactOf(number, theBusiness().system.contacts));
  const written = $derived(theBusiness().number(number));
  const name = $derived(contact?.name ?? written);
  const said = $derived(
    theBusiness()
      .view.messages.filter((m) => callBack?.messageIds.includes(m.id))
      .map((m) => m.said || 'a recording'),
  );
  const wrote = $derived(
    texts.flatMap((c) =>
      c.texts
        .filter((t) => t.way === 'in' && t.at >= c.waitsSince!)
        .map((t) => t.text || (t.files ?? []).map((f) => f.name).join(', ')),
    ),
  );
  const ids = $derived([callBack?.messageIds ?? [], callBack?.callIds ?? []] as const);
  const keys = $derived(texts.map(({ ours, theirs, assignedTo }) => ({ ours, theirs, assignedTo })));
  const faxIds = $derived(faxes.map((f) => f.id));
  const how = $derived(
    [
      callBack?.tries ? `called ${callBack.tries === 1 ? 'once' : `${callBack.tries} times`} in vain` : '',
      callBack?.messageIds.length ? `left ${count(callBack.messageIds.length, 'message')}` : '',
      faxes.length ? `sent ${count(faxes.length, 'fax', 'faxes')}` : '',
      wrote.length ? `wrote ${count(wrote.length, 'text')}` : '',
    ]
      .filter(Boolean)
      .join(', '),
  );
  const openTexts = new Remembered(`texts ${theBusiness().id}`, { open: '' });
</script>

<li class="card">
  <div class="top">
    <b><Numbers numbers={[number]} /></b>
    {#if contact}<span>{contact.name}</span>{/if}
    {#if callBack?.asked}<span class="asked">asked to be called back</span>{/if}
    <span class="soft"
      >waits since {momentText(waiting.since, theBusiness().zone)}, {agoText(
        waiting.since,
        theBusiness().minute,
      )}</span
    >
  </div>
  <p class="soft small">
    {how}{waiting.last > waiting.since ? `; last ${momentText(waiting.last, theBusiness().zone)}` : ''}
  </p>
  {#each [...said, ...wrote] as words, i (i)}<p>“{words}”</p>{/each}
  <div class="acts">
    {#if !contact}<KeepContact {number} />{/if}
    <AnswerBack {number} answered={() => markAnswered(...ids)} />
    {#if faxes.length}<a class="small" href="/messages/faxes"
        >Open the faxes<span class="visually-hidden">&nbsp;of {name}</span></a
      >{/if}
    {#each texts as c (c.key)}
      <a class="small" href="/messages/texts" onclick={() => (openTexts.value = { open: c.key })}
        >Open the texts<span class="visually-hidden">&nbsp;with {name}</span></a
      >
    {/each}
    <SeesToIt
      personId={waiting.assignedTo}
      about={written}
      ongive={(id) => void giveTo(id, ...ids, name, keys, faxIds)}
    />
    <button
      class="linkish small"
      type="button"
      onclick={() => void markAnswered(...ids, `Done: ${written}`, keys, faxIds)}
      >Done<span class="visually-hidden">&nbsp;with {written}</span></button
    >
  </div>
</li>

<style>
  .top {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
    align-items: baseline;
  }
  .asked {
    color: var(--message);
    font-weight: 650;
    font-size: var(--text-body);
  }
  p {
    margin: 4px 0;
    overflow-wrap: anywhere;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
  }
</style>
