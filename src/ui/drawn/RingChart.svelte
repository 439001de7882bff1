<script lang="ts">
  import type { RingChart } from '$core/calls';
  import WholeWords from './WholeWords.svelte';

  interface Props {
    chart: RingChart;
    dark?: boolean;
    /** Milliseconds across, where two charts are to be compared; otherwise what the call needs. */
    across?: number;
  }
  let { chart, dark = false, across }: Props = $props();
  let width = $state(900);
  const length = $derived(across ?? chart.length);

  /** Whole seconds for the axis, as many marks as there is room for. */
  const ticks = $derived.by(() => {
    const seconds = length / 1000;
    const step = [1, 2, 5, 6, 10, 15, 30, 60, 120, 300].find((s) => seconds / s <= width / 56) ?? 600;
    const marks = Array.from({ length: Math.floor(seconds / step) + 1 }, (_, i) => i * step);
    // A mark at the very end would stand outside.
    return marks.filter((s) => s === 0 || 1 - s / seconds > 26 / width);
  });
  const part = (ms: number) => `${(ms / length) * 100}%`;
  const range = (from: number, to: number) => `${(from / 1000).toFixed(1)} to ${(to / 1000).toFixed(1)} s`;
</script>

<div class="chart" class:dark data-testid="ring-chart">
  {#each chart.lanes as lane (lane.id)}
    <div class="lane" data-lane={lane.id}>
      <span class="who" title={lane.label}>{lane.label}</span>
      <div class="track">
        {#each lane.bars as bar (bar.kind + bar.from)}
          <span
            class="bar {bar.kind}"
            style:left={part(bar.from)}
            style:width={part(bar.to - bar.from)}
            title="{bar.label || bar.kind}, {range(bar.from, bar.to)}"
            data-from={bar.from}
            data-to={bar.to}
            ><WholeWords text={bar.label} /><span class="visually-hidden">
              {bar.kind} {range(bar.from, bar.to)}</span
            ></span
          >
        {/each}
        {#if lane.notRung}<span class="not">not rung: {lane.notRung}</span>{/if}
      </div>
    </div>
  {/each}
  <div class="lane time" aria-hidden="true">
    <span></span>
    <div class="axis" bind:clientWidth={width}>
      {#each ticks as tick (tick)}<span style:left={part(tick * 1000)}>{tick} s</span>{/each}
    </div>
  </div>
</div>

<style>
  .lane {
    display: grid;
    grid-template-columns: 168px 1fr;
    gap: 8px;
    align-items: center;
    min-height: 20px;
  }
  .who {
    font-size: var(--text-small);
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    color: var(--ink-soft);
  }
  .dark .who {
    color: #c3ccd3;
  }
  .track {
    position: relative;
    height: 17px;
    background: color-mix(in srgb, var(--rule) 35%, transparent);
  }
  .dark .track {
    background: #1f2a35;
  }
  .bar {
    position: absolute;
    inset: 0 auto 0 0;
    font-size: var(--text-small);
    line-height: 17px;
    padding: 0 6px;
    overflow: hidden;
    white-space: nowrap;
    color: var(--ink);
    border-right: 1px solid var(--sheet);
  }
  .dark .bar {
    border-right-color: var(--night);
  }
  .not {
    padding: 0 6px;
    font-size: var(--text-small);
    line-height: 17px;
    color: var(--ink-soft);
    font-style: italic;
  }
  .dark .not {
    color: #c3ccd3;
  }
  .prompt,
  .menu,
  .asked {
    background: var(--menu-wash);
  }
  .menu {
    border-bottom: 2px solid var(--menu);
  }
  .asked {
    border-bottom: 2px dotted var(--menu);
  }
  .waiting {
    background: repeating-linear-gradient(
      135deg,
      var(--outside-wash) 0 6px,
      color-mix(in srgb, var(--outside-wash) 60%, transparent) 6px 12px
    );
  }
  .ringing,
  .sounding {
    background: var(--group-wash);
  }
  .offered {
    background: repeating-linear-gradient(
      90deg,
      color-mix(in srgb, var(--group) 45%, transparent) 0 2px,
      transparent 2px 6px
    );
  }
  .confirming {
    background: var(--outside-wash);
  }
  .talking {
    background: var(--person-wash);
  }
  .holding {
    background: repeating-linear-gradient(
      90deg,
      var(--person-wash) 0 8px,
      color-mix(in srgb, var(--person-wash) 40%, transparent) 8px 14px
    );
  }
  .greeting,
  .message {
    background: var(--message-wash);
  }
  .tone {
    background: #c48ac9;
    padding: 0;
    font-size: 0;
  }
  .time {
    position: sticky;
    bottom: 0;
    background: var(--sheet);
  }
  .dark .time {
    background: var(--night);
  }
  .axis {
    position: relative;
    height: 14px;
    font-size: var(--text-tiny);
    color: var(--ink-soft);
  }
  .dark .axis {
    color: #9fabb5;
  }
  .axis span {
    position: absolute;
    white-space: nowrap;
  }
</style>
