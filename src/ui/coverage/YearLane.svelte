<script lang="ts">
  import { untrack } from 'svelte';
  import type { Day } from '$core/coverage';
  import type { NumberHeld } from '$core/system';
  import { Near } from '../drawn/near.svelte';

  /** A year of one number; drawn where it is near what is seen. */
  interface Props {
    number: NumberHeld;
    days: readonly Day[];
    words: (day: Day, i: number) => string;
    /** Among the first of the board. */
    first: boolean;
    onday: (i: number) => void;
  }
  let { number, days, words, first, onday }: Props = $props();
  const near = new Near(untrack(() => first));
</script>

<div class="row" {@attach near.attach}>
  <b>{number.label}</b>
  <svg
    viewBox="0 0 {days.length} 40"
    preserveAspectRatio="none"
    shape-rendering="crispEdges"
    role="group"
    aria-label="{number.label}, a year"
  >
    {#if near.is}
      {#each days as d, i (i)}
        <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
        <g onclick={() => onday(i)} class:bad={d.bad}>
          <title>{words(d, i)}</title>
          {#each d.parts as p, j (p.kind)}
            {@const below = d.parts.slice(0, j).reduce((all, x) => all + x.share, 0)}
            <rect class={p.kind} x={i} width="1" y={40 - (below + p.share) * 40} height={p.share * 40} />
          {/each}
        </g>
      {/each}
    {/if}
  </svg>
</div>

<style>
  .row {
    display: grid;
    grid-template-columns: 150px 1fr;
    border-bottom: 1px solid var(--rule);
    align-items: center;
  }
  .row b {
    padding: 0 10px;
    font-size: var(--text-body);
  }
  svg {
    display: block;
    width: 100%;
    height: 44px;
  }
  g {
    cursor: pointer;
  }
  g:hover {
    opacity: 0.6;
  }
  .person {
    fill: var(--person);
  }
  .group {
    fill: var(--group);
  }
  .outside {
    fill: var(--outside);
  }
  .message {
    fill: var(--message-wash);
  }
  .ended {
    fill: var(--ended-wash);
  }
  .nobody,
  .bad rect {
    fill: var(--alarm);
  }
</style>
