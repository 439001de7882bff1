<script lang="ts">
  import { nobodyAnswers, outcomeInWords, rehearseAsNow, ringChart } from '$core/calls';
  import type { Person, Standing, System } from '$core/system';
  import RingChart from '../RingChart.svelte';

  /** What happens to a call to somebody's extension at a moment, if nobody does anything. */
  let { person, system, standing, at }: { person: Person; system: System; standing: Standing; at: number } =
    $props();
  const minute = $derived(Math.floor(at / 60_000) * 60_000);
  const shown = $derived.by(() => {
    const trace = rehearseAsNow(system, standing, {
      id: 'if-called',
      at: minute,
      from: { kind: 'outside', number: null },
      to: { kind: 'digits', digits: person.extension },
      behaviour: nobodyAnswers(),
    });
    return {
      chart: ringChart(trace, system, { whose: person.id }),
      words: outcomeInWords(trace, system),
      silent: !trace.some((e) => e.kind === 'leg sounding'),
    };
  });
</script>

<div class="mini"><RingChart chart={shown.chart} /></div>
<p class="small">
  {#if shown.silent}<b class="none">No phone rings.</b>{/if}
  If nobody does anything: {shown.words}.
</p>

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
