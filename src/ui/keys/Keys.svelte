<script lang="ts">
  import { Modal, Search } from 'carbon-components-svelte';
  import SingleKeys from './SingleKeys.svelte';
  import { KEYS } from './keys';

  let { open = $bindable(false) }: { open?: boolean } = $props();
  let query = $state('');
  const shown = $derived(
    KEYS.filter(([key, does]) => `${key} ${does}`.toLowerCase().includes(query.trim().toLowerCase())),
  );
</script>

<Modal bind:open passiveModal size="sm" modalHeading="Keys" selectorPrimaryFocus="#keys-field">
  <Search
    id="keys-field"
    labelText="A key, or what it does"
    placeholder="A key, or what it does"
    bind:value={query}
  />
  <dl>
    {#each shown as [key, does] (key)}
      <dt>{key}</dt>
      <dd>{does}</dd>
    {:else}
      <dd class="soft">No key does that.</dd>
    {/each}
  </dl>
  <SingleKeys />
</Modal>

<style>
  dl {
    display: grid;
    grid-template-columns: 130px 1fr;
    gap: 8px 12px;
    margin: 12px 0 0;
    font-size: var(--text-lead);
  }
  dt {
    font-weight: 650;
  }
  dd {
    margin: 0;
  }
</style>
