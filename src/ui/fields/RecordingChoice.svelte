<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import { theBusiness } from '../window/session.svelte';
  import SelectItem from './SelectItem.svelte';

  /** One of the recordings there are, or none. */
  let {
    label,
    hideLabel = false,
    chosen,
    none,
    onchoose,
  }: {
    label: string;
    hideLabel?: boolean;
    chosen: string | null | undefined;
    /** What it is without one. */
    none: string;
    onchoose: (recordingId: string | null) => void;
  } = $props();
  const recordings = $derived(Object.values(theBusiness().system.recordings));
</script>

<Select
  size="sm"
  {hideLabel}
  labelText={label}
  selected={chosen ?? ''}
  on:update={(e) => {
    const id = String(e.detail) || null;
    if (id !== (chosen ?? null)) onchoose(id);
  }}
>
  <SelectItem value="" text={none} />
  {#each recordings as r (r.id)}<SelectItem value={r.id} text={r.name} />{/each}
</Select>
