<script lang="ts">
  import { onDestroy } from 'svelte';
  import { Button, ProgressBar, Select } from 'carbon-components-svelte';
  import { stepInWords } from '$core/answering';
  import { addDays, localTime } from '$core/hours';
  import {
    ALL_HOURS,
    desksOf,
    hoursOf,
    Typed,
    typedTraffic,
    usualMonday,
    windowInWords,
    type Desk,
    type Seen,
    type Traffic,
    type Window,
  } from '$core/staffing';
  import { allSteps, asPaired } from '$core/system';
  import { USUAL_RULES } from '$core/traffic';
  import SelectItem from '../../fields/SelectItem.svelte';
  import { count, dateText } from '../../format';
  import { Remembered } from '../../remembered.svelte';
  import { theBusiness } from '../../window/session.svelte';
  import ChartView from '../report/ChartView.svelte';
  import WeekMap from '../report/WeekMap.svelte';
  import { FIRST, type AskedOfPeople, type WhatIf as What } from './asked';
  import Beside from './Beside.svelte';
  import { missedChart, missedMap } from './by-hour';
  import Callers from './Callers.svelte';
  import { Enough } from './enough.svelte';
  import Outcome from './Outcome.svelte';
  import WhatIf from './WhatIf.svelte';

  const business = $derived(theBusiness());
  const asked = new Remembered<AskedOfPeople>('enough people', FIRST);
  const is = $derived(asked.value);
  const change = (with_: Partial<AskedOfPeople>) => (asked.value = { ...$state.snapshot(is), ...with_ });
  const systemOf = (of: AskedOfPeople['of']) =>
    of === 'draft' ? business.system : business.view.inForce.system;
  const enough = new Enough();
  onDestroy(() => enough.close());

  /** What was run last, for what is run beside it. */
  let ran = $state.raw<{
    asked: AskedOfPeople;
    traffic: Traffic;
    seen: Seen | null;
    monday: string;
    usual: boolean;
  } | null>(null);
  let problems = $state<Record<string, string>>({});
  let problem = $state('');
  /** The same seed, the same answer. */
  const SEED = 1;

  const deskName = (desk: Desk): string => {
    const system = systemOf(ran?.asked.of ?? is.of);
    const plan = system.plans[desk.planId];
    const step = plan && [...allSteps(plan.steps)].find((s) => s.id === desk.stepId);
    if (!step) return 'a step that is no longer there';
    const { verb, what } = stepInWords(step, system);
    return `${plan.name} (${verb} ${what})`;
  };

  async function trafficNow(): Promise<{ traffic: Traffic; seen: Seen | null } | null> {
    problems = {};
    problem = '';
    if (!(is.missed >= 1 && is.missed <= 90)) problems = { missed: '1 to 90.' };
    if (is.from === 'typed') {
      const { numberId, perHour, from, to, talk, patience, lifts } = is.typed;
      const parsed = Typed.safeParse({
        e164: systemOf(is.of).numbers[numberId]?.e164 ?? '',
        perHour: perHour ?? undefined,
        from,
        to,
        weekdays: [1, 2, 3, 4, 5],
        talk: talk ?? undefined,
        patience,
        lifts: lifts === null ? undefined : lifts / 100,
      });
      if (!parsed.success)
        for (const issue of parsed.error.issues)
          problems = {
            ...problems,
            [String(issue.path[0])]: issue.path[0] === 'lifts' ? '1 to 100.' : issue.message,
          };
      if (!parsed.success || Object.keys(problems).length) return null;
      if (!parsed.data.perHour) {
        problem = 'With no callers there is nobody to miss: enough people are there.';
        return null;
      }
      return { traffic: typedTraffic(parsed.data), seen: null };
    }
    if (!(is.more >= -95 && is.more <= 900)) problems = { ...problems, more: '-95 to 900.' };
    if (Object.keys(problems).length) return null;
    const today = localTime(business.zone, business.now).date;
    const span = { from: addDays(today, -7 * is.weeksBack), to: addDays(today, -1) };
    const made = await business.logbook
      .traffic(span, is.numberId ? [is.numberId] : [])
      .catch((error: unknown) => {
        problem = error instanceof Error ? error.message : String(error);
        return null;
      });
    if (!made) {
      problem ||= 'Nobody called in that time: choose more weeks, or type how many call.';
      return null;
    }
    return made;
  }
  const setup = (of: AskedOfPeople['of']) => {
    const { traffic, monday, asked: then } = ran!;
    return {
      system: $state.snapshot(systemOf(of)),
      standing: $state.snapshot(asPaired(business.standing)),
      change: { what: 'nothing' as const },
      traffic,
      monday,
      seed: SEED,
      rules: USUAL_RULES,
      more: then.from === 'log' ? 1 + then.more / 100 : 1,
    };
  };
  async function run() {
    const made = await trafficNow();
    if (!made) return;
    const today = localTime(business.zone, business.now).date;
    chosen = '';
    words = '';
    ran = { asked: $state.snapshot(is) as AskedOfPeople, ...made, ...usualMonday(systemOf(is.of), today) };
    await enough.run(setup(is.of), is.count, { missed: is.missed / 100 }, deskName);
  }
  let words = $state('');
  async function tryIt(what: What, said: string) {
    if (!ran) return;
    words = said;
    const of = ran.asked.of;
    const other = of === 'draft' ? 'in force' : 'draft';
    await enough.whatIf(what.what === 'the other' ? setup(other) : { ...setup(of), change: what }, said);
  }

  /** Hours that are looked at: a window, a weekday, or '' for the first window or the whole week. */
  let chosen = $state('');
  const DAYS = ['Mondays', 'Tuesdays', 'Wednesdays', 'Thursdays', 'Fridays', 'Saturdays', 'Sundays'];
  const choices = $derived([
    ...enough.windows.map(({ window }) => ({ id: windowInWords(window), hours: hoursOf(window), window })),
    { id: 'the whole week', hours: ALL_HOURS, window: null as Window | null },
    ...DAYS.map((id, i) => ({ id, hours: hoursOf({ day: i + 1, from: 0, to: 24 }), window: null })),
  ]);
  const choice = $derived(choices.find((c) => c.id === chosen) ?? choices[0]!);
  const map = $derived(missedMap(enough.weeks));
  const chart = $derived(missedChart(enough.weeks, enough.after, choice.hours));
  const desk = $derived(enough.windows.find((w) => w.window === choice.window)?.desk);
  const percent = (n: number) => `${(n * 100).toFixed(1)} %`;
</script>

<h1>Enough people?</h1>
<p class="sub">
  A usual week is run through the plan many times over, second by second, with callers who come, wait and give
  up as yours do.
</p>
<Callers asked={is} system={systemOf(is.of)} {problems} onchange={change} />
<p class="acts">
  <Button size="small" disabled={!!enough.doing} on:click={() => void run()}>Run it</Button>
  {#if enough.doing}
    <Button size="small" kind="tertiary" on:click={() => enough.stop()}>Stop</Button>
  {/if}
</p>
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
{#if enough.problem}<p class="problem" role="alert">{enough.problem}</p>{/if}
{#if business.logbook.problem}<p class="problem" role="alert">{business.logbook.problem}</p>{/if}
<div aria-live="polite" data-testid="running" aria-busy={!!enough.doing}>
  {#if enough.doing}
    <ProgressBar
      size="sm"
      value={enough.done}
      max={enough.of}
      labelText={enough.doing}
      helperText="{enough.done} of {count(enough.of, 'week')}"
    />
  {:else if enough.stopped}
    <p class="soft small">
      Stopped after {count(enough.weeks.length, 'week')}: what stands here is of those.
    </p>
  {/if}
</div>

{#if ran && enough.weeks.length > 1}
  <section class="said" data-testid="enough-said" aria-label="The answer">
    {#each enough.windows as { window, said } (windowInWords(window))}
      <p>{said.words}</p>
    {:else}
      {#if !enough.doing}
        <p>
          {#if enough.stopped}Nothing is said of hours that were not run through.{:else}In no hour of the week
            are more than {ran.asked.missed} % missed, as far as {count(enough.weeks.length, 'week')} can tell.{/if}
        </p>
      {/if}
    {/each}
    <p class="soft small">
      {#if ran.seen}
        Of {count(ran.seen.calls, 'call')} on {count(ran.seen.days, 'day')}.
        {#if ran.seen.patience.mean !== null}
          Callers wait {Math.round(ran.seen.patience.mean)} s in the mean before they give up ({count(
            ran.seen.patience.left,
            'one',
            '',
          ).trim()} gave up){#if ran.seen.patience.misfit > 0.1}; an exponential patience fits that badly, by
            up to {percent(ran.seen.patience.misfit)}{/if}.
        {:else}
          Fewer than 10 gave up: nothing is known of patience but that it is {Math.round(
            ran.seen.patience.atLeast,
          )} s or more, and {Math.round(ran.traffic.patience ?? 0)} s are supposed.
        {/if}
        Whoever is rung lifts {Math.round(ran.traffic.lifts * 100)} % of the time.
      {/if}
      The week of {dateText(ran.monday)}{ran.usual ? '' : ', which has exceptions'}, {enough.weeks.length} times,
      through {ran.asked.of === 'draft' ? 'the draft' : 'what is in force'}; absences are left out. ± is the
      95 % interval.
    </p>
  </section>
  <h2>What callers get</h2>
  <Select
    size="sm"
    inline
    labelText="Hours"
    selected={choice.id}
    on:update={(e) => (chosen = String(e.detail))}
  >
    {#each choices as { id } (id)}<SelectItem value={id} text={id} />{/each}
  </Select>
  <WhatIf
    system={systemOf(ran.asked.of)}
    desks={desksOf(systemOf(ran.asked.of))}
    {deskName}
    other={ran.asked.of === 'draft' ? 'what is in force' : 'the draft'}
    busy={!!enough.doing}
    ontry={(what, said) => void tryIt(what, said)}
  />
  {#if words}<p class="small" data-testid="what-if"><b>After:</b> {words}, with the same callers.</p>{/if}
  <Outcome
    weeks={enough.weeks}
    after={enough.after}
    hours={choice.hours}
    system={systemOf(ran.asked.of)}
    within={USUAL_RULES.within}
  />
  {#if !enough.doing}{#key chart}<ChartView
        {chart}
        currency="USD"
        file="enough-people"
        onbehind={() => {}}
      />{/key}{/if}
  <WeekMap {map} currency="USD" chosen={null} onbehind={() => {}} />
  <Beside weeks={enough.weeks} hours={choice.hours} name={choice.id} traffic={ran.traffic} {desk} />
{/if}

<style>
  .acts {
    display: flex;
    gap: 8px;
    margin: 8px 0;
  }
  .problem {
    color: var(--alarm);
  }
  .said {
    margin: 12px 0;
    padding: 12px 16px;
    background: var(--sheet);
    border: 1px solid var(--rule);
    border-left: 4px solid var(--copper);
  }
  .said p:first-child {
    font-size: var(--text-title);
  }
  .said p {
    margin: 0 0 6px;
  }
  h2 {
    margin: 18px 0 6px;
    font-size: var(--text-title);
  }
</style>
