<script lang="ts">
  import type { CsvKind } from '$core/formats/csv';
  import { saveText } from '../files/download';
  import { theBusiness } from '../window/session.svelte';

  /** Saves numbers or sites as CSV, and reads such a file after a preview. */
  let { kind }: { kind: CsvKind } = $props();
  let file = $state.raw<File | null>(null);
  let picker: HTMLInputElement;

  async function save() {
    const { writeCsv } = await import('$core/formats/csv');
    saveText(`${kind}.csv`, 'text/csv;charset=utf-8', writeCsv(kind, theBusiness().system));
  }
</script>

<p class="small">
  <button class="linkish" type="button" onclick={() => void save()}>Save {kind} as CSV</button>
  <button class="linkish" type="button" onclick={() => picker.click()}>Read a CSV file</button>
  <input
    bind:this={picker}
    class="visually-hidden"
    type="file"
    accept=".csv,text/csv"
    aria-label="CSV file of {kind}"
    tabindex="-1"
    onchange={() => {
      file = picker.files?.[0] ?? null;
      picker.value = '';
    }}
  />
</p>
{#if file}
  {#await import('./CsvPreview.svelte') then { default: CsvPreview }}
    {#key file}<CsvPreview {kind} {file} close={() => (file = null)} />{/key}
  {/await}
{/if}

<style>
  p {
    display: flex;
    gap: 18px;
    margin: 10px 0 0;
  }
</style>
