<script lang="ts">
  import { Modal, Search } from 'carbon-components-svelte';
  import { directory } from '$core/people';
  import type { System } from '$core/system';
  import Numbers from '../../Numbers.svelte';

  /** The directory as the person of this phone may see it. */
  let { personId, system, close }: { personId: string | null; system: System; close: () => void } = $props();
  let query = $state('');
  const entries = $derived(
    directory(system, personId).filter((e) =>
      `${e.name}\n${e.extension}\n${e.groups.join('\n')}`.toLowerCase().includes(query.trim().toLowerCase()),
    ),
  );
</script>

<Modal open passiveModal size="sm" modalHeading="Look somebody up" on:close={close}>
  <Search size="sm" labelText="A name or extension" placeholder="A name or extension" bind:value={query} />
  <ul>
    {#each entries.slice(0, 60) as e (e.kind + e.id)}
      <li>
        <b>{e.name}</b> <span class="ext">{e.extension}</span>
        <small><Numbers numbers={[...e.direct, ...e.mobile]} by=" · " /></small>
      </li>
    {:else}<li class="soft">Nobody is called so.</li>{/each}
  </ul>
</Modal>

<style>
  ul {
    list-style: none;
    margin: 12px 0 0;
    padding: 0;
  }
  li {
    display: grid;
    grid-template-columns: 1fr auto;
    padding: 7px 2px;
    border-bottom: 1px solid var(--rule);
  }
  small {
    grid-column: 1 / 3;
    color: var(--ink-soft);
  }
  .ext {
    font-weight: 650;
  }
</style>
