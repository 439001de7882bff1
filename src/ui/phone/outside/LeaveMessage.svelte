<script lang="ts">
  import { Button, TextArea } from 'carbon-components-svelte';
  import type { Recorder } from './recorder.svelte';

  /** Somebody leaves a message: typed, or recorded. */
  let { words, ontype, recorder }: { words: string; ontype: (text: string) => void; recorder: Recorder } =
    $props();
</script>

<TextArea
  labelText="What you say"
  rows={4}
  value={words}
  on:input={(e) => ontype((e.target as HTMLTextAreaElement).value)}
/>
<div class="row">
  {#if recorder.on}
    <Button size="small" kind="tertiary" on:click={() => void recorder.stop()}>Stop recording</Button>
  {:else}
    <Button size="small" kind="ghost" on:click={() => void recorder.start()}
      >{recorder.sound ? 'Record it again' : 'Or record it'}</Button
    >
  {/if}
  {#if recorder.on}<span class="soft">recording…</span>{/if}
</div>
{#if recorder.problem}<p class="problem">{recorder.problem}</p>{/if}

<style>
  .row {
    display: flex;
    align-items: center;
    gap: 10px;
    margin: 8px 0 14px;
  }
  .problem {
    color: var(--alarm);
  }
</style>
