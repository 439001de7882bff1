<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import type { System } from '$core/system';
  import { placesOf } from '../../bench/standins';
  import { here, session } from '../../window/session.svelte';
  import { deskOf } from '../desk.svelte';
  import SelectItem from '../../fields/SelectItem.svelte';

  /** A part of the bench: where the phone that this window plays is. */
  let { phoneId, system }: { phoneId: string; system: System } = $props();
  let places = $state.raw<{ address: string; name: string }[]>([]);
  void placesOf(untrack(() => system)).then((found) => (places = found));
  const condition = $derived(here().standing.registrations[phoneId]?.condition ?? 'in reach');
  const address = $derived(here().standing.registrations[phoneId]?.address || (places[0]?.address ?? ''));
  const be = (change: { address?: string; condition?: 'in reach' | 'no network' }) =>
    deskOf(here())
      .ask({ do: 'be', ...change })
      .catch((error: Error) => session.say({ kind: 'error', title: 'Not changed', detail: error.message }));
</script>

<div class:two={places.length > 1}>
  {#if places.length > 1}
    <Select
      size="sm"
      labelText="Bench: this window plays a phone"
      selected={address}
      on:update={(e) => e.detail !== address && void be({ address: String(e.detail) })}
    >
      {#each places as p (p.address)}<SelectItem value={p.address} text={p.name} />{/each}
    </Select>
  {/if}
  <Select
    size="sm"
    labelText="Bench: its network"
    selected={condition}
    on:update={(e) => e.detail !== condition && void be({ condition: e.detail as 'in reach' })}
  >
    <SelectItem value="in reach" text="in reach" />
    <SelectItem value="no network" text="no network" />
  </Select>
</div>

<style>
  div {
    background: var(--bench);
    border: 1px solid var(--line);
    padding: 8px 12px;
    display: grid;
    gap: 10px;
  }
  .two {
    grid-template-columns: 1fr 1fr;
  }
</style>
