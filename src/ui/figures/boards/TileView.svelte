<script lang="ts">
  import { goto } from '$app/navigation';
  import {
    changeText,
    DEFINITIONS,
    filterOf,
    spanOf,
    USUAL_RULES,
    valueText,
    type Report,
    type Tile,
  } from '$core/traffic';
  import { localTime } from '$core/hours';
  import { Remembered } from '../../remembered.svelte';
  import { theBusiness } from '../../window/session.svelte';
  import { addressOf } from '../questions';
  import ChartView from '../report/ChartView.svelte';
  import ReportTable from '../report/ReportTable.svelte';
  import WeekMap from '../report/WeekMap.svelte';
  import { figureOf, reportOfTile, titleOfTile } from './tile';

  /** One tile of a board: worked out anew when something comes into the log. */
  interface Props {
    tile: Tile;
    people: readonly string[] | null;
    currency: string;
    onmove: (by: -1 | 1) => void;
    ondrop: () => void;
  }
  let { tile, people, currency, onmove, ondrop }: Props = $props();
  const business = $derived(theBusiness());
  let report = $state.raw<Report | null>(null);
  $effect(() => {
    void [business.logbook.state, business.minute, business.system];
    let over = false;
    void reportOfTile(business, tile, people).then((made) => {
      if (!over && made) report = made;
    });
    return () => (over = true);
  });
  const line = $derived(business.system.numbers[tile.numberId]?.label ?? '');
  const title = $derived(titleOfTile(tile, line));
  const figure = $derived(report && figureOf(report, tile));
  /** The same question with all its figures, and the calls behind them. */
  function ask() {
    new Remembered<object>('questions', {}).value = {
      named: tile.span,
      span: spanOf(tile.span, localTime(business.zone, business.now).date),
      compare: 'the span before',
      filter: filterOf(tile),
      rules: USUAL_RULES,
    };
    void goto(`/figures/questions?about=${addressOf(tile.of)}`);
  }
  function onkeydown(event: KeyboardEvent) {
    const by = { ArrowLeft: -1, ArrowUp: -1, ArrowRight: 1, ArrowDown: 1 }[event.key] as -1 | 1 | undefined;
    if (!by) return;
    event.preventDefault();
    onmove(by);
  }
</script>

<li class:wide={tile.show !== 'figure'} data-tile={tile.id} data-testid="tile">
  <div class="head">
    <button type="button" class="grip" aria-label="Move {title}: arrow keys" {onkeydown}>⠿</button>
    <h2><button class="linkish" type="button" onclick={ask}>{title}</button></h2>
    <button class="linkish small" type="button" aria-label="Take away {title}" onclick={ondrop}>×</button>
  </div>
  {#if !report}
    <p class="soft small">It is worked out</p>
  {:else if tile.show === 'figure'}
    {#if figure}
      {@const { unit } = DEFINITIONS[figure.measure]}
      <p class="value">{valueText(figure.value, unit, currency)}</p>
      <p class="small">{changeText(figure.value, figure.before, unit)}, held against as many days before</p>
      <p class="soft small">{DEFINITIONS[figure.measure].words(USUAL_RULES)}</p>
    {/if}
  {:else if tile.show === 'chart' && report.chart}
    {#key report}<ChartView chart={report.chart} {currency} file={addressOf(tile.of)} onbehind={ask} />{/key}
  {:else if tile.show === 'week' && report.week}
    <WeekMap map={report.week} {currency} chosen={null} onbehind={ask} />
  {:else if report.tables[0]}
    <ReportTable table={report.tables[0]} {currency} file={addressOf(tile.of)} chosen={null} onbehind={ask} />
  {/if}
</li>

<style>
  li {
    padding: 8px 12px;
    background: var(--sheet);
    border: 1px solid var(--rule);
    min-width: 0;
  }
  .wide {
    grid-column: span 2;
  }
  .head {
    display: flex;
    gap: 8px;
    align-items: baseline;
  }
  h2 {
    flex: 1 1 auto;
    margin: 0;
    font-size: var(--text-body);
  }
  h2::first-letter {
    text-transform: uppercase;
  }
  .grip {
    padding: 0 4px;
    border: 0;
    background: none;
    color: var(--ink-soft);
    cursor: grab;
  }
  .value {
    margin: 4px 0 0;
    font-size: var(--text-figure);
    font-variant-numeric: tabular-nums;
  }
  @media print {
    .grip,
    .head > button {
      display: none;
    }
  }
</style>
