<script lang="ts">
  import { Search, Select } from 'carbon-components-svelte';
  import type { About } from '$core/story';
  import type { Person, System } from '$core/system';
  import SelectItem from '../../fields/SelectItem.svelte';
  import type { PhoneDesk } from '../desk.svelte';
  import Pointed from './Pointed.svelte';
  import OwnCalls, { type Which } from './OwnCalls.svelte';

  /** Calls of this phone's person, found by who it was, through which number and what was noted. */
  interface Props {
    desk: PhoneDesk;
    person: Person;
    system: System;
    phoneId: string;
    onpass: (about: About) => void;
  }
  let { desk, person, system, phoneId, onpass }: Props = $props();
  const only = $derived(desk.pointed?.is === 'call' ? desk.pointed.id : undefined);
  let query = $state('');
  let which = $state<Which>('all');
</script>

{#if only}<Pointed {desk} all="All calls" />{:else}
  <div class="ask">
    <Search
      size="sm"
      labelText="Search calls"
      placeholder="Search: names, numbers, notes"
      bind:value={query}
    />
    <Select size="sm" hideLabel labelText="Which calls" bind:selected={which}>
      <SelectItem value="all" text="all calls" />
      <SelectItem value="missed" text="missed" />
      <SelectItem value="in" text="that came in" />
      <SelectItem value="out" text="that went out" />
    </Select>
  </div>
{/if}
<OwnCalls {person} {system} {phoneId} {query} {which} {only} {onpass} most={Infinity} />

<style>
  .ask {
    display: grid;
    grid-template-columns: minmax(0, 1.6fr) minmax(0, 1fr);
    gap: 8px;
    margin-bottom: 8px;
  }
</style>
