<script lang="ts">
  import { ProgressBar } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import { worstEnd, type Glance, type Piece } from '$core/coverage';
  import { dateOf, dayNumber, momentOfDay } from '$core/hours';
  import type { System } from '$core/system';
  import { dateText } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import { numbersFor, shownPiece, type Filter } from './board';
  import { CoverageClient } from './client';

  /** A year of every number, a thin column a day: how much of the day each kind of answer has. Worked out off the page. */
  interface Props {
    system: System;
    filter: Filter;
    from: number;
    to: number;
    /** The first day, ISO. */
    first: string;
    onday: (date: string) => void;
  }
  let { system, filter, from, to, first, onday }: Props = $props();
  const client = new CoverageClient();
  onDestroy(() => client.stop());
  const DAYS = 365;
  const ORDER: Glance[] = ['person', 'group', 'outside', 'message', 'ended', 'nobody'];
  const numbers = $derived(numbersFor(system, filter));
  let found = $state.raw<Piece[][] | null>(null);
  let problem = $state('');

  $effect(() => {
    const { standing } = theBusiness();
    const ids = numbers.map((n) => n.id);
    const [a, b, s, callerId] = [from, to, system, filter.callerId];
    found = null;
    if (!standing) return;
    void client
      .ask((w) => w.pieces(s, standing, ids, a, b, callerId) as Promise<Piece[][]>)
      .then((pieces) => {
        if (pieces) found = pieces;
      })
      .catch(() => (problem = 'The year could not be worked out. Choose a week instead.'));
  });

  interface Day {
    date: string;
    /** Share of the day by kind, from the bottom. */
    parts: { kind: Glance; share: number }[];
    /** Some of its hours end badly. */
    bad: boolean;
  }
  const start = $derived(dayNumber(first));
  function daysOf(pieces: Piece[]): Day[] {
    const zone = system.business.timeZone;
    let at = 0;
    const kinds = new Map<Piece['trace'], Glance>();
    return Array.from({ length: DAYS }, (_, i) => {
      const [a, b] = [momentOfDay(zone, start + i, 0), momentOfDay(zone, start + i + 1, 0)];
      const sums = new Map<Glance, number>();
      let bad = false;
      while (pieces[at] && pieces[at]!.to <= a) at++;
      for (let j = at; pieces[j] && pieces[j]!.from < b; j++) {
        const p = pieces[j]!;
        let kind = kinds.get(p.trace);
        if (!kind) kinds.set(p.trace, (kind = shownPiece(p, system, filter.personId).kind));
        sums.set(kind, (sums.get(kind) ?? 0) + Math.min(b, p.to) - Math.max(a, p.from));
        bad ||= worstEnd(p) === 'nobody' && Math.min(b, p.to) - Math.max(a, p.from) > 300_000;
      }
      const parts = ORDER.flatMap((kind) => {
        const ms = sums.get(kind);
        return ms ? [{ kind, share: ms / (b - a) }] : [];
      });
      return { date: dateOf(start + i), parts, bad };
    });
  }
  const rows = $derived(found ? numbers.map((n, i) => ({ number: n, days: daysOf(found![i] ?? []) })) : []);
  const months = $derived(
    Array.from({ length: DAYS }, (_, i) => ({ i, date: dateOf(start + i) })).filter(({ date }) =>
      date.endsWith('-01'),
    ),
  );
  const monthName = (date: string) =>
    new Intl.DateTimeFormat('en-GB', { month: 'short', timeZone: 'UTC' }).format(Date.parse(date));
  const words = (d: Day) =>
    `${dateText(d.date)}: ${d.parts.map((p) => `${WORDS[p.kind]} ${Math.round(p.share * 100)} %`).join(', ')}`;
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
{:else if !found}
  <ProgressBar size="sm" labelText="A year of {numbers.length} numbers is worked out" />
  <button class="linkish small" type="button" onclick={() => ((found = []), client.stop())}>Stop</button>
{:else}
  <div class="board">
    <div class="months">
      {#each months as m (m.date)}<span style:left="calc(150px + (100% - 150px) * {m.i / DAYS})"
          >{monthName(m.date)}</span
        >{/each}
    </div>
    {#each rows as { number, days } (number.id)}
      <div class="row">
        <b>{number.label}</b>
        <svg
          viewBox="0 0 {DAYS} 40"
          preserveAspectRatio="none"
          shape-rendering="crispEdges"
          role="group"
          aria-label="{number.label}, a year"
        >
          {#each days as d, i (d.date)}
            <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
            <g onclick={() => onday(d.date)} class:bad={d.bad}>
              <title>{words(d)}</title>
              {#each d.parts as p, j (p.kind)}
                {@const below = d.parts.slice(0, j).reduce((all, x) => all + x.share, 0)}
                <rect class={p.kind} x={i} width="1" y={40 - (below + p.share) * 40} height={p.share * 40} />
              {/each}
            </g>
          {/each}
        </svg>
      </div>
    {/each}
  </div>
  <p class="small soft">
    Each column is a day, its heights how much of it each kind of answer has: {ORDER.map(
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
  .row {
    display: grid;
    grid-template-columns: 150px 1fr;
    border-bottom: 1px solid var(--rule);
    align-items: center;
  }
  .row b {
    padding: 0 10px;
    font-size: var(--text-body);
  }
  svg {
    display: block;
    width: 100%;
    height: 44px;
  }
  g {
    cursor: pointer;
  }
  g:hover {
    opacity: 0.6;
  }
  .person {
    fill: var(--person);
  }
  .group {
    fill: var(--group);
  }
  .outside {
    fill: var(--outside);
  }
  .message {
    fill: var(--message-wash);
  }
  .ended {
    fill: var(--ended-wash);
  }
  .nobody,
  .bad rect {
    fill: var(--alarm);
  }
</style>
