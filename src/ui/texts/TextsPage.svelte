<script lang="ts">
  import { Button, Search, Select, TextArea, TextInput } from 'carbon-components-svelte';
  import { tick } from 'svelte';
  import { conversationKey, conversations, type Conversation } from '$core/story';
  import { readNumber } from '$core/numbering';
  import { carriesTexts, deliveredAt, isStop, wantsNone, type TextMessage } from '$standins/carrier/texting';
  import { sendText } from '$workspace';
  import SelectItem from '../fields/SelectItem.svelte';
  import { count, momentText } from '../format';
  import { Remembered } from '../remembered.svelte';
  import { theBusiness } from '../window/session.svelte';
  import PartsLine from './PartsLine.svelte';
  import Words from './Words.svelte';

  /** Texts with people outside, by conversation: what waits for an answer, and answering it. */
  const business = $derived(theBusiness());
  const system = $derived(business.system);
  const dealings = $derived(business.view.dealings);
  const all = $derived(conversations(dealings.texts, system, isStop));
  const lines = $derived(Object.values(system.numbers).filter(carriesTexts));
  let query = $state('');
  const words = $derived(query.toLowerCase().split(/\s+/).filter(Boolean));
  const textOf = (c: Conversation) =>
    [
      c.contact?.name,
      c.theirs,
      c.theirs.replace(/\D/g, ''),
      business.number(c.theirs),
      c.line?.label,
      ...c.texts.map((t) => t.text),
    ]
      .join(' ')
      .toLowerCase();
  const found = $derived(all.filter((c) => words.every((w) => textOf(c).includes(w))));
  const waiting = $derived(all.filter((c) => c.waitsSince !== null).length);

  const form = new Remembered(`texts ${theBusiness().view.business.id}`, { open: '', from: '', to: '' });
  /** What is being written, by conversation: another one that is opened meanwhile loses nothing. */
  const drafts = new Remembered<Record<string, string>>(`text drafts ${theBusiness().view.business.id}`, {});
  const NEW = 'new';
  const open = $derived(
    form.value.open === NEW
      ? undefined
      : (found.find((c) => c.key === form.value.open) ?? (words.length || all.length ? found[0] : undefined)),
  );
  const key = $derived(open?.key ?? NEW);
  const text = $derived(drafts.value[key] ?? '');
  const write = (written: string) => (drafts.value = { ...drafts.value, [key]: written });
  const from = $derived(
    open?.ours ?? lines.find((n) => n.e164 === form.value.from)?.e164 ?? lines[0]?.e164 ?? '',
  );
  let problem = $state<{ field: string; message: string } | null>(null);
  const stopped = $derived(open && wantsNone(dealings.texts, open.theirs, open.ours));
  const name = (c: Conversation) => c.contact?.name ?? business.number(c.theirs);

  async function send(event: Event) {
    event.preventDefault();
    let to = open?.theirs;
    if (!to) {
      const read = readNumber(form.value.to, system.business.country, system.business.outsideDigit);
      if (!read.ok) return (problem = { field: 'to', message: read.message });
      to = read.number.e164;
    }
    const done = await sendText(business.workspace, { from, to, text });
    problem = done.ok ? null : { field: done.field ?? 'text', message: done.message };
    if (!done.ok) return;
    write('');
    form.value = { ...form.value, open: conversationKey(from, to), to: '' };
    await tick();
    document.getElementById('text-being-written')?.focus();
  }
  function onkeydown(event: KeyboardEvent) {
    if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) void send(event);
  }
  function reached(t: TextMessage): string {
    if (t.way === 'in') return `came ${momentText(t.at, business.zone)}`;
    const at = deliveredAt(t, dealings.texting, business.now);
    return at === null ? 'held back until you may text' : `delivered ${momentText(at, business.zone)}`;
  }
</script>

<h1>Texts</h1>
{#if !lines.length && !all.length}
  <div class="empty">
    <h2>No number of yours carries texts</h2>
    <p>Geographic and mobile numbers do. <a href="/numbers/get">Get one</a>, and its texts stand here.</p>
  </div>
{:else}
  <p class="sub">
    By number of yours and number outside. {waiting
      ? `${count(waiting, 'conversation waits', 'conversations wait')} for an answer.`
      : 'None waits for an answer.'}
    <a href="/numbers/texting">Approval and rules of texting</a>
  </p>
  <div class="columns">
    <section>
      <Search
        size="sm"
        labelText="Search texts"
        placeholder="Search: names, numbers, words"
        bind:value={query}
      />
      <ul aria-label="Conversations">
        {#each found as c (c.key)}
          <li>
            <button
              type="button"
              class:here={c === open}
              aria-current={c === open ? 'true' : undefined}
              data-testid="conversation"
              onclick={() => ((form.value = { ...form.value, open: c.key }), (problem = null))}
            >
              <b>{name(c)}</b> <span class="soft small">{c.line?.label ?? 'a number given back'}</span>
              <span class="last">{c.texts.at(-1)!.text}</span>
              <span class="small" class:waits={c.waitsSince !== null}
                >{c.waitsSince === null
                  ? momentText(c.texts.at(-1)!.at, business.zone)
                  : `waits since ${momentText(c.waitsSince, business.zone)}`}{drafts.value[c.key]
                  ? ' · an answer is begun'
                  : ''}</span
              >
            </button>
          </li>
        {:else}<li class="soft none">{all.length ? 'None is found by that.' : 'No texts yet.'}</li>{/each}
      </ul>
      {#if lines.length}<Button
          size="small"
          kind="tertiary"
          on:click={() => (form.value = { ...form.value, open: NEW })}>Write to another number</Button
        >{/if}
    </section>
    <section class="card" aria-label={open ? `Texts with ${name(open)}` : 'A new text'}>
      {#if open}
        <h2>{name(open)}</h2>
        <p class="soft small">
          {open.contact ? `${business.number(open.theirs)}, ` : ''}through {open.line?.label ??
            business.number(open.ours)}
        </p>
        <ol aria-label="Texts, the oldest first" data-testid="thread">
          {#each open.texts as t (t.id)}
            <li class={t.way}>
              <p><Words text={t.text} /></p>
              <span class="soft small"
                >{t.way === 'in' ? name(open) : ((t as TextMessage).by ?? 'from here')} · {reached(
                  t as TextMessage,
                )}</span
              >
            </li>
          {/each}
        </ol>
      {:else}
        <h2>A new text</h2>
      {/if}
      {#if stopped}
        <p class="waits">
          They answered STOP: no text may go to them from this number before they send START.
        </p>
      {:else if !lines.some((n) => n.e164 === from)}
        <p class="soft">This number carries no texts any more.</p>
      {:else}
        <form onsubmit={(e) => void send(e)}>
          {#if !open}
            <Select
              size="sm"
              labelText="From"
              selected={from}
              on:update={(e) => (form.value = { ...form.value, from: String(e.detail) })}
            >
              {#each lines as n (n.id)}<SelectItem
                  value={n.e164}
                  text="{n.label}, {business.number(n.e164)}"
                />{/each}
            </Select>
            <TextInput
              size="sm"
              labelText="To"
              type="tel"
              value={form.value.to}
              invalid={problem?.field === 'to'}
              invalidText={problem?.message ?? ''}
              on:input={(e) => (form.value = { ...form.value, to: String(e.detail ?? '') })}
            />
          {/if}
          <TextArea
            id="text-being-written"
            rows={3}
            labelText="Text"
            value={text}
            invalid={problem !== null && (problem.field !== 'to' || open !== undefined)}
            invalidText={problem?.message ?? ''}
            on:input={(e: Event) => write((e.target as HTMLTextAreaElement).value)}
            on:keydown={onkeydown}
          />
          <PartsLine {text} onchange={write} />
          <div class="send">
            <Button size="small" type="submit">Send</Button>
            <span class="soft small">or Ctrl + Enter</span>
          </div>
        </form>
      {/if}
    </section>
  </div>
{/if}

<style>
  .columns {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.5fr);
  }
  ul,
  ol {
    list-style: none;
    margin: 8px 0;
    padding: 0;
  }
  ul {
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  ul li {
    border-bottom: 1px solid var(--rule);
  }
  ul button {
    display: grid;
    gap: 2px;
    width: 100%;
    padding: 8px 12px;
    border: 0;
    border-left: 3px solid transparent;
    background: none;
    text-align: left;
    color: inherit;
    font: inherit;
    cursor: pointer;
    overflow-wrap: anywhere;
  }
  ul button.here {
    border-left-color: var(--copper);
    background: var(--copper-wash);
  }
  .last {
    display: block;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .none {
    padding: 10px 12px;
  }
  .waits {
    color: var(--copper);
    font-weight: 600;
  }
  ol {
    max-height: 46vh;
    overflow-y: auto;
  }
  ol li {
    padding: 6px 12px;
    border-left: 3px solid var(--rule);
    margin-bottom: 8px;
  }
  ol li.in {
    border-left-color: var(--message);
  }
  ol p {
    margin: 0;
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }
  form {
    display: grid;
    gap: 8px;
    justify-items: start;
  }
  form > :global(*) {
    width: 100%;
  }
  .send {
    display: flex;
    gap: 12px;
    align-items: center;
  }
</style>
