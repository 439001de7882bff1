<script lang="ts">
  import {
    ALL_HOURS,
    erlangB,
    formulaBeside,
    linesFor,
    linesNeeded,
    loadOf,
    shareInWords,
    type Desk,
    type Hours,
    type Traffic,
    type Week,
  } from '$core/staffing';
  import { count } from '../../format';

  /** Lines to buy, and what the formulas say of the hours that are looked at, beside what was run. */
  interface Props {
    weeks: readonly Week[];
    hours: Hours;
    /** What those hours are called. */
    name: string;
    traffic: Traffic;
    desk: Desk | undefined;
  }
  let { weeks, hours, name, traffic, desk }: Props = $props();
  /** So many of all callers may find no line. Common practice, no source. */
  const LOST = 0.01;
  const busiest = $derived(Math.max(...ALL_HOURS.map((h) => loadOf(weeks, [h])?.mean ?? 0)));
  const needed = $derived(weeks.length > 1 ? linesNeeded(weeks, LOST) : null);
  const byFormula = $derived(linesFor(busiest, LOST));
  const beside = $derived(desk ? formulaBeside(weeks, hours, traffic, desk) : null);
  const percent = (n: number) => `${(n * 100).toFixed(1)} %`;
</script>

<h2>Lines, and the formulas beside it</h2>
<p>
  {#if needed !== null}
    With {count(needed, 'line')} at most 1 caller in 100 would find all taken; a call that is led out takes two.
  {/if}
  {#if busiest > 0}
    In the busiest hour {busiest.toFixed(1)} are in use in the mean: by Erlang B {byFormula ??
      'more than 10,000'}
    lines lose {percent(erlangB(byFormula ?? 0, busiest))} there.
  {/if}
</p>
{#if beside}
  <p data-testid="beside">
    {name}: {beside.perHour.toFixed(0)} callers an hour, {Math.round(beside.talk)} s of talk, {count(
      beside.people,
      'person',
      'people',
    )}. By {beside.formula}
    {percent(beside.service.givesUp)} give up and the mean wait is {beside.service.meanWait.toFixed(1)} s; the run
    has
    {shareInWords(beside.gaveUp)} and {beside.waited.mean.toFixed(1)} s.
    {#if beside.agrees}The formula lies within the run’s interval.
    {:else}They differ, for the formula takes it that {beside.but.join('; that ')}.{/if}
  </p>
{/if}

<style>
  h2 {
    margin: 18px 0 6px;
    font-size: var(--text-title);
  }
</style>
