<script lang="ts">
  import { Button, Checkbox, Search, TextInput } from 'carbon-components-svelte';
  import { tick } from 'svelte';
  import { circleOf, circleOfGroup, circlesOf, type About } from '$core/story';
  import type { Person, System } from '$core/system';
  import { momentText } from '../../format';
  import { Remembered } from '../../remembered.svelte';
  import { here } from '../../window/session.svelte';
  import type { PhoneDesk } from '../desk.svelte';
  import CircleThread from './CircleThread.svelte';

  /** Conversations with colleagues: the list, and one in its place; side by side where there is room. */
  interface Props {
    desk: PhoneDesk;
    person: Person;
    system: System;
    wide: boolean;
    /** Calls everybody of a conversation into one talk. */
    ongather: (personIds: readonly string[]) => void;
    onpoint: (about: About) => void;
  }
  let { desk, person, system, wide, ongather, onpoint }: Props = $props();
  const all = $derived(circlesOf(desk.circles.circles, desk.circles.words, person.id, system));
  const form = new Remembered(`circles ${here().id}`, { open: '' });
  const NEW = 'new';
  const chosen = $derived(all.find((c) => c.kept.id === form.value.open));
  const open = $derived(chosen ?? (wide && form.value.open !== NEW ? all[0] : undefined));
  const apart = $derived(!wide && (open !== undefined || form.value.open === NEW));
  let query = $state('');
  const words = $derived(query.toLowerCase().split(/\s+/).filter(Boolean));
  const found = $derived(
    all.filter((c) => {
      const text = [c.name, ...c.words.map((w) => w.text)].join(' ').toLowerCase();
      return words.every((w) => text.includes(w));
    }),
  );
  const show = (id: string) => (form.value = { open: id });
  // What is to be passed on: to whom is asked first.
  let asked: About | null = null;
  $effect(() => {
    if (desk.passing && desk.passing !== asked) show('');
    asked = desk.passing;
  });

  /** Whom a new one is with. */
  let picked = $state<string[]>([]);
  let name = $state('');
  let begun = $state.raw<{ with: string[]; name?: string } | { groupId: string } | null>(null);
  const people = $derived(
    Object.values(system.people).filter((p) => p.id !== person.id && p.role !== 'shared room'),
  );
  const groups = $derived(
    Object.values(system.groups).filter((g) =>
      g.members.some((m) => m.kind === 'person' && m.id === person.id),
    ),
  );
  function begin(to: typeof begun & object) {
    const id = 'groupId' in to ? circleOfGroup(to.groupId) : to.name ? '' : circleOf([person.id, ...to.with]);
    picked = [];
    name = '';
    // One that is there already is opened.
    if (id && all.some((c) => c.kept.id === id)) return show(id);
    begun = to;
  }
  async function back() {
    show('');
    begun = null;
    await tick();
    document.querySelector<HTMLElement>('[data-testid="circle"]')?.focus();
  }
</script>

<div class="texts" class:wide>
  {#if !apart}
    <section>
      {#if desk.passing}
        <p class="small" role="status">
          Choose a conversation: {desk.passing.words} goes with what you write.
          <button class="linkish" type="button" onclick={() => (desk.passing = null)}>Leave it out</button>
        </p>
      {/if}
      <Search
        size="sm"
        labelText="Search conversations"
        placeholder="Search: names, words"
        bind:value={query}
      />
      <ul aria-label="Conversations with colleagues">
        {#each found as c (c.kept.id)}
          {@const last = c.words.at(-1)}
          <li>
            <button
              type="button"
              class:here={c.kept.id === open?.kept.id}
              aria-current={c.kept.id === open?.kept.id ? 'true' : undefined}
              data-testid="circle"
              onclick={() => show(c.kept.id)}
            >
              <b>{c.name}</b>
              <span class="last"
                >{last
                  ? last.text || (last.files ?? []).map((f) => f.name).join(', ') || last.about?.words
                  : ''}</span
              >
              <span class="small" class:unread={c.unread > 0}
                >{momentText(c.lastAt, desk.zone)}{c.unread ? ` · ${c.unread} new` : ''}</span
              >
            </button>
          </li>
        {:else}<li class="soft none">
            {all.length ? 'None is found by that.' : 'Nobody of us has written yet.'}
          </li>{/each}
      </ul>
      <Button
        size="small"
        kind="tertiary"
        on:click={() => {
          begun = null;
          show(NEW);
        }}>Write to colleagues</Button
      >
      {#if desk.circles.older}<p class="soft small">
          {desk.circles.older.toLocaleString('en-US')} older words are not on this phone.
        </p>{/if}
    </section>
  {/if}
  {#if apart || wide}
    <section class="card" aria-label={open ? `With ${open.name}` : 'A new conversation'}>
      {#if apart}<button class="linkish" type="button" onclick={() => void back()}>All conversations</button
        >{/if}
      {#if open}
        {#key open.kept.id}
          <CircleThread
            {desk}
            {system}
            me={person.id}
            to={{ circleId: open.kept.id }}
            circle={open}
            onwritten={show}
            {ongather}
            {onpoint}
          />
        {/key}
      {:else if begun}
        <CircleThread
          {desk}
          {system}
          me={person.id}
          to={begun}
          circle={undefined}
          onwritten={show}
          {ongather}
          {onpoint}
        />
      {:else}
        <h2>With whom?</h2>
        {#if groups.length}
          <div class="groups">
            {#each groups as g (g.id)}
              <Button size="small" kind="tertiary" on:click={() => begin({ groupId: g.id })}>{g.name}</Button>
            {/each}
          </div>
        {/if}
        <div class="people">
          {#each people as p (p.id)}
            <Checkbox
              labelText={p.name}
              checked={picked.includes(p.id)}
              on:check={(e) =>
                (picked = e.detail
                  ? [...picked.filter((x) => x !== p.id), p.id]
                  : picked.filter((x) => x !== p.id))}
            />
          {/each}
        </div>
        {#if picked.length > 1}
          <TextInput size="sm" labelText="A name for it, or none" maxlength={60} bind:value={name} />
        {/if}
        <Button
          size="small"
          disabled={!picked.length}
          on:click={() => begin({ with: [...picked], ...(name.trim() ? { name: name.trim() } : {}) })}
          >Write to them</Button
        >
      {/if}
    </section>
  {/if}
</div>

<style>
  .wide {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.4fr);
    gap: 18px;
    align-items: start;
  }
  .card {
    margin: 0;
  }
  ul {
    list-style: none;
    margin: 8px 0;
    padding: 0;
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  li {
    border-bottom: 1px solid var(--rule);
  }
  li button {
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
  button.here {
    border-left-color: var(--copper);
    background: var(--copper-wash);
  }
  .last {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .unread {
    color: var(--copper);
    font-weight: 600;
  }
  .none {
    padding: 10px 12px;
  }
  .groups {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    margin-bottom: 8px;
  }
  .people {
    max-height: 40vh;
    overflow-y: auto;
    margin-bottom: 8px;
  }
</style>
