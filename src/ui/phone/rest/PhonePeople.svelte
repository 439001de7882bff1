<script lang="ts">
  import { Button, Search, TextArea, TextInput } from 'carbon-components-svelte';
  import { readNumbers } from '$core/numbering';
  import { colleague, presenceInWords, type Where } from '$core/phone';
  import { directory } from '$core/people';
  import type { About } from '$core/story';
  import { isOwnContact, ownContactId, type Contact, type ShortcutTarget } from '$core/system';
  import { dateText } from '../../format';
  import { freshId } from '../../ids';
  import AnswerBack from '../../messages/AnswerBack.svelte';
  import { lamp } from '../../people/lamp';
  import { here } from '../../window/session.svelte';
  import type { PhoneDesk } from '../desk.svelte';
  import type { Send } from '../../reach/settings.svelte';
  import type { Placing } from '../placing.svelte';
  import Pointed from './Pointed.svelte';
  import { isShortcut, ownShortcuts, setShortcuts, toggled } from './shortcuts';

  /** Colleagues with what they are doing, and contacts of the business: found by name, called or texted in one tap. */
  interface Props {
    desk: PhoneDesk;
    where: Where;
    placing: Placing;
    send: Send;
    onpass: (about: About) => void;
  }
  let { desk, where, placing, send, onpass }: Props = $props();
  const me = $derived(where.phone.personId ?? '');
  const own = $derived(ownShortcuts(desk, me));
  const toggle = (target: ShortcutTarget) => void setShortcuts(send, me, toggled(own, target));
  /** One of one's own that is being written; a new one has no id. */
  let writing = $state<{ id: string; name: string; firm: string; numbers: string; note: string } | null>(
    null,
  );
  let problem = $state<{ field: 'name' | 'numbers'; message: string } | null>(null);
  function write(c?: Contact) {
    problem = null;
    writing = {
      id: c?.id ?? '',
      name: c?.name ?? '',
      firm: c?.firm ?? '',
      numbers: (c?.numbers ?? []).map((n) => here().number(n)).join(', '),
      note: c?.note ?? '',
    };
  }
  async function keep(event: Event) {
    event.preventDefault();
    if (!writing) return;
    const { country, outsideDigit } = where.system.business;
    if (!writing.name.trim()) return (problem = { field: 'name', message: 'Give the contact a name.' });
    const read = readNumbers(writing.numbers, country, outsideDigit);
    if (!read.ok) return (problem = { field: 'numbers', message: read.message });
    if (!read.numbers.length) return (problem = { field: 'numbers', message: 'It needs a number.' });
    const wrong = await desk.keepOwn({
      id: writing.id || ownContactId(freshId('c')),
      name: writing.name.trim(),
      numbers: read.numbers,
      ...(writing.firm.trim() ? { firm: writing.firm.trim() } : {}),
      ...(writing.note.trim() ? { note: writing.note.trim() } : {}),
    });
    if (wrong) return (problem = { field: 'name', message: wrong });
    writing = null;
  }
  let query = $state('');
  const words = $derived(query.toLowerCase().split(/\s+/).filter(Boolean));
  const has = (text: string) => words.every((w) => text.toLowerCase().includes(w));
  const people = $derived(
    directory(where.system, where.phone.personId).filter(
      (e) =>
        e.kind !== 'group' &&
        e.id !== where.phone.personId &&
        has(`${e.name} ${e.extension} ${e.groups.join(' ')}`),
    ),
  );
  const pointed = $derived(desk.pointed?.is === 'contact' ? desk.pointed.id : undefined);
  const contacts = $derived(
    Object.values(where.system.contacts)
      .filter((c) => !pointed || c.id === pointed)
      .filter((c) =>
        has(
          [c.name, c.firm ?? '', ...c.numbers, ...c.numbers.map((n) => here().number(n)), c.note ?? ''].join(
            ' ',
          ),
        ),
      )
      .sort((a, b) => a.name.localeCompare(b.name)),
  );
  const AT_ONCE = 50;
  let shown = $state(AT_ONCE);
</script>

{#snippet star(target: ShortcutTarget, name: string)}
  {@const is = isShortcut(own, target)}
  <button class="linkish small star" type="button" aria-pressed={is} onclick={() => toggle(target)}
    >{is ? 'A shortcut' : 'Make a shortcut'}<span class="visually-hidden">&nbsp;: {name}</span></button
  >
{/snippet}

<Search
  size="sm"
  labelText="Search people"
  placeholder="Search: names, extensions, firms, numbers"
  bind:value={query}
/>
<div class="both">
  <section aria-label="Colleagues you can call">
    <h2>Colleagues</h2>
    <ul>
      {#each people as e (e.kind + e.id)}
        {@const p = desk.going.presence[e.id]}
        <li class="starred">
          <button
            class="row"
            type="button"
            aria-label="Call {e.name}, {e.extension}"
            onclick={() => placing.call(colleague(e.id, e.name, e.extension))}
          >
            <b>{e.name}</b><span>{e.extension}</span>
            {#if p}<em class={lamp(p)}>{presenceInWords(p, dateText)}</em>{/if}
          </button>
          {@render star({ kind: 'person', personId: e.id }, e.name)}
        </li>
      {:else}<li class="soft none">Nobody of us is found by that.</li>{/each}
    </ul>
  </section>
  <section aria-label="Contacts">
    <h2>Contacts</h2>
    {#if pointed}<Pointed {desk} all="All contacts" />{/if}
    {#if writing}
      <form onsubmit={(e) => void keep(e)} aria-label="A contact of your own">
        <TextInput
          size="sm"
          labelText="Name"
          bind:value={writing.name}
          invalid={problem?.field === 'name'}
          invalidText={problem?.message ?? ''}
        />
        <TextInput
          size="sm"
          labelText="Numbers"
          type="tel"
          bind:value={writing.numbers}
          invalid={problem?.field === 'numbers'}
          invalidText={problem?.message ?? ''}
        />
        <TextInput size="sm" labelText="Firm" bind:value={writing.firm} />
        <TextArea rows={2} labelText="Note" bind:value={writing.note} />
        <p class="soft small">Nobody else sees it, and plans know nothing of it.</p>
        <div class="number">
          <Button size="small" type="submit">Keep it</Button>
          <Button size="small" kind="ghost" on:click={() => (writing = null)}>Leave it</Button>
        </div>
      </form>
    {:else}
      <button class="linkish" type="button" onclick={() => write()}>A contact of my own</button>
    {/if}
    <ul>
      {#each contacts.slice(0, shown) as c (c.id)}
        <li class="contact">
          <div class="top">
            <b>{c.name}</b>
            {#if isOwnContact(c.id)}<span class="soft small">only yours</span>{/if}
            {@render star({ kind: 'contact', contactId: c.id, number: null }, c.name)}
          </div>
          {#if c.firm}<span class="soft small">{c.firm}</span>{/if}
          {#each c.numbers as number (number)}
            <div class="number">
              <button class="linkish" type="button" onclick={() => placing.dial(number, c.name)}
                >{here().number(number)}<span class="visually-hidden">&nbsp;: call {c.name}</span></button
              >
              {#if c.kinds?.[number]}<span class="soft small">{c.kinds[number]}</span>{/if}
              <AnswerBack {number} own={desk.phoneId} answered={() => Promise.resolve()} />
            </div>
          {/each}
          {#if c.note}<p class="small soft">{c.note}</p>{/if}
          <button
            class="linkish small pass"
            type="button"
            onclick={() => onpass({ is: 'contact', id: c.id, words: c.name })}
            >Tell a colleague<span class="visually-hidden">&nbsp;of {c.name}</span></button
          >
          {#if isOwnContact(c.id)}
            <div class="number">
              <button class="linkish small" type="button" onclick={() => write(c)}
                >Change<span class="visually-hidden">&nbsp;{c.name}</span></button
              >
              <button class="linkish small" type="button" onclick={() => void desk.dropOwn(c)}
                >Remove<span class="visually-hidden">&nbsp;{c.name}</span></button
              >
            </div>
          {/if}
        </li>
      {:else}<li class="soft none">
          {words.length ? 'No contact is found by that.' : 'The business has no contacts yet.'}
        </li>{/each}
    </ul>
    {#if contacts.length > shown}
      <button class="linkish" type="button" onclick={() => (shown += AT_ONCE)}
        >Show more of {contacts.length.toLocaleString('en-US')}</button
      >
    {/if}
  </section>
</div>

<style>
  .pass {
    justify-self: start;
  }
  .both {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
    gap: 18px;
    margin-top: 12px;
  }
  h2 {
    margin: 0 0 8px;
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  .row {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 0 8px;
    width: 100%;
    min-height: 48px;
    align-content: center;
    padding: 4px 10px;
    border: 0;
    border-bottom: 1px solid var(--rule);
    background: var(--sheet);
    color: var(--ink);
    font: inherit;
    text-align: left;
    cursor: pointer;
  }
  .row:hover {
    background: var(--hover);
  }
  .row span {
    color: var(--ink-soft);
    font-variant-numeric: tabular-nums;
  }
  em {
    grid-column: 1 / 3;
    font-style: normal;
    font-size: var(--text-small);
    color: var(--ink-soft);
  }
  em.free {
    color: var(--group);
  }
  em.busy {
    color: var(--alarm);
  }
  .starred {
    display: grid;
    grid-template-columns: 1fr auto;
    align-items: center;
    background: var(--sheet);
    border-bottom: 1px solid var(--rule);
  }
  .starred .row {
    border-bottom: 0;
  }
  .star {
    padding: 0 10px;
  }
  .top {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 10px;
    align-items: baseline;
  }
  form {
    display: grid;
    gap: 8px;
    margin-bottom: 10px;
  }
  .contact {
    display: grid;
    gap: 2px;
    padding: 8px 10px;
    background: var(--sheet);
    border-bottom: 1px solid var(--rule);
    overflow-wrap: anywhere;
  }
  .number {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
    align-items: center;
  }
  .contact p {
    margin: 2px 0 0;
    white-space: pre-wrap;
  }
  .none {
    padding: 10px;
  }
</style>
