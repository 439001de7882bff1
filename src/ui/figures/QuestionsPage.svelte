<script lang="ts">
  import { untrack } from 'svelte';
  import { InlineLoading } from 'carbon-components-svelte';
  import { page } from '$app/state';
  import { localTime } from '$core/hours';
  import { profileOf } from '$core/numbering';
  import {
    EVERYTHING,
    QUESTIONS,
    spanOf,
    type NamedSpan,
    Span,
    USUAL_RULES,
    whoseFigures,
    type Comparison,
    type Filter,
    type Report,
    type ReportId,
    type Rules,
  } from '$core/traffic';
  import { RATES } from '$standins/carrier/prices';
  import { count, dateText } from '../format';
  import { Remembered } from '../remembered.svelte';
  import { theBusiness } from '../window/session.svelte';
  import { addressOf, QUESTION_WORDS } from './questions';
  import Behind from './report/Behind.svelte';
  import ChartView from './report/ChartView.svelte';
  import Figures from './report/Figures.svelte';
  import Narrow from './report/Narrow.svelte';
  import ReportTable from './report/ReportTable.svelte';
  import WeekMap from './report/WeekMap.svelte';

  const business = $derived(theBusiness());
  const system = $derived(business.system);
  const currency = $derived(profileOf(system.business.country).currency);
  const id = $derived(
    QUESTIONS.find((q) => addressOf(q) === page.url.searchParams.get('about')) ?? ('how many' as ReportId),
  );
  const today = $derived(localTime(business.zone, business.minute).date);
  const people = $derived(whoseFigures(system, business.actor));

  interface Asked {
    named: NamedSpan | '';
    span: Span;
    compare: Comparison;
    filter: Filter;
    rules: Rules;
  }
  const FIRST: NamedSpan = 'last 28 days';
  const asked = new Remembered<Asked>('questions', {
    named: FIRST,
    span: untrack(() => spanOf(FIRST, today)),
    compare: 'the span before',
    filter: EVERYTHING,
    rules: USUAL_RULES,
  });
  const is = $derived(asked.value);
  // What is asked for by a name goes with the days.
  const span = $derived(is.named ? spanOf(is.named, today) : is.span);
  const problem = $derived(Span.safeParse(span).error?.issues[0]?.message ?? '');
  const change = (with_: Partial<Asked>) => (asked.value = { ...$state.snapshot(is), ...with_ });

  let report = $state.raw<Report | null>(null);
  let asking = $state(true);
  let behind = $state<{ key: string; title: string } | null>(null);
  const entries = $derived(business.logbook.state?.entries);
  $effect(() => {
    const wanted = {
      id,
      span: { ...span },
      compare: is.compare,
      filter: $state.snapshot(is.filter) as Filter,
      rules: $state.snapshot(is.rules),
      people: people && [...people],
      rates: RATES,
    };
    // Worked out anew when something comes or goes, and when what is there is called or set otherwise.
    void [entries, business.logbook.state, system];
    if (problem) return;
    untrack(() => {
      asking = true;
      void business.logbook.report({ ...wanted, now: business.now }).then((made) => {
        if (!made) return;
        if (made.id !== report?.id) behind = null;
        report = made;
        asking = false;
      });
    });
  });
  const title = $derived(QUESTION_WORDS[id]);
  const days = $derived(
    span.from === span.to ? dateText(span.from) : `${dateText(span.from)} to ${dateText(span.to)}`,
  );
  const file = $derived(`${addressOf(id)}-${span.from}-${span.to}`);
  const isNothing = $derived(report?.figures.every((f) => !f.value) ?? false);
  const show = (key: string, words: string) => (behind = { key, title: words });
  const fromFirst = $derived(span.from > today);
</script>

<h1>{title}</h1>
<nav aria-label="Questions">
  {#each QUESTIONS as q (q)}
    <a href="?about={addressOf(q)}" aria-current={q === id ? 'page' : undefined}>{QUESTION_WORDS[q]}</a>
  {/each}
</nav>
{#if people}
  <p class="soft small" data-testid="whose">
    {people.size === 1
      ? 'Calls that rang at you, that you answered or placed.'
      : 'Calls of yours and of the queues you lead.'}
  </p>
{/if}
<Narrow
  named={is.named}
  {span}
  compare={is.compare}
  filter={is.filter}
  rules={is.rules}
  {today}
  {system}
  {people}
  {problem}
  onchange={change}
/>
<p class="soft small" aria-live="polite" aria-busy={asking} data-testid="report-state">
  {days}{#if is.compare !== 'nothing'}, {is.compare === 'the span before'
      ? 'compared with as many days before'
      : 'compared with the same weeks a year before'}{/if}
  {#if report}· <button class="linkish small" type="button" onclick={() => window.print()}>Print</button>{/if}
</p>
{#if business.logbook.problem}
  <p class="problem" role="alert">
    {business.logbook.problem}
    <button class="linkish" type="button" onclick={() => change({})}>Try again</button>
  </p>
{:else if !business.logbook.state?.whole}
  <InlineLoading
    description={entries
      ? `${count(entries, 'entry', 'entries')} are gone through`
      : 'The log is gone through'}
  />
{/if}
{#if business.logbook.state?.unread}
  <p class="problem">
    {count(business.logbook.state.unread, 'entry', 'entries')} cannot be read and
    {business.logbook.state.unread === 1 ? 'is' : 'are'} not in it.
  </p>
{/if}
{#if report}
  <div class="report" class:beside={behind}>
    <div>
      {#if isNothing}
        <p class="empty" data-testid="nothing">
          {fromFirst ? 'Those days are still to come.' : 'No calls of that kind in these days.'}
        </p>
      {:else}
        <Figures
          figures={report.figures}
          rules={is.rules}
          {currency}
          chosen={behind?.key ?? null}
          onbehind={show}
        />
        {#if report.chart}{#key report}<ChartView
              chart={report.chart}
              {currency}
              {file}
              onbehind={show}
            />{/key}{/if}
        {#each report.says ?? [] as words (words)}<p data-testid="trend">{words}</p>{/each}
        {#if report.week}
          <WeekMap map={report.week} {currency} chosen={behind?.key ?? null} onbehind={show} />
        {/if}
        {#each report.tables as table, i (table.title)}
          <ReportTable
            {table}
            {currency}
            file={i ? `${file}-${i + 1}` : file}
            chosen={behind?.key ?? null}
            onbehind={show}
          />
        {/each}
        {#each report.left as words (words)}<p class="soft small">{words}</p>{/each}
      {/if}
    </div>
    {#if behind}
      <Behind of={behind.key} title={behind.title} {report} onclose={() => (behind = null)} />
    {/if}
  </div>
{/if}

<style>
  nav {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 16px;
    margin: 4px 0 10px;
    font-size: var(--text-body);
  }
  nav a {
    color: var(--copper);
  }
  nav a[aria-current] {
    color: var(--ink);
    font-weight: 700;
    text-decoration: none;
  }
  .report.beside {
    display: grid;
    grid-template-columns: minmax(0, 3fr) minmax(300px, 2fr);
    gap: 20px;
    align-items: start;
  }
  .problem {
    color: var(--alarm);
  }
  @media print {
    nav,
    p button {
      display: none;
    }
    .report.beside {
      display: block;
    }
  }
</style>
