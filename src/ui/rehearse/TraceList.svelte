<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { traceLines, type Trace } from '$core/calls';
  import type { System } from '$core/system';
  import { saveText } from '../files/download';

  /** A trace line by line, to be stepped through. */
  interface Props {
    trace: Trace;
    system: System;
    /** Which event is looked at; -1 is none. */
    at: number;
    onstep: (at: number) => void;
  }
  let { trace, system, at, onstep }: Props = $props();
  const lines = $derived(traceLines(trace, system));

  function onkeydown(event: KeyboardEvent) {
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (!by) return;
    event.preventDefault();
    onstep(Math.max(0, Math.min(trace.length - 1, at + by)));
  }
</script>

<div class="bar">
  <Button size="small" kind="ghost" disabled={at <= 0} on:click={() => onstep(at - 1)}>Back</Button>
  <Button size="small" kind="ghost" disabled={at >= trace.length - 1} on:click={() => onstep(at + 1)}
    >Next step</Button
  >
  <button
    class="linkish small"
    type="button"
    onclick={() => saveText('rehearsal.json', 'application/json', `${JSON.stringify(trace, null, 2)}\n`)}
    >Save as JSON</button
  >
</div>
<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<ol tabindex="0" aria-label="What happens, line by line" {onkeydown} data-testid="trace">
  {#each lines as line, i (i)}
    <li class:at={i === at}>
      <button type="button" tabindex="-1" onclick={() => onstep(i)}>{line.trim()}</button>
    </li>
  {/each}
</ol>

<style>
  .bar {
    display: flex;
    gap: 8px;
    align-items: center;
  }
  ol {
    list-style: none;
    margin: 4px 0 0;
    padding: 0;
    max-height: 300px;
    overflow-y: auto;
    font-size: var(--text-body);
  }
  li button {
    border: 0;
    background: none;
    font: inherit;
    color: inherit;
    text-align: left;
    padding: 1px 6px;
    width: 100%;
    cursor: pointer;
  }
  .at {
    background: var(--copper-wash);
    font-weight: 600;
  }
</style>
