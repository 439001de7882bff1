<script lang="ts">
  import { addDays, calendarOf, dateOf, dayNumber, weekdayOf, writeTime } from '$core/hours';
  import type { Hours } from '$core/system';

  /** Twelve months, a row each; a day with other times than its week has is marked, and can be chosen. */
  interface Props {
    hours: Hours;
    /** First day of the first month, ISO. */
    from: string;
    today: string;
    chosen: { from: string; to: string } | null;
    onchoose: (days: { from: string; to: string }) => void;
  }
  let { hours, from, today, chosen, onchoose }: Props = $props();
  const LETTERS = ['M', 'T', 'W', 'T', 'F', 'S', 'S'];
  const monthName = new Intl.DateTimeFormat('en-GB', { month: 'short', year: 'numeric', timeZone: 'UTC' });

  const months = $derived(
    Array.from({ length: 12 }, (_, m) => {
      const [year, month] = from.split('-').map(Number) as [number, number];
      const first = new Date(Date.UTC(year, month - 1 + m, 1));
      const days = new Date(Date.UTC(year, month + m, 0)).getUTCDate();
      const start = dayNumber(first.toISOString().slice(0, 10));
      return {
        name: monthName.format(first),
        days: Array.from({ length: days }, (_, i) => {
          const day = start + i;
          const { spans, exception } = calendarOf(hours).on(day);
          const words = spans.length
            ? spans.map((s) => `${s.kind} ${writeTime(s.from)}–${writeTime(s.to)}`).join(', ')
            : 'closed';
          return {
            date: dateOf(day),
            weekday: weekdayOf(day),
            open: spans.length > 0,
            exception,
            words: `${exception ? `${exception.name}: ` : ''}${words}`,
          };
        }),
      };
    }),
  );
  const inChosen = (date: string) => chosen !== null && chosen.from <= date && date <= chosen.to;

  function choose(event: MouseEvent, date: string) {
    // With Shift the days up to this one.
    if (event.shiftKey && chosen)
      onchoose(date < chosen.from ? { from: date, to: chosen.to } : { from: chosen.from, to: date });
    else onchoose({ from: date, to: date });
  }
  function onkeydown(event: KeyboardEvent, date: string) {
    const by = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    const to = addDays(date, by);
    document.querySelector<HTMLElement>(`[data-date="${to}"]`)?.focus();
  }
</script>

<div class="year" role="group" aria-label="The next twelve months of {hours.name}">
  {#each months as month (month.name)}
    <b>{month.name}</b>
    <div class="days">
      {#each month.days as d (d.date)}
        <button
          type="button"
          data-date={d.date}
          tabindex={d.date === (chosen?.from ?? today) ? 0 : -1}
          class:closed={!d.open}
          class:special={d.exception}
          class:season={d.exception && d.exception.when.on === 'yearly'}
          class:today={d.date === today}
          aria-pressed={inChosen(d.date)}
          aria-label="{d.date}, {d.words}"
          title="{d.date} · {d.words}"
          onclick={(e) => choose(e, d.date)}
          onkeydown={(e) => onkeydown(e, d.date)}
          ><small>{LETTERS[d.weekday - 1]}</small>{Number(d.date.slice(8))}</button
        >
      {/each}
    </div>
  {/each}
</div>
<p class="key small soft">
  <i></i> open <i class="closed"></i> closed <i class="special"></i> an exception
  <i class="special season"></i> a season · arrow keys move, Shift and a click choose several days
</p>

<style>
  .year {
    display: grid;
    grid-template-columns: 72px 1fr;
    gap: 2px 6px;
    align-items: center;
    font-size: var(--text-small);
  }
  .year b {
    font-weight: 400;
    color: var(--ink-soft);
  }
  .days {
    display: grid;
    grid-template-columns: repeat(31, minmax(0, 1fr));
    gap: 1px;
  }
  button,
  .key i {
    border: 1px solid transparent;
    background: var(--group-wash);
    color: var(--ink);
    font: inherit;
    font-size: var(--text-tiny);
    line-height: 1.15;
    padding: 1px 0;
    cursor: pointer;
    text-align: center;
  }
  small {
    display: block;
    font-size: var(--text-tiny);
    color: var(--ink-soft);
  }
  button.closed,
  .key .closed {
    background: var(--ended-wash);
  }
  button.special,
  .key .special {
    border-color: var(--copper);
    border-style: solid;
    border-bottom-width: 3px;
  }
  button.season,
  .key .season {
    border-color: var(--menu);
    border-style: dotted;
    border-bottom-width: 2px;
  }
  .today {
    font-weight: 700;
    text-decoration: underline;
  }
  [aria-pressed='true'] {
    background: var(--solid);
    color: var(--on-solid);
  }
  [aria-pressed='true'] small {
    color: inherit;
  }
  .key i {
    display: inline-block;
    width: 14px;
    height: 14px;
    margin: 0 3px 0 10px;
    vertical-align: -3px;
  }
</style>
