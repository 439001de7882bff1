<script lang="ts">
  import { proxy } from 'comlink';
  import { ProgressBar } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import { GLANCES, numbersFor, type Day, type Filter, type Glance, type Year } from '$core/coverage';
  import { dateOf, dayNumber } from '$core/hours';
  import type { Standing, System } from '$core/system';
  import { dateText } from '../format';
  import { CoverageClient } from './client';
  import YearLane from './YearLane.svelte';

  /** A year of every number, a thin column a day: how much of the day each kind of answer has. Worked out off the page. */
  interface Props {
    system: System;
    /** What is reckoned with. */
    standing: Standing;
    filter: Filter;
    /** The first day, ISO. */
    first: string;
    onday: (date: string) => void;
  }
  let { system, standing, filter, first, onday }: Props = $props();
  const client = new CoverageClient();
  onDestroy(() => client.stop());
  const DAYS = 365;
  /** So many are drawn with the page. */
  const FIRST = 20;
  const numbers = $derived(numbersFor(system, filter).length);
  let years = $state.raw<Year[] | null>(null);
  let done = $state(0);
  let problem = $state('');

  const start = $derived(dayNumber(first));
  $effect(() => {
    const [a, reckoned, by, from] = [system, standing, filter, start];
    years = null;
    done = 0;
    problem = '';
    let left = false;
    const tell = proxy((so: number) => {
      if (!left) done = so;
    });
    void client
      .ask((w) => w.years(a, reckoned, by, from, DAYS, tell) as Promise<Year[]>)
      .then((found) => {
        if (found) years = found;
      })
      .catch(() => (problem = 'The year could not be worked out. Choose a week instead.'));
    return () => (left = true);
  });

  const months = $derived(
    Array.from({ length: DAYS }, (_, i) => ({ i, date: dateOf(start + i) })).filter(({ date }) =>
      date.endsWith('-01'),
    ),
  );
  const monthName = (date: string) =>
    new Intl.DateTimeFormat('en-GB', { month: 'short', timeZone: 'UTC' }).format(Date.parse(date));
  const words = (d: Day, i: number) =>
    `${dateText(dateOf(start + i))}: ${d.parts.map((p) => `${WORDS[p.kind]} ${Math.round(p.share * 100)} %`).join(', ')}`;
  const WORDS: Record<Glance, string> = {
    person: 'a person',
    group: 'several people',
    outside: 'an outside phone',
    message: 'voicemail',
    ended: 'ends on purpose',
    nobody: 'nobody',
  };
</script>

{#if problem}
  <p class="problem" role="alert">{problem}</p>
{:else if !years}
  <ProgressBar
    size="sm"
    max={numbers}
    {...done ? { value: done } : {}}
    labelText="A year of {numbers} numbers is worked out"
    helperText={done ? `${done} of them so far` : ''}
  />
  <button class="linkish small" type="button" onclick={() => ((years = []), client.stop())}>Stop</button>
{:else}
  <div class="board">
    <div class="months">
      {#each months as m (m.date)}<span style:left="calc(150px + (100% - 150px) * {m.i / DAYS})"
          >{monthName(m.date)}</span
        >{/each}
    </div>
    {#each years as { number, days }, i (number.id)}
      <YearLane {number} {days} {words} first={i < FIRST} onday={(d) => onday(dateOf(start + d))} />
    {/each}
  </div>
  <p class="small soft">
    Each column is a day, its heights how much of it each kind of answer has: {GLANCES.map(
      (k) => WORDS[k],
    ).join(', ')}, from below. Choose one to see the day. With the keyboard, type the day above.
  </p>
{/if}

<style>
  .board {
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  .months {
    position: relative;
    height: 24px;
    border-bottom: 1px solid var(--rule);
    font-size: var(--text-small);
    color: var(--ink-soft);
  }
  .months span {
    position: absolute;
    padding: 3px 5px;
    border-left: 1px solid var(--rule);
  }
  .problem {
    color: var(--alarm);
  }
</style>
