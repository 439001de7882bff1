<script lang="ts">
  import {
    busyOf,
    changeOf,
    countOf,
    loadOf,
    ratioOf,
    shareInWords,
    type Estimate,
    type Hours,
    type Week,
  } from '$core/staffing';
  import type { System } from '$core/system';

  /** What the weeks came to in some hours, and beside it what they come to after a change. */
  interface Props {
    weeks: readonly Week[];
    after: readonly Week[];
    hours: Hours;
    system: System;
    /** In seconds. */
    within: number;
  }
  let { weeks, after, hours, system, within }: Props = $props();

  const one = new Intl.NumberFormat('en-US', { maximumFractionDigits: 1 });
  const half = (e: Estimate) => (e.high - e.low) / 2;
  const share = (e: Estimate | null) => (e ? shareInWords(e) : '–');
  const plain = (e: Estimate | null, unit = '') =>
    e ? `${one.format(e.mean)}${unit} (± ${one.format(half(e))})` : '–';
  /** A difference that may be none is said to be. */
  const differs = (e: Estimate | null, text: (n: number) => string) =>
    !e
      ? '–'
      : e.low <= 0 && e.high >= 0
        ? `no difference that shows`
        : `${e.mean > 0 ? '+' : '−'}${text(Math.abs(e.mean))} (± ${text(half(e))})`;
  const points = (n: number) => `${one.format(n * 100)} points`;
  const seconds = (n: number) => `${one.format(n)} s`;

  const rows = $derived([
    {
      name: 'callers offered, a week',
      now: plain(countOf(weeks, 'offered', hours)),
      then: plain(countOf(after, 'offered', hours)),
      by: '',
    },
    ...(
      [
        { name: 'missed', part: 'missed', text: points, of: share },
        { name: `answered within ${within} s`, part: 'inTime', text: points, of: share },
        { name: 'gave up', part: 'gaveUp', text: points, of: share },
        {
          name: 'mean wait of all',
          part: 'waited',
          text: seconds,
          of: (e: Estimate | null) => plain(e, ' s'),
        },
      ] as const
    ).map(({ name, part, text, of }) => ({
      name,
      now: of(ratioOf(weeks, part, 'offered', hours)),
      then: of(ratioOf(after, part, 'offered', hours)),
      by: differs(changeOf(weeks, after, part, 'offered', hours), text),
    })),
    {
      name: 'lines in use, in the mean',
      now: plain(loadOf(weeks, hours)),
      then: plain(loadOf(after, hours)),
      by: '',
    },
  ]);
  const people = $derived(
    [...new Set([...weeks, ...after].flatMap((w) => Object.keys(w.busy)))]
      .map((id) => ({
        id,
        name: system.people[id]?.name ?? 'One more',
        now: busyOf(weeks, id, hours),
        then: busyOf(after, id, hours),
      }))
      .sort((a, b) => (b.now?.mean ?? 0) - (a.now?.mean ?? 0)),
  );
</script>

<div class="tables">
  <table class="list" data-testid="outcome">
    <caption class="bx--visually-hidden">What callers get</caption>
    <thead>
      <tr>
        <th scope="col">Callers</th>
        <th scope="col">as it is</th>
        {#if after.length}<th scope="col">after</th><th scope="col">difference</th>{/if}
      </tr>
    </thead>
    <tbody>
      {#each rows as row (row.name)}
        <tr>
          <th scope="row">{row.name}</th>
          <td>{row.now}</td>
          {#if after.length}<td>{row.then}</td><td>{row.by}</td>{/if}
        </tr>
      {/each}
    </tbody>
  </table>
  <table class="list">
    <caption class="bx--visually-hidden">How busy each is</caption>
    <thead>
      <tr>
        <th scope="col">Talks, of these hours</th>
        <th scope="col">as it is</th>
        {#if after.length}<th scope="col">after</th>{/if}
      </tr>
    </thead>
    <tbody>
      {#each people as person (person.id)}
        <tr>
          <th scope="row">{person.name}</th>
          <td>{share(person.now)}</td>
          {#if after.length}<td>{share(person.then)}</td>{/if}
        </tr>
      {/each}
    </tbody>
  </table>
</div>

<style>
  .tables {
    display: grid;
    grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
    gap: 16px;
    align-items: start;
  }
  tbody th {
    font-weight: 400;
  }
  td {
    font-variant-numeric: tabular-nums;
    white-space: nowrap;
  }
</style>
