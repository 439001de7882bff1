<script lang="ts">
  import Sortable from 'sortablejs';
  import { tick } from 'svelte';
  import type { Attachment } from 'svelte/attachments';
  import { Button, TextInput } from 'carbon-components-svelte';
  import { page } from '$app/state';
  import { goto } from '$app/navigation';
  import { profileOf } from '$core/numbering';
  import {
    Board,
    MOST_BOARDS,
    MOST_TILES,
    movedTile,
    whoseFigures,
    type Boards,
    type Tile,
  } from '$core/traffic';
  import { changeBoards, readBoards } from '$workspace';
  import { freshId } from '../../ids';
  import { dateText } from '../../format';
  import { theBusiness } from '../../window/session.svelte';
  import AddTile from './AddTile.svelte';
  import TileView from './TileView.svelte';

  /** Boards of one's own. */
  const business = $derived(theBusiness());
  const system = $derived(business.system);
  const currency = $derived(profileOf(system.business.country).currency);
  const people = $derived.by(() => {
    const whose = whoseFigures(system, business.actor);
    return whose && [...whose];
  });
  let boards = $state.raw<Boards | null>(null);
  $effect(() => void readBoards(business.db, business.id).then((known) => (boards = known)));
  const board = $derived(boards?.find((b) => b.id === page.url.searchParams.get('board')) ?? boards?.[0]);
  let problem = $state('');
  let name = $state('');
  let nameProblem = $state('');
  let naming = $state(false);
  let mailTo = $state<string | null>(null);
  let mailProblem = $state('');
  let mailing = $state(false);
  /** The last change, to be taken back. */
  let before = $state.raw<{ words: string; boards: Boards } | null>(null);

  async function keep(change: (known: Boards) => Boards, words = '') {
    try {
      const was = boards;
      boards = await changeBoards(business.db, business.id, change);
      before = words && was ? { words, boards: was } : null;
      problem = '';
    } catch (error) {
      problem = error instanceof Error ? error.message : String(error);
    }
  }
  const set = (change: (board: Board) => Board, words = '') => {
    const id = board?.id;
    return keep((known) => known.map((b) => (b.id === id ? change(b) : b)), words);
  };
  const undo = () => before && void keep(() => before!.boards);
  async function start(event: Event) {
    event.preventDefault();
    const made: Board = { id: freshId('board'), name: name.trim(), tiles: [], mailTo: [], mailed: null };
    const wrong = Board.safeParse(made).error?.issues[0]?.message;
    if (wrong) return (nameProblem = wrong);
    if (boards?.some((b) => b.name.toLowerCase() === made.name.toLowerCase()))
      return (nameProblem = 'There is one of this name already.');
    if ((boards?.length ?? 0) >= MOST_BOARDS) return (nameProblem = `There are ${MOST_BOARDS} already.`);
    await keep((known) => (known.length < MOST_BOARDS ? [...known, made] : known));
    naming = false;
    name = nameProblem = '';
    await goto(`?board=${made.id}`);
  }
  const add = (tile: Tile) =>
    (board?.tiles.length ?? 0) >= MOST_TILES
      ? (problem = `${MOST_TILES} tiles are as many as a board has.`)
      : void set((b) => ({ ...b, tiles: [...b.tiles, tile] }));
  /** @param place where to, of where it is by then: a key that is pressed twice moves it twice */
  async function move(id: string, place: (now: number) => number) {
    await set((b) => ({
      ...b,
      tiles: movedTile(b.tiles, id, place(b.tiles.findIndex((t) => t.id === id))),
    }));
    await tick();
    document.querySelector<HTMLElement>(`[data-tile="${CSS.escape(id)}"] .grip`)?.focus();
  }
  async function keepMail(event: Event) {
    event.preventDefault();
    const addresses = [...new Set((mailTo ?? '').split(/[\s,;]+/).filter(Boolean))];
    const wrong = addresses.find((a) => !Board.shape.mailTo.element.safeParse(a).success);
    if (wrong) return (mailProblem = `${wrong} is no address.`);
    if (addresses.length > 20) return (mailProblem = 'At most 20 addresses.');
    await set((b) => ({ ...b, mailTo: addresses }));
    mailTo = null;
    mailProblem = '';
  }
  async function mailNow() {
    if (!board) return;
    mailing = true;
    try {
      const { mailBoard } = await import('./mailing');
      const n = await mailBoard(business, board);
      business.say({ kind: 'success', title: `Mailed to ${n === 1 ? 'one address' : `${n} addresses`}.` });
    } catch (error) {
      problem = error instanceof Error ? error.message : String(error);
    } finally {
      mailing = false;
    }
  }
  const draggable: Attachment<HTMLElement> = (list) => {
    const sortable = Sortable.create(list, {
      handle: '.grip',
      animation: 120,
      forceFallback: true,
      onEnd: ({ item, from, oldIndex, newIndex }) => {
        if (oldIndex === undefined || newIndex === undefined || oldIndex === newIndex) return;
        // The page is drawn from the board: what was moved by hand goes back, and the board is changed.
        from.insertBefore(item, from.children[oldIndex + (newIndex < oldIndex ? 1 : 0)] ?? null);
        void move(item.dataset['tile']!, () => newIndex);
      },
    });
    return () => sortable.destroy();
  };
</script>

<h1>Boards</h1>
{#if boards}
  <p class="list">
    {#each boards as b (b.id)}
      <a href="?board={b.id}" aria-current={b === board ? 'page' : undefined}>{b.name}</a>
    {/each}
    <button class="linkish" type="button" aria-expanded={naming} onclick={() => (naming = !naming)}
      >Another board</button
    >
  </p>
  {#if naming || !boards.length}
    <form onsubmit={(e) => void start(e)}>
      <TextInput
        size="sm"
        labelText="Name of the board"
        bind:value={name}
        invalid={!!nameProblem}
        invalidText={nameProblem}
      />
      <Button size="small" type="submit">Start it</Button>
    </form>
    {#if !boards.length}<p class="soft">
        A board has the figures you want to see together: chosen, arranged, and mailed on Mondays to whom you
        want.
      </p>{/if}
  {/if}
  {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
  {#if board}
    {#if before}
      <p class="small" role="status">
        {before.words} <button class="linkish" type="button" onclick={undo}>Take it back</button>
      </p>
    {/if}
    <AddTile {system} onadd={add} />
    {#if board.tiles.length}
      <ul aria-label="Tiles of {board.name}" {@attach draggable}>
        {#each board.tiles as tile (tile.id)}
          <TileView
            {tile}
            {people}
            {currency}
            onmove={(by) => void move(tile.id, (now) => now + by)}
            ondrop={() =>
              void set(
                (b) => ({ ...b, tiles: b.tiles.filter((t) => t.id !== tile.id) }),
                'A tile was taken away.',
              )}
          />
        {/each}
      </ul>
    {:else}<p class="empty">There is nothing on it yet: choose a question above.</p>{/if}
    {#if !people}
      <section aria-label="By mail">
        {#if mailTo === null}
          <p>
            {board.mailTo.length
              ? `Mailed on Mondays at seven to ${board.mailTo.join(', ')}${board.mailed ? `, last for ${dateText(board.mailed)}` : ''}, or as soon as a window of the administration is open after that.`
              : 'It is mailed to nobody.'}
            <button class="linkish" type="button" onclick={() => (mailTo = board.mailTo.join(', '))}
              >{board.mailTo.length ? 'To whom' : 'Mail it on Mondays'}</button
            >
            {#if board.mailTo.length && board.tiles.length}
              <button class="linkish" type="button" disabled={mailing} onclick={() => void mailNow()}
                >Mail it now</button
              >
            {/if}
          </p>
        {:else}
          <form onsubmit={(e) => void keepMail(e)}>
            <TextInput
              size="sm"
              labelText="Addresses, parted by commas; none is nobody"
              bind:value={mailTo}
              invalid={!!mailProblem}
              invalidText={mailProblem}
            />
            <Button size="small" type="submit">Keep it</Button>
          </form>
        {/if}
      </section>
    {/if}
    <p class="small">
      <button
        class="linkish"
        type="button"
        onclick={() =>
          void keep((known) => known.filter((b) => b.id !== board.id), `${board.name} was thrown away.`)}
        >Throw this board away</button
      >
    </p>
  {:else if before}
    <p class="small" role="status">
      {before.words} <button class="linkish" type="button" onclick={undo}>Take it back</button>
    </p>
  {/if}
{/if}

<style>
  .list {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 16px;
  }
  .list a {
    color: var(--copper);
  }
  .list a[aria-current] {
    color: var(--ink);
    font-weight: 700;
    text-decoration: none;
  }
  form {
    display: grid;
    grid-template-columns: minmax(200px, 420px) auto;
    gap: 8px;
    align-items: end;
    justify-content: start;
    margin: 6px 0;
  }
  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
    gap: 10px;
    margin: 8px 0;
    padding: 0;
    list-style: none;
  }
  .problem {
    color: var(--alarm);
  }
  @media print {
    .list,
    section,
    p.small {
      display: none;
    }
  }
</style>
