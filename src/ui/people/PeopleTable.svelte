<script lang="ts">
  import { Search } from 'carbon-components-svelte';
  import { createVirtualizer } from '@tanstack/svelte-virtual';
  import { tick, untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import type { Person } from '$core/system';
  import { isLinked, isProved } from '$core/system';
  import { count } from '../format';
  import { Remembered } from '../remembered.svelte';
  import { heldOf } from '../holding/held';
  import { theBusiness } from '../window/session.svelte';
  import { cellCommand, PEOPLE_COLUMNS, type PeopleColumn } from './columns';
  import EditCell from './EditCell.svelte';
  import { filterPeople, searchable } from './filter';

  /** Everybody, as a table that is changed where it stands. Only the rows in sight are drawn. */
  const ROW = 38;
  const system = $derived(theBusiness().system);
  const query = new Remembered(`people:${theBusiness().view.business.id}`, '');
  const all = $derived(searchable(system));
  const rows = $derived(filterPeople(all, query.value));
  const mayChange = $derived(theBusiness().may('change the system'));

  let box: HTMLDivElement | undefined = $state();
  const virtual = createVirtualizer<HTMLDivElement, HTMLDivElement>({
    count: 0,
    getScrollElement: () => box ?? null,
    estimateSize: () => ROW,
    overscan: 6,
  });
  $effect(() => {
    const n = rows.length;
    void box;
    untrack(() => $virtual.setOptions({ count: n, getScrollElement: () => box ?? null }));
  });

  const phonesOf = $derived.by(() => {
    const found = new Map<string, { all: number; ready: number }>();
    for (const x of Object.values(system.phones)) {
      if (!x.personId) continue;
      const tally = found.get(x.personId) ?? { all: 0, ready: 0 };
      const ready = isLinked(x)
        ? isProved(theBusiness().standing, x)
        : theBusiness().standing.registrations[x.id];
      found.set(x.personId, { all: tally.all + 1, ready: tally.ready + (ready ? 1 : 0) });
    }
    return found;
  });
  function phonesText(p: Person): { text: string; warn: boolean } {
    const tally = phonesOf.get(p.id);
    if (!tally) return { text: 'no phone', warn: true };
    const whole = tally.ready === tally.all;
    return {
      text: whole ? count(tally.all, 'phone') : `${tally.ready} of ${count(tally.all, 'phone')} paired`,
      warn: !whole,
    };
  }

  /** The cell the keyboard is at; the last column is the phones, which lead to the person. */
  let at = $state({ row: 0, column: 1 });
  let editing = $state(false);
  let first = $state<string | null>(null);
  const LAST = PEOPLE_COLUMNS.length;

  const cellId = (row: number, column: number) => `people-${row}-${column}`;
  async function move(row: number, column: number) {
    at = {
      row: Math.max(0, Math.min(rows.length - 1, row)),
      column: Math.max(0, Math.min(LAST, column)),
    };
    $virtual.scrollToIndex(at.row);
    await tick();
    requestAnimationFrame(() => {
      // Whoever types right after an arrow has opened the cell by now, and writes in its field.
      if (!editing) document.getElementById(cellId(at.row, at.column))?.focus();
    });
  }
  function open(row: number, column: number, typed: string | null = null) {
    at = { row, column };
    const p = rows[row]?.person;
    if (!p) return;
    if (column === LAST || !mayChange) return void goto(`/people/${p.id}`);
    first = typed;
    editing = true;
  }
  const PAGE = 12;
  function onkeydown(event: KeyboardEvent) {
    if (
      editing ||
      event.altKey ||
      ((event.ctrlKey || event.metaKey) && event.key !== 'Home' && event.key !== 'End')
    )
      return;
    const { row, column } = at;
    const to = {
      ArrowDown: [row + 1, column],
      ArrowUp: [row - 1, column],
      ArrowRight: [row, column + 1],
      ArrowLeft: [row, column - 1],
      PageDown: [row + PAGE, column],
      PageUp: [row - PAGE, column],
      Home: [event.ctrlKey ? 0 : row, 0],
      End: [event.ctrlKey ? rows.length - 1 : row, LAST],
    }[event.key];
    if (to) void move(to[0]!, to[1]!);
    else if (event.key === 'Enter' || event.key === 'F2') open(row, column);
    else if (event.key.length === 1 && event.key !== ' ' && column < LAST && !PEOPLE_COLUMNS[column]!.choices)
      open(row, column, event.key);
    else return;
    event.preventDefault();
  }
  const shown = (column: PeopleColumn, p: Person): string =>
    column.key === 'siteId' ? (system.sites[p.siteId ?? '']?.name ?? '') : column.value(p);
  const choicesOf = (column: PeopleColumn) =>
    column.key === 'role' && !theBusiness().may('give roles')
      ? column.choices!(system).filter(([role]) => role === 'staff' || role === 'shared room')
      : column.choices?.(system);
</script>

<div class="tools">
  <Search
    size="sm"
    labelText="Filter people"
    placeholder="A name, extension, group, site…"
    value={query.value}
    on:input={(e) => (query.value = (e.target as HTMLInputElement).value)}
    on:clear={() => (query.value = '')}
  />
  <span class="soft small" role="status"
    >{query.value.trim()
      ? `${rows.length.toLocaleString('en-US')} of ${count(all.length, 'person', 'people')}`
      : count(all.length, 'person', 'people')}</span
  >
</div>
<div
  class="grid"
  role="grid"
  tabindex="-1"
  aria-label="Everybody"
  aria-rowcount={rows.length + 1}
  aria-colcount={LAST + 1}
  {onkeydown}
>
  <div class="body" bind:this={box} role="presentation">
    <div class="row head" role="row" aria-rowindex={1}>
      {#each PEOPLE_COLUMNS as column (column.key)}<span role="columnheader">{column.label}</span>{/each}
      <span role="columnheader">Phones</span>
    </div>
    <div class="all" role="presentation" style:height="{$virtual.getTotalSize()}px">
      {#each $virtual.getVirtualItems() as item (rows[item.index]?.person.id ?? item.index)}
        {@const p = rows[item.index]?.person}
        {#if p}
          {@const phones = phonesText(p)}
          <div
            class="row"
            role="row"
            aria-rowindex={item.index + 2}
            style:transform="translateY({item.start}px)"
          >
            {#each PEOPLE_COLUMNS as column, c (column.key)}
              {@const here = at.row === item.index && at.column === c}
              <div
                id={cellId(item.index, c)}
                role="gridcell"
                tabindex={here ? 0 : -1}
                class="cell {column.key}"
                onfocus={() => {
                  if (!editing) at = { row: item.index, column: c };
                }}
                ondblclick={() => open(item.index, c)}
                onclick={() => {
                  if (!editing && here && document.activeElement?.id === cellId(item.index, c)) return;
                  if (!editing) at = { row: item.index, column: c };
                }}
                onkeydown={() => {}}
              >
                {#if column.key === 'name' && !(here && editing)}
                  {@const held = theBusiness().may('see the system') ? heldOf(p.id) : []}
                  <a href="/people/{p.id}" tabindex="-1">{p.name}</a>
                  {#if held.length}<span class="held" title={held.join('; ')}>&nbsp;· {held[0]}</span>{/if}
                {:else if here && editing}
                  <EditCell
                    label="{column.label} of {p.name}"
                    value={column.value(p)}
                    choices={choicesOf(column)}
                    bind:editing
                    {first}
                    keep={(text) =>
                      theBusiness().keep(`Change the ${column.what} of ${p.name}`, [
                        cellCommand(column, p.id, text),
                      ])}
                    done={(next) => void move(next ? item.index + 1 : item.index, c)}
                  />
                {:else}
                  <span
                    class="text"
                    class:warn={column.key === 'email' && !p.email && p.role !== 'shared room'}
                    >{shown(column, p) ||
                      (column.key === 'email' && p.role !== 'shared room' ? 'missing' : '–')}</span
                  >
                {/if}
              </div>
            {/each}
            <div
              id={cellId(item.index, LAST)}
              role="gridcell"
              tabindex={at.row === item.index && at.column === LAST ? 0 : -1}
              class="cell phones"
              onfocus={() => (at = { row: item.index, column: LAST })}
            >
              <a class:warn={phones.warn} href="/people/{p.id}" tabindex="-1">{phones.text}</a>
            </div>
          </div>
        {/if}
      {/each}
    </div>
    {#if !rows.length}<p class="soft none">Nobody here matches “{query.value.trim()}”.</p>{/if}
  </div>
</div>
<p class="small soft">
  {#if mayChange}Arrow keys move; Enter, F2 or typing changes a cell; a double click does too. Ctrl Z takes it
    back.{/if}
</p>

<style>
  .tools {
    display: flex;
    align-items: center;
    gap: 14px;
    margin-bottom: 8px;
  }
  .tools > :global(:first-child) {
    max-width: 320px;
  }
  .grid {
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  .body {
    height: min(560px, calc(100vh - 470px));
    min-height: 230px;
    overflow-y: auto;
    position: relative;
  }
  .all {
    position: relative;
  }
  .row {
    display: grid;
    grid-template-columns: 62px minmax(120px, 1.3fr) minmax(140px, 1.7fr) minmax(80px, 0.9fr) 112px 150px;
    height: 38px;
    border-bottom: 1px solid var(--rule);
  }
  .all .row {
    position: absolute;
    inset: 0 0 auto 0;
  }
  .head {
    height: 32px;
    color: var(--ink-soft);
    font-size: var(--text-small);
    position: sticky;
    top: 0;
    z-index: 2;
    background: var(--sheet);
  }
  .head span,
  .cell {
    padding: 9px 10px;
    min-width: 0;
    font-size: var(--text-lead);
    line-height: 20px;
  }
  .head span {
    padding: 7px 10px;
    font-size: var(--text-small);
  }
  .cell:focus {
    outline: 2px solid var(--copper);
    outline-offset: -2px;
  }
  .cell.name {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .cell.name a {
    display: inline;
  }
  .held {
    color: var(--copper);
    font-size: var(--text-small);
  }
  .text,
  .cell a {
    display: block;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .cell a {
    color: var(--ink);
  }
  .name a {
    font-weight: 650;
    text-decoration: none;
  }
  .name a:hover {
    text-decoration: underline;
  }
  .phones a {
    text-decoration: none;
  }
  .warn,
  .cell a.warn {
    color: var(--alarm);
  }
  .none {
    padding: 18px;
    margin: 0;
  }
</style>
