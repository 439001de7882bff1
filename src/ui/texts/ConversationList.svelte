<script lang="ts">
  import { Search, Select } from 'carbon-components-svelte';
  import type { Conversation } from '$core/story';
  import SelectItem from '../fields/SelectItem.svelte';
  import { momentText } from '../format';
  import { Near } from '../drawn/near.svelte';
  import type { TextRecord } from '$workspace';
  import { here } from '../window/session.svelte';
  import { reached } from './reached';

  /** Conversations by text, found by words, by who has them and where they stand. */
  interface Props {
    all: readonly Conversation<TextRecord>[];
    /** The key of the one that is open. */
    open: string | undefined;
    onopen: (key: string) => void;
  }
  let { all, open, onopen }: Props = $props();
  type Which = 'all' | 'waits' | 'mine' | 'nobody' | 'closed';
  let which = $state<Which>('all');
  let query = $state('');
  const words = $derived(query.toLowerCase().split(/\s+/).filter(Boolean));
  const texts = new WeakMap<Conversation, string>();
  function textOf(c: Conversation): string {
    let text = texts.get(c);
    if (text === undefined) {
      text = [
        c.contact?.name,
        c.contact?.firm,
        c.theirs,
        c.theirs.replace(/\D/g, ''),
        here().number(c.theirs),
        c.line?.label,
        ...c.texts.flatMap((t) => [t.text, ...(t.files ?? []).map((f) => f.name)]),
      ]
        .join(' ')
        .toLowerCase();
      texts.set(c, text);
    }
    return text;
  }
  const isAmong = (c: Conversation): boolean => {
    switch (which) {
      case 'all':
        return true;
      case 'waits':
        return c.waitsSince !== null;
      case 'mine':
        return c.assignedTo !== undefined && c.assignedTo === here().me;
      case 'nobody':
        return c.waitsSince !== null && c.assignedTo === undefined;
      case 'closed':
        return c.closed;
    }
  };
  const found = $derived(all.filter((c) => isAmong(c) && words.every((w) => textOf(c).includes(w))));
  const AT_ONCE = 60;
  let shown = $state(AT_ONCE);
  const nameOf = (c: Conversation) => c.contact?.name ?? here().number(c.theirs);
  const lastOf = (c: Conversation) => {
    const last = c.texts.at(-1) ?? c.later.at(-1)!;
    return last.text || (last.files ?? []).map((f) => f.name).join(', ');
  };
  const failed = (c: Conversation<TextRecord>) => {
    const last = c.texts.at(-1);
    return last !== undefined && reached(last, here()).failed;
  };
  const has = (c: Conversation) =>
    c.assignedTo ? (here().system.people[c.assignedTo]?.name ?? 'somebody') : '';

  const stands = (c: Conversation<TextRecord>): string =>
    [
      c.waitsSince === null
        ? momentText(c.lastAt, here().zone)
        : `waits since ${momentText(c.waitsSince, here().zone)}`,
      has(c) ? `${has(c)} has it` : '',
      c.closed ? 'done with' : '',
      failed(c) ? 'not delivered' : '',
      c.later.length ? `${c.later.length} to go later` : '',
    ]
      .filter(Boolean)
      .join(' · ');

  function onkeydown(event: KeyboardEvent) {
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (!by) return;
    const rows = [...(event.currentTarget as HTMLElement).querySelectorAll('button')];
    const next = rows[rows.indexOf(document.activeElement as HTMLButtonElement) + by];
    if (!next) return;
    next.focus();
    event.preventDefault();
  }
</script>

<div class="ask">
  <Search size="sm" labelText="Search texts" placeholder="Search: names, numbers, words" bind:value={query} />
  <Select size="sm" hideLabel labelText="Which conversations" bind:selected={which}>
    <SelectItem value="all" text="all of them" />
    <SelectItem value="waits" text="that wait for an answer" />
    <SelectItem value="nobody" text="that wait, and nobody has" />
    {#if here().me}<SelectItem value="mine" text="that I have" />{/if}
    <SelectItem value="closed" text="that are done with" />
  </Select>
</div>
<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
<ul aria-label="Conversations" {onkeydown}>
  {#each found.slice(0, shown) as c (c.key)}
    <li>
      <button
        type="button"
        class:here={c.key === open}
        aria-current={c.key === open ? 'true' : undefined}
        data-testid="conversation"
        onclick={() => onopen(c.key)}
      >
        <span
          ><b>{nameOf(c)}</b>
          <span class="soft small">{c.line?.label ?? 'a number given back'}</span></span
        >
        <span class="last">{lastOf(c)}</span>
        <span class="small" class:waits={c.waitsSince !== null || failed(c)}>{stands(c)}</span>
      </button>
    </li>
  {:else}<li class="soft none">{all.length ? 'None is found by that.' : 'No texts yet.'}</li>{/each}
</ul>
{#if found.length > shown}
  {#key shown}
    {@const end = new Near(false, () => (shown += AT_ONCE))}
    <p class="soft small" {@attach end.attach}>
      <button class="linkish" type="button" onclick={() => (shown += AT_ONCE)}
        >Show more of {found.length.toLocaleString('en-US')}</button
      >
    </p>
  {/key}
{/if}

<style>
  .ask {
    display: grid;
    grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr);
    gap: 8px;
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
  button {
    color: inherit;
    font: inherit;
    cursor: pointer;
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
    overflow-wrap: anywhere;
  }
  button.here {
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
</style>
