<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import type { Line } from '$core/rounds';
  import { momentText } from '../format';
  import { theBusiness } from '../window/session.svelte';

  /** What each gets, one by one, before anything goes. */
  let { lines, onseen }: { lines: readonly Line[]; onseen: () => void } = $props();
  let at = $state(0);
  const shown = $derived(Math.min(at, lines.length - 1));
  const line = $derived(lines[shown]);
  const see = (to: number) => {
    at = Math.max(0, Math.min(lines.length - 1, to));
    onseen();
  };
  const nextOut = (from: number) => {
    const found = lines.findIndex((l, i) => i > from && l.text === null);
    return found < 0 ? lines.findIndex((l) => l.text === null) : found;
  };
</script>

{#if line}
  <section aria-label="What each gets">
    <div class="bar">
      <Button size="small" kind="tertiary" disabled={shown === 0} on:click={() => see(shown - 1)}
        >Before</Button
      >
      <span data-testid="round-at">{shown + 1} of {lines.length}</span>
      <Button
        size="small"
        kind="tertiary"
        disabled={shown === lines.length - 1}
        on:click={() => see(shown + 1)}>Next</Button
      >
      {#if nextOut(shown) >= 0}
        <button class="linkish small" type="button" onclick={() => see(nextOut(shown))}
          >The next who gets nothing</button
        >
      {/if}
      {#if lines.length === 1}<button class="linkish small" type="button" onclick={onseen}
          >I have seen it</button
        >{/if}
    </div>
    <p data-testid="round-line">
      <b>{line.name || (line.number ? theBusiness().number(line.number) : 'no name')}</b>
      {#if line.name && line.number}{theBusiness().number(line.number)}{/if}
      {#if line.text === null}
        <span class="problem">gets nothing: {line.why}</span>
      {:else}
        · {momentText(line.at!, theBusiness().zone)} · {line.parts === 1 ? '1 part' : `${line.parts} parts`}
        <br />“{line.text}”
      {/if}
    </p>
  </section>
{/if}

<style>
  section {
    border-left: 3px solid var(--copper);
    padding: 6px 14px;
    background: var(--paper);
  }
  .bar {
    display: flex;
    gap: 12px;
    align-items: center;
  }
  p {
    overflow-wrap: anywhere;
    white-space: pre-wrap;
    margin: 8px 0 0;
  }
</style>
