<script lang="ts">
  import { InlineLoading, RadioButton, RadioButtonGroup, Select } from 'carbon-components-svelte';
  import { callersFor, NO_FILTER, rowsOf, tableOf, type Filter, type Row } from '$core/coverage';
  import { onDestroy } from 'svelte';
  import { addDays, localTime, momentOf } from '$core/hours';
  import { withOwn, type System } from '$core/system';
  import { saveText } from '../files/download';
  import { dateText, fieldText } from '../format';
  import { Remembered } from '../remembered.svelte';
  import { supposed } from '../supposed/supposed.svelte';
  import Supposed from '../supposed/Supposed.svelte';
  import { theBusiness } from '../window/session.svelte';
  import { CoverageAsked } from './client';
  import { isQuick } from './quick';
  import Lanes from './Lanes.svelte';
  import YearLanes from './YearLanes.svelte';
  import SelectItem from '../fields/SelectItem.svelte';
  import WhenField from '../fields/WhenField.svelte';

  let { system: document }: { system: System } = $props();
  /** As people have set it: callers they treat in a way of their own are told apart too. */
  const system = $derived(withOwn(document, theBusiness().standing.own));
  const standing = $derived(supposed.standing('coverage', document, theBusiness().standing));
  type Span = 'day' | 'week' | 'year';
  const asked = new Remembered<{ span: Span; date: string; filter: Filter }>('coverage-board', {
    span: 'week',
    date: '',
    filter: NO_FILTER,
  });
  const { span } = $derived(asked.value);
  const { callers, left } = $derived(callersFor(system, { ...NO_FILTER, ...asked.value.filter }));
  /** A choice of an earlier day may have been of something that is no longer there. */
  const filter = $derived.by(() => {
    const chosen = { ...NO_FILTER, ...asked.value.filter };
    return callers.some((c) => c.id === chosen.callerId) ? chosen : { ...chosen, callerId: '' };
  });
  const ask = (change: Partial<typeof asked.value>) => (asked.value = { ...asked.value, ...change });
  const zone = $derived(system.business.timeZone);
  /** A date, so that the board is not worked out anew with every second. */
  const today = $derived(localTime(zone, theBusiness().now).date);
  const date = $derived(/^\d{4}-\d\d-\d\d$/.test(asked.value.date) ? asked.value.date : today);
  /** The first day of what is shown: the day, its Monday, or the first of its month. */
  const first = $derived.by(() => {
    if (span === 'day') return date;
    if (span === 'year') return `${date.slice(0, 7)}-01`;
    return addDays(date, 1 - localTime(zone, momentOf(zone, date, 720)).day);
  });
  const days = $derived(span === 'day' ? 1 : 7);
  const starts = $derived(Array.from({ length: days + 1 }, (_, i) => momentOf(zone, addDays(first, i), 0)));
  /** What is drawn: the rows, and the days that they are of. */
  interface Drawn {
    rows: Row[];
    first: string;
    starts: number[];
  }
  const here = $derived.by((): Drawn | null =>
    span !== 'year' && isQuick(system)
      ? { rows: rowsOf(system, standing, filter, starts[0]!, starts.at(-1)!), first, starts }
      : null,
  );
  /** The same, from off the page; of the days before while others are worked out. */
  let there = $state.raw<Drawn | null>(null);
  let working = $state(false);
  let problem = $state('');
  const client = new CoverageAsked();
  onDestroy(() => client.stop());
  $effect(() => {
    if (span === 'year' || here) return client.stop();
    const [a, reckoned, by, days] = [system, standing, filter, { first, starts }];
    working = true;
    problem = '';
    void client
      .ask((w) => w.rows(a, reckoned, by, days.starts[0]!, days.starts.at(-1)!) as Promise<Row[]>)
      .then((rows) => {
        if (!rows) return;
        there = { rows, ...days };
        working = false;
      })
      .catch(() => {
        working = false;
        problem = 'The board could not be worked out. Load the page again.';
      });
  });
  const drawn = $derived(here ?? there);
  const rows = $derived(drawn?.rows ?? []);
  const sites = $derived(Object.values(system.sites));
  const people = $derived(Object.values(system.people));

  const move = (by: number) => {
    const step = span === 'day' ? by : span === 'week' ? by * 7 : 0;
    if (span !== 'year') return ask({ date: addDays(date, step) });
    const [year, month] = date.split('-').map(Number) as [number, number];
    ask({ date: new Date(Date.UTC(year, month - 1 + by * 12, 1)).toISOString().slice(0, 10) });
  };
  async function saveCsv() {
    const { unparse } = await import('papaparse');
    const table = tableOf(rows, (at) => fieldText(at, zone).replace('T', ' '));
    saveText(`coverage-${drawn!.first}.csv`, 'text/csv', `${unparse(table, { newline: '\r\n' })}\r\n`);
  }
  async function saveCalendar() {
    const { writeEvents } = await import('$core/formats/ical');
    const events = rows.flatMap(({ number, pieces }) =>
      pieces.map((p, i) => ({
        uid: `${number.id}-${p.from}-${i}@upperline.example`,
        name: `${number.label}: ${p.label}`,
        note: p.words,
        from: p.from,
        to: p.to,
      })),
    );
    const [from, to] = [drawn!.starts[0]!, drawn!.starts.at(-1)!];
    const times = { zone, now: theBusiness().now, from, to };
    saveText(`coverage-${drawn!.first}.ics`, 'text/calendar', writeEvents('Coverage', events, times));
  }
  const openDay = (day: string) => ask({ span: 'day', date: day });
</script>

<div class="ask" role="group" aria-label="What is shown">
  <div class="line">
    <RadioButtonGroup
      hideLegend
      legendText="Over how long"
      selected={span}
      on:change={(e) => ask({ span: e.detail as Span })}
    >
      <RadioButton labelText="Day" value="day" />
      <RadioButton labelText="Week" value="week" />
      <RadioButton labelText="Year" value="year" />
    </RadioButtonGroup>
    <span class="when">
      <button class="linkish" type="button" aria-label="Earlier" onclick={() => move(-1)}>‹</button>
      <WhenField hideLabel label="Day shown" value={date} onvalue={(value) => ask({ date: value })} />
      <button class="linkish" type="button" aria-label="Later" onclick={() => move(1)}>›</button>
    </span>
  </div>
  <div class="line">
    <Select
      size="sm"
      hideLabel
      labelText="Number shown"
      selected={filter.numberId}
      on:update={(e) => ask({ filter: { ...filter, numberId: String(e.detail) } })}
    >
      <SelectItem value="" text="every number" />
      {#each Object.values(system.numbers) as n (n.id)}<SelectItem value={n.id} text={n.label} />{/each}
    </Select>
    {#if sites.length > 1}
      <Select
        size="sm"
        hideLabel
        labelText="Site shown"
        selected={filter.siteId}
        on:update={(e) => ask({ filter: { ...filter, siteId: String(e.detail) } })}
      >
        <SelectItem value="" text="every site" />
        {#each sites as s (s.id)}<SelectItem value={s.id} text={s.name} />{/each}
      </Select>
    {/if}
    {#if callers.length > 1}
      <Select
        size="sm"
        hideLabel
        labelText="Who calls"
        selected={filter.callerId}
        on:update={(e) => ask({ filter: { ...filter, callerId: String(e.detail) } })}
      >
        {#each callers as c (c.id)}<SelectItem value={c.id} text={c.words || 'a new caller'} />{/each}
        {#if left}<SelectItem value="" disabled text="at least {left} more, who are not told apart" />{/if}
      </Select>
    {/if}
    <Select
      size="sm"
      hideLabel
      labelText="When can somebody be rung"
      selected={filter.personId}
      on:update={(e) => ask({ filter: { ...filter, personId: String(e.detail) } })}
    >
      <SelectItem value="" text="whoever is rung" />
      {#each people as p (p.id)}<SelectItem value={p.id} text="when {p.name} is rung" />{/each}
    </Select>
  </div>
</div>
<Supposed place="coverage" system={document} of="what is in force" />
{#if span === 'year'}
  <YearLanes {system} {standing} {filter} {first} onday={openDay} />
{:else if problem}
  <p class="problem" role="alert">{problem}</p>
{:else if !drawn}
  <InlineLoading description="Who answers is worked out" />
{:else}
  {#if !rows.length && !working}
    <p class="none">
      {filter.personId
        ? `No number rings ${system.people[filter.personId]?.name ?? 'them'} then.`
        : 'No number is left by this choice.'}
    </p>
  {/if}
  <Lanes {rows} starts={drawn.starts} first={drawn.first} {today} now={theBusiness().now} />
  <p class="small">
    {drawn.starts.length === 2
      ? dateText(drawn.first)
      : `Week of ${dateText(drawn.first)}; hours in which nothing changes are drawn shorter`} ·
    <button class="linkish" type="button" onclick={() => void saveCsv()}>Save as CSV</button>
    <button class="linkish" type="button" onclick={() => void saveCalendar()}>Save as a calendar</button>
    <button class="linkish" type="button" onclick={() => print()}>Print</button>
  </p>
  {#if working && !here}<InlineLoading description="{dateText(first)} is worked out" />{/if}
{/if}

<style>
  .ask {
    margin-bottom: 8px;
  }
  .line {
    display: flex;
    gap: 6px 14px;
    align-items: center;
    flex-wrap: wrap;
  }
  .ask :global(.bx--form-item) {
    flex: 0 1 auto;
  }
  .ask :global(.bx--radio-button-group) {
    margin: 0;
  }
  .ask :global(.bx--select-input) {
    max-width: 168px;
  }
  .when {
    display: flex;
    align-items: center;
    gap: 6px;
  }
  .when :global(input) {
    width: 172px;
  }
  .none {
    padding: 10px 0;
  }
  p button {
    margin-right: 10px;
  }
  .problem {
    color: var(--alarm);
  }
</style>
