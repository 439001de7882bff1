<script lang="ts">
  import { ringChart } from '$core/calls';
  import type { Difference } from '$core/coverage';
  import type { System } from '$core/system';
  import RingChart from '../drawn/RingChart.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** One thing that differs for callers: when, what it was and what it is now, with both ring charts. */
  let { difference: d, before, after }: { difference: Difference; before: System; after: System } = $props();
  let open = $state(false);
  const was = $derived(d.beforeTrace && ringChart(d.beforeTrace, before));
  const now = $derived(d.afterTrace && ringChart(d.afterTrace, after));
  const across = $derived(Math.max(was?.length ?? 0, now?.length ?? 0));
</script>

<article class="card" data-testid="difference">
  <h2>
    {d.label} <span class="soft">{theBusiness().number(d.e164)}</span>{d.caller && `, ${d.caller}`}, {d.when}
  </h2>
  <dl>
    <dt>was</dt>
    <dd>{d.before ?? 'No such number.'}</dd>
    <dt>now</dt>
    <dd>{d.after ?? 'The number is given back.'}</dd>
  </dl>
  <button class="linkish small" type="button" aria-expanded={open} onclick={() => (open = !open)}>
    {open ? 'Hide the ring charts' : 'Show the ring charts'}
  </button>
  {#if open}
    {#if was}<h3>Was</h3>
      <RingChart chart={was} {across} />{/if}
    {#if now}<h3>Now</h3>
      <RingChart chart={now} {across} />{/if}
  {/if}
</article>

<style>
  dl {
    display: grid;
    grid-template-columns: 40px 1fr;
    gap: 4px 10px;
    margin: 0 0 8px;
  }
  dt {
    color: var(--ink-soft);
  }
  dd {
    margin: 0;
  }
</style>
