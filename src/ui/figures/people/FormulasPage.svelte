<script lang="ts">
  import { NumberInput } from 'carbon-components-svelte';
  import {
    engset,
    erlangB,
    linesFor,
    peopleFor,
    queueOfTheImpatient,
    queueOfThePatient,
  } from '$core/staffing';
  import { Remembered } from '../../remembered.svelte';

  /** The formulas of the trade alone, for who knows their numbers. */
  const asked = new Remembered('formulas', {
    perHour: 100 as number | null,
    talk: 180 as number | null,
    patience: 120 as number | null,
    people: 8 as number | null,
    within: 20 as number | null,
    load: 5 as number | null,
    lines: 10 as number | null,
    lost: 1 as number | null,
    sources: 30 as number | null,
  });
  const is = $derived(asked.value);
  type Field = keyof typeof is;
  const set = (field: Field, value: unknown) =>
    (asked.value = { ...is, [field]: value === null || value === '' ? null : Number(value) });
  const LIMITS: Record<Field, readonly [least: number, most: number, whole: boolean]> = {
    perHour: [0.1, 10_000, false],
    talk: [1, 7200, false],
    patience: [1, 7200, false],
    people: [1, 1000, true],
    within: [0, 600, false],
    load: [0, 1000, false],
    lines: [0, 2000, true],
    lost: [0.01, 50, false],
    sources: [1, 10_000, true],
  };
  const wrong = (field: Field): string => {
    const value = is[field];
    const [least, most, whole] = LIMITS[field];
    if (value === null) return field === 'patience' ? '' : 'Give a number.';
    if (whole && !Number.isInteger(value)) return 'A whole number.';
    return value >= least && value <= most ? '' : `${least} to ${most.toLocaleString('en-US')}.`;
  };
  const ok = (...fields: Field[]) => fields.every((f) => !wrong(f));
  const percent = (n: number) => `${(n * 100).toFixed(1)} %`;
  const seconds = (n: number) => (Number.isFinite(n) ? `${n.toFixed(1)} s` : 'without end');

  const services = $derived.by(() => {
    if (!ok('perHour', 'talk', 'patience', 'people', 'within')) return [];
    const [rate, talk, n] = [is.perHour! / 3600, is.talk!, is.people!];
    return [
      { name: 'Erlang C: nobody gives up', service: queueOfThePatient(rate, talk, n) },
      ...(is.patience === null
        ? []
        : [{ name: 'Erlang A: they give up', service: queueOfTheImpatient(rate, talk, is.patience, n) }]),
    ];
  });
  const takes = $derived(
    ok('perHour', 'talk', 'patience', 'within')
      ? peopleFor(is.perHour! / 3600, is.talk!, is.patience, 0.8, is.within!)
      : null,
  );
</script>

{#snippet field(name: Field, label: string)}
  <NumberInput
    size="sm"
    labelText={label}
    value={is[name]}
    allowEmpty
    step={LIMITS[name][2] ? 1 : 0.1}
    invalid={!!wrong(name)}
    invalidText={wrong(name)}
    on:change={(e) => set(name, e.detail)}
  />
{/snippet}

<h1>Formulas</h1>
<p class="sub">
  Callers who come at random, talks of exponential length, people who lift at once. Your own plan is run under
  <a href="/figures/people">Enough people?</a>
</p>
<h2>People</h2>
<div class="ask">
  {@render field('perHour', 'Callers an hour')}
  {@render field('talk', 'Talk, s')}
  {@render field('patience', 'Patience, s (empty: for ever)')}
  {@render field('people', 'People')}
  {@render field('within', 'Answered within, s')}
</div>
{#if services.length}
  <p>
    {((is.perHour! * is.talk!) / 3600).toFixed(2)} erlangs.
    {#if takes === null}More than 10,000 people would be needed for 80 % within {is.within} s.
    {:else}<b data-testid="takes">It takes {takes}</b> for 80 % within {is.within} s.{/if}
  </p>
  <table class="list" data-testid="services">
    <thead>
      <tr>
        <th scope="col">By</th>
        <th scope="col">wait at all</th>
        <th scope="col">give up</th>
        <th scope="col">mean wait of all</th>
        <th scope="col">answered within {is.within} s</th>
        <th scope="col">people talk</th>
      </tr>
    </thead>
    <tbody>
      {#each services as { name, service } (name)}
        <tr>
          <th scope="row">{name}</th>
          <td>{percent(service.waits)}</td>
          <td>{percent(service.givesUp)}</td>
          <td>{seconds(service.meanWait)}</td>
          <td>{percent(service.within(is.within!))}</td>
          <td>{percent(service.busy)}</td>
        </tr>
      {/each}
    </tbody>
  </table>
{/if}
<h2>Lines</h2>
<div class="ask">
  {@render field('load', 'Load, erlangs')}
  {@render field('lines', 'Lines')}
  {@render field('lost', 'Lost at most, %')}
  {@render field('sources', 'Who can call (Engset)')}
</div>
{#if ok('load', 'lines', 'lost', 'sources')}
  {@const needs = linesFor(is.load!, is.lost! / 100)}
  <table class="list" data-testid="lines">
    <tbody>
      <tr>
        <th scope="row">Erlang B: lost with {is.lines} lines</th>
        <td>{percent(erlangB(is.lines!, is.load!))}</td>
      </tr>
      <tr>
        <th scope="row">Lines for at most {is.lost} % lost</th>
        <td>{needs ?? 'more than 10,000'}</td>
      </tr>
      <tr>
        <th scope="row">Engset: lost where only {is.sources} can call</th>
        <td>
          {is.load! >= is.sources!
            ? 'they would all talk all the time'
            : percent(engset(is.sources!, is.lines!, is.load! / (is.sources! - is.load!)))}
        </td>
      </tr>
    </tbody>
  </table>
{/if}

<style>
  .ask {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 12px;
    align-items: start;
    margin: 6px 0 10px;
  }
  .ask :global(.bx--form-item) {
    flex: 0 1 auto;
  }
  .ask :global(.bx--number) {
    max-width: 200px;
  }
  h2 {
    margin: 18px 0 6px;
    font-size: var(--text-title);
  }
  tbody th {
    font-weight: 400;
  }
  td {
    font-variant-numeric: tabular-nums;
  }
</style>
