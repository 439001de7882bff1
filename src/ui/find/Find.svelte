<script lang="ts">
  import { Modal, Search } from 'carbon-components-svelte';
  import { tick } from 'svelte';
  import { goto } from '$app/navigation';
  import { find, type Hit } from './find';
  import type { Doing, Part } from './things-to-do';
  import { chosenBy } from '../chosen';
  import { theBusiness } from '../window/session.svelte';
  import { ui } from '../frame/open.svelte';

  let { open = $bindable(false) }: { open?: boolean } = $props();
  let query = $state('');
  let chosen = $state(0);
  let list = $state<HTMLElement>();
  const found = $derived(find(theBusiness().system, query));
  const hits = $derived(found.hits);

  $effect(() => {
    void query;
    chosen = 0;
  });

  $effect(() => list?.children[chosen]?.scrollIntoView({ block: 'nearest' }));

  async function go(hit: Hit | undefined) {
    if (!hit) return;
    open = false;
    query = '';
    const { doing } = hit;
    if (!('href' in doing)) return act(doing.act);
    await goto(doing.href);
    if (doing.part) await leadTo(doing.part);
  }
  function act(what: Extract<Doing, { act: unknown }>['act']) {
    switch (what) {
      case 'bench':
        ui.bench = !ui.bench;
        return;
      case 'own business':
        ui.ownBusiness = true;
        return;
      case 'save as a file':
        ui.saving = true;
        return;
      case 'keys':
        ui.keys = true;
        return;
      case 'undo':
        return theBusiness().undo();
      case 'redo':
        return theBusiness().redo();
    }
  }
  /** The first thing that takes something there has the cursor. */
  async function leadTo(part: Part) {
    await tick();
    const there = document.querySelector<HTMLElement>(`[data-part="${part}"]`);
    there?.scrollIntoView({ block: 'center' });
    there?.querySelector<HTMLElement>('input:not([type=hidden]), button')?.focus();
  }
  function onkeydown(event: KeyboardEvent) {
    const next = chosenBy(event.key, chosen, hits.length);
    if (next !== null) chosen = next;
    else if (event.key === 'Enter') void go(hits[chosen]);
    else return;
    event.preventDefault();
  }
</script>

<Modal bind:open passiveModal size="sm" modalHeading="Find" selectorPrimaryFocus="#find-field">
  <!-- svelte-ignore a11y_no_static_element_interactions -->
  <div {onkeydown}>
    <Search
      id="find-field"
      labelText="A name, a number, or what to do"
      placeholder="A name, a number, or what to do: add a person, close now, forward…"
      bind:value={query}
    />
    {#if query.trim() && !hits.length}<p class="soft none">
        Nothing here is called “{query.trim()}”, and nothing is done by those words.
      </p>{/if}
    <ul bind:this={list}>
      {#each hits as hit, i (`${JSON.stringify(hit.doing)} ${hit.title}`)}
        <li class:chosen={i === chosen}>
          <button type="button" onclick={() => go(hit)}
            ><b>{hit.title}</b> <span class="soft">{hit.note}</span>{#if hit.key}<kbd>{hit.key}</kbd
              >{/if}</button
          >
        </li>
      {/each}
    </ul>
    {#if found.more}<p class="soft none">{found.more} more: type more of it.</p>{/if}
  </div>
</Modal>

<style>
  ul {
    list-style: none;
    margin: 12px 0 0;
    padding: 0;
    min-height: 220px;
  }
  button {
    width: 100%;
    text-align: left;
    padding: 9px 10px;
    border: 0;
    border-bottom: 1px solid var(--rule);
    background: none;
    font-size: var(--text-lead);
    cursor: pointer;
    color: var(--ink);
  }
  .chosen button {
    background: var(--copper-wash);
  }
  .none {
    padding: 12px 4px;
  }
</style>
