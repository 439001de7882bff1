<script lang="ts">
  import { writeNumber } from '$core/numbering';
  import type { System } from '$core/system';
  import SeveralField from './SeveralField.svelte';

  /** Chooses numbers of ours. */
  let {
    system,
    ...rest
  }: {
    label: string;
    system: System;
    chosen: readonly string[];
    /** What stands in the field while none is chosen. */
    none: string;
    onchange: (ids: string[]) => void;
  } = $props();
  const items = $derived(
    Object.values(system.numbers).map(({ id, label, e164 }) => ({
      id,
      name: label,
      text: `${label} · ${writeNumber(e164, system.business.country)}`,
    })),
  );
</script>

<SeveralField {items} {...rest} />
