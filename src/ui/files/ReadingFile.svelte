<script lang="ts">
  import { ProgressBar } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import type { FileReading } from './file-reader.svelte';

  /** What is being read just now, with a way to stop it. */
  let { reading }: { reading: FileReading } = $props();
  onDestroy(() => reading.stop());
</script>

{#if reading.now}
  {@const { name, done, of } = reading.now}
  <div class="reading" role="status">
    <ProgressBar
      labelText="Reading {name}"
      {...of ? { value: done, max: of, helperText: `${done} of ${of}` } : {}}
    />
    <button class="linkish small" type="button" onclick={() => reading.stop()}>Stop reading</button>
  </div>
{/if}

<style>
  .reading {
    max-width: 360px;
    margin: 8px 0;
  }
</style>
