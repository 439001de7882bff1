<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import { Person } from '$core/system';
  import SelectItem from '../fields/SelectItem.svelte';
  import { here } from '../window/session.svelte';
  import Origin from './Origin.svelte';
  import type { Send } from './settings.svelte';

  /** Who sees the number of somebody's own outside phone. It holds at once. */
  let { person, send }: { person: Person; send: Send } = $props();
  const WHO = Person.shape.mobileSeenBy;
  function set(value: unknown) {
    const mobileSeenBy = WHO.parse(value);
    if (mobileSeenBy === person.mobileSeenBy) return;
    void send(`The own mobile of ${person.name} is seen by ${mobileSeenBy}`, [
      { kind: 'person', personId: person.id, values: { mobileSeenBy } },
    ]);
  }
</script>

<div class="card">
  <h2>Who sees the number of the own mobile</h2>
  <Select
    size="sm"
    hideLabel
    labelText="Who sees the number of the own mobile"
    selected={person.mobileSeenBy}
    on:update={(e) => set(e.detail)}
  >
    {#each WHO.options as who (who)}<SelectItem value={who} text={who} />{/each}
  </Select>
  <Origin stamp={here().standing.own?.people[person.id]?.mobileSeenBy} />
</div>
