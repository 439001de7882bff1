<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import type { Person } from '$core/system';
  import { theBusiness } from '../window/session.svelte';
  import PersonAway from './PersonAway.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  /** When somebody can be rung: their working hours, which the administration says, and the days they are away. */
  let { person }: { person: Person } = $props();
  const system = $derived(theBusiness().system);
  const may = $derived(theBusiness().may('change the system'));
</script>

<div class="card">
  <h2>When they can be rung</h2>
  {#if may}
    <Select
      size="sm"
      labelText="Working hours"
      selected={person.hoursId ?? ''}
      helperText={person.hoursId ? 'Outside them none of their phones rings.' : 'At any hour.'}
      on:update={(e) =>
        (e.detail || null) !== person.hoursId &&
        theBusiness().edit(`Change the working hours of ${person.name}`, [
          { do: 'person.set', id: person.id, change: { hoursId: String(e.detail) || null } },
        ])}
    >
      <SelectItem value="" text="any" />
      {#each Object.values(system.hours) as h (h.id)}<SelectItem value={h.id} text={h.name} />{/each}
    </Select>
  {:else}<p>Working hours: {system.hours[person.hoursId ?? '']?.name ?? 'any'}.</p>{/if}
  <PersonAway {person} />
</div>
