<script lang="ts">
  import { MultiSelect } from 'carbon-components-svelte';
  import { named } from '../named';

  /** Chooses several of some things. Those that stay keep their place in the order; those that come are put last. */
  let {
    label,
    items,
    chosen,
    none,
    size = 'sm',
    onchange,
  }: {
    label: string;
    /** `name` stands in the field once it is chosen. */
    items: readonly { id: string; text: string; name: string }[];
    chosen: readonly string[];
    /** What stands in the field while nothing is chosen. */
    none: string;
    size?: 'sm' | 'lg';
    onchange: (ids: string[]) => void;
  } = $props();
  const names = $derived(new Map(items.map((i) => [i.id, i.name])));

  function choose(ids: readonly string[]) {
    if (ids.length === chosen.length && ids.every((id) => chosen.includes(id))) return;
    onchange([...chosen.filter((id) => ids.includes(id)), ...ids.filter((id) => !chosen.includes(id))]);
  }
</script>

<div {@attach named(label)}>
  <MultiSelect
    {size}
    labelText={label}
    label={chosen.length ? chosen.map((id) => names.get(id) ?? '').join(', ') : none}
    items={items.map(({ id, text }) => ({ id, text }))}
    selectedIds={[...chosen]}
    sortItem={() => 0}
    on:select={(e) => choose(e.detail.selectedIds.map(String))}
  />
</div>
