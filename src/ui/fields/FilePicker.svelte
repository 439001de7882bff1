<script lang="ts">
  import { Button } from 'carbon-components-svelte';

  /** A button that lets a file be chosen; the same one may be chosen again. */
  let {
    words,
    label,
    accept,
    kind = 'tertiary',
    onfile,
  }: {
    /** What the button says. */
    words: string;
    /** What it is a file of. */
    label: string;
    accept: string;
    kind?: 'tertiary' | 'ghost';
    onfile: (file: File) => void;
  } = $props();
  let picker: HTMLInputElement;
  function chosen() {
    const file = picker.files?.[0];
    picker.value = '';
    if (file) onfile(file);
  }
</script>

<Button {kind} size="small" on:click={() => picker.click()}>{words}</Button>
<input
  bind:this={picker}
  class="visually-hidden"
  type="file"
  {accept}
  aria-label={label}
  tabindex="-1"
  onchange={chosen}
/>
