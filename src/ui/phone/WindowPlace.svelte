<script lang="ts">
  import { Select, SelectItem } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import type { System } from '$core/system';
  import { putPhones } from '$workspace';
  import { placesOf } from '../bench/standins';
  import { theBusiness } from '../window/session.svelte';

  /** A part of the bench: where the phone that this window plays is. */
  let { phoneId, system }: { phoneId: string; system: System } = $props();
  let places = $state.raw<{ address: string; name: string }[]>([]);
  void placesOf(untrack(() => system)).then((found) => (places = found));
  const condition = $derived(theBusiness().standing.registrations[phoneId]?.condition ?? 'in reach');
  const address = $derived(
    theBusiness().standing.registrations[phoneId]?.address || (places[0]?.address ?? ''),
  );
</script>

<div class:two={places.length > 1}>
  {#if places.length > 1}
    <Select
      size="sm"
      labelText="Bench: this window plays a phone"
      selected={address}
      on:update={(e) =>
        e.detail !== address &&
        void putPhones(theBusiness().workspace, [phoneId], { address: String(e.detail) })}
    >
      {#each places as p (p.address)}<SelectItem value={p.address} text={p.name} />{/each}
    </Select>
  {/if}
  <Select
    size="sm"
    labelText="Bench: its network"
    selected={condition}
    on:update={(e) =>
      e.detail !== condition &&
      void putPhones(theBusiness().workspace, [phoneId], { condition: e.detail as 'in reach' })}
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
