<script lang="ts">
  import { Search, Select } from 'carbon-components-svelte';
  import type { Person, System } from '$core/system';
  import SelectItem from '../../fields/SelectItem.svelte';
  import OwnCalls, { type Which } from './OwnCalls.svelte';

  /** Calls of this phone's person, found by who it was, through which number and what was noted. */
  let { person, system, phoneId }: { person: Person; system: System; phoneId: string } = $props();
  let query = $state('');
  let which = $state<Which>('all');
</script>

<div class="ask">
  <Search size="sm" labelText="Search calls" placeholder="Search: names, numbers, notes" bind:value={query} />
  <Select size="sm" hideLabel labelText="Which calls" bind:selected={which}>
    <SelectItem value="all" text="all calls" />
    <SelectItem value="missed" text="missed" />
    <SelectItem value="in" text="that came in" />
    <SelectItem value="out" text="that went out" />
  </Select>
</div>
<OwnCalls {person} {system} {phoneId} {query} {which} most={Infinity} />

<style>
  .ask {
    display: grid;
    grid-template-columns: minmax(0, 1.6fr) minmax(0, 1fr);
    gap: 8px;
    margin-bottom: 8px;
  }
</style>
