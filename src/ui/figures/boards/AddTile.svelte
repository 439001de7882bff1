<script lang="ts">
  import { Button, Select } from 'carbon-components-svelte';
  import {
    NAMED_SPANS,
    QUESTIONS,
    type Measure,
    type NamedSpan,
    type ReportId,
    type Tile,
  } from '$core/traffic';
  import type { System } from '$core/system';
  import SelectItem from '../../fields/SelectItem.svelte';
  import { freshId } from '../../ids';
  import { QUESTION_WORDS } from '../questions';

  /** Chooses what another tile shows. */
  let { system, onadd }: { system: System; onadd: (tile: Tile) => void } = $props();
  /** What each question has figures of: the same as stand on its page. */
  const FIGURES: Record<ReportId, readonly Measure[]> = {
    'how many': [
      'offered',
      'answered',
      'missed',
      'gave up',
      'gave up at once',
      'to voicemail',
      'closed',
      'unwanted',
    ],
    missed: ['missed share', 'called back', 'not called back', 'time to call back'],
    waits: ['answered in time', 'usual answer', 'slow answer', 'since arrival', 'longest wait'],
    who: ['talk time', 'usual talk', 'outgoing', 'outgoing talk', 'settled at once'],
    'earns its place': ['offered'],
    'too few': ['missed share'],
    cost: ['cost', 'minutes paid'],
    wants: ['offered'],
  };
  const SHOWN: Record<Tile['show'], string> = {
    figure: 'one figure',
    chart: 'its chart',
    week: 'by the hour of the week',
    table: 'its first table',
  };
  let of = $state<ReportId>('how many');
  let show = $state<Tile['show']>('figure');
  let measure = $state<Measure>('offered');
  let span = $state<NamedSpan>('last 28 days');
  let numberId = $state('');
  /** Not every question has all of them. */
  const shows = $derived(
    (Object.keys(SHOWN) as Tile['show'][]).filter((s) =>
      s === 'chart' ? of !== 'too few' : s === 'week' ? of === 'how many' || of === 'too few' : true,
    ),
  );
  const isShown = $derived(shows.includes(show) ? show : 'figure');
  const isMeasure = $derived(FIGURES[of].includes(measure) ? measure : FIGURES[of][0]!);
  const add = () =>
    onadd({
      id: freshId('tile'),
      of,
      show: isShown,
      measure: isShown === 'figure' ? isMeasure : null,
      span,
      numberId,
    });
</script>

<div class="ask" role="group" aria-label="Another tile">
  <Select size="sm" labelText="Question" selected={of} on:update={(e) => (of = e.detail as ReportId)}>
    {#each QUESTIONS as q (q)}<SelectItem value={q} text={QUESTION_WORDS[q]} />{/each}
  </Select>
  <Select
    size="sm"
    labelText="Shown as"
    selected={isShown}
    on:update={(e) => (show = e.detail as Tile['show'])}
  >
    {#each shows as s (s)}<SelectItem value={s} text={SHOWN[s]} />{/each}
  </Select>
  {#if isShown === 'figure'}
    <Select
      size="sm"
      labelText="Figure"
      selected={isMeasure}
      on:update={(e) => (measure = e.detail as Measure)}
    >
      {#each FIGURES[of] as m (m)}<SelectItem value={m} text={m} />{/each}
    </Select>
  {/if}
  <Select size="sm" labelText="Days" selected={span} on:update={(e) => (span = e.detail as NamedSpan)}>
    {#each NAMED_SPANS as name (name)}<SelectItem value={name} text={name} />{/each}
  </Select>
  <Select size="sm" labelText="Line" selected={numberId} on:update={(e) => (numberId = String(e.detail))}>
    <SelectItem value="" text="every line" />
    {#each Object.values(system.numbers) as n (n.id)}<SelectItem value={n.id} text={n.label} />{/each}
  </Select>
  <Button size="small" kind="tertiary" on:click={add}>Add the tile</Button>
</div>

<style>
  .ask {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 12px;
    align-items: end;
    margin: 8px 0;
  }
  .ask :global(.bx--form-item) {
    flex: 0 1 auto;
  }
  @media print {
    .ask {
      display: none;
    }
  }
</style>
