<script lang="ts">
  import { outcomeInWords, ringChart, type Trace } from '$core/calls';
  import type { Person, System } from '$core/system';
  import RingChart from '../drawn/RingChart.svelte';

  /** What happens to a call to somebody's extension at a moment, if nobody does anything; null while it is worked out. */
  let { person, system, trace }: { person: Person; system: System; trace: Trace | null } = $props();
  const shown = $derived(
    trace && {
      chart: ringChart(trace, system, { whose: person.id }),
      words: outcomeInWords(trace, system),
      silent: !trace.some((e) => e.kind === 'leg sounding'),
    },
  );
</script>

{#if shown}
  <div class="mini"><RingChart chart={shown.chart} /></div>
  <p class="small">
    {#if shown.silent}<b class="none">No phone rings.</b>{/if}
    If nobody does anything: {shown.words}.
  </p>
{:else}<p class="soft small">Working it out…</p>{/if}

<style>
  .none {
    color: var(--alarm);
  }
  .mini + p {
    margin: 8px 0 12px;
  }
  .mini :global(.lane) {
    grid-template-columns: 104px 1fr;
  }
</style>
