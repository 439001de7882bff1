<script lang="ts">
  import { addressForm, PROFILES, type AddressPart } from '$core/numbering';
  import type { CivicAddress } from '$core/system';
  import { Select } from 'carbon-components-svelte';
  import EditField from './EditField.svelte';
  import SelectItem from './SelectItem.svelte';

  /** A civic address, part by part; what an emergency service would miss stands beside the part. */
  let {
    address,
    problems,
    keep,
  }: {
    address: CivicAddress;
    problems: Partial<Record<AddressPart, string>>;
    keep: (address: CivicAddress) => string | undefined;
  } = $props();
  const parts = $derived(addressForm(address.country));
  let all = $state(false);
  const shown = $derived(
    parts.filter((p) => all || p.needed || address[p.part] || p.part === 'A1' || p.part === 'HNO'),
  );
</script>

<div class="address">
  {#each shown as { part, label, needed } (part)}
    <div class:wide={part === 'RD' || part === 'LOC' || part === 'NAM'}>
      <EditField
        label={needed ? label : `${label} (optional)`}
        value={address[part]}
        keep={(text) => keep({ ...address, [part]: text })}
      />
      {#if problems[part]}<p class="small problem">{problems[part]}</p>{/if}
    </div>
  {/each}
  <Select
    size="sm"
    labelText="Country"
    selected={address.country}
    on:update={(e) => {
      if (e.detail !== address.country) keep({ ...address, country: String(e.detail) });
    }}
  >
    {#each PROFILES as p (p.country)}<SelectItem value={p.country} text={p.name} />{/each}
  </Select>
</div>
{#if !all}<button class="linkish small" type="button" onclick={() => (all = true)}
    >Building, floor, room…</button
  >{/if}

<style>
  .address {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 10px;
    margin: 10px 0 6px;
    align-items: start;
  }
  .wide {
    grid-column: 1 / -1;
  }
  .problem {
    color: var(--alarm);
    margin: 3px 0 0;
  }
</style>
