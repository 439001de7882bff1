<script lang="ts">
  import type { System } from '$core/system';
  import SeveralField from './SeveralField.svelte';

  /** Chooses people, in an order. */
  let {
    people,
    ...rest
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
    Object.values(people).map(({ id, name, extension }) => ({ id, name, text: `${name} · ${extension}` })),
  );
</script>

<SeveralField {items} {...rest} />
