<script lang="ts">
  import { MultiSelect } from 'carbon-components-svelte';
  import type { System } from '$core/system';
  import { named } from '../named';

  /** Chooses people. Those who stay keep their place in the order; those who come are put last. */
  let {
    label,
    people,
    chosen,
    none,
    size = 'sm',
    onchange,
  }: {
    label: string;
    people: System['people'];
    chosen: readonly string[];
    /** What stands in the field while nobody is chosen. */
    none: string;
    size?: 'sm' | 'lg';
    onchange: (ids: string[]) => void;
  } = $props();
  const items = $derived(
    Object.values(people).map((p) => ({ id: p.id, text: `${p.name} · ${p.extension}` })),
  );

  function choose(ids: readonly string[]) {
    if (ids.length === chosen.length && ids.every((id) => chosen.includes(id))) return;
    onchange([...chosen.filter((id) => ids.includes(id)), ...ids.filter((id) => !chosen.includes(id))]);
  }
</script>

<div {@attach named(label)}>
  <MultiSelect
    {size}
    labelText={label}
    label={chosen.length ? chosen.map((id) => people[id]?.name ?? '').join(', ') : none}
    {items}
    selectedIds={[...chosen]}
    sortItem={() => 0}
    on:select={(e) => choose(e.detail.selectedIds.map(String))}
  />
</div>
