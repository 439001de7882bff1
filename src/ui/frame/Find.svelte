<script lang="ts">
  import { Modal, Search } from 'carbon-components-svelte';
  import { goto } from '$app/navigation';
  import { find, type Hit } from '../find';
  import { theBusiness } from '../window/session.svelte';

  let { open = $bindable(false) }: { open?: boolean } = $props();
  let query = $state('');
  let chosen = $state(0);
  const hits = $derived(find(theBusiness().system, query));

  $effect(() => {
    void query;
    chosen = 0;
  });

  async function go(hit: Hit | undefined) {
    if (!hit) return;
    open = false;
    query = '';
    await goto(hit.href);
  }
  function onkeydown(event: KeyboardEvent) {
    if (event.key === 'ArrowDown') chosen = Math.min(chosen + 1, hits.length - 1);
    else if (event.key === 'ArrowUp') chosen = Math.max(chosen - 1, 0);
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
      labelText="A name, number or extension"
      placeholder="A name, number or extension"
      bind:value={query}
    />
    {#if query.trim() && !hits.length}<p class="soft none">Nothing here is called “{query.trim()}”.</p>{/if}
    <ul>
      {#each hits as hit, i (hit.href + hit.title)}
        <li class:chosen={i === chosen}>
          <button type="button" onclick={() => go(hit)}
            ><b>{hit.title}</b> <span class="soft">{hit.note}</span></button
          >
        </li>
      {/each}
    </ul>
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
