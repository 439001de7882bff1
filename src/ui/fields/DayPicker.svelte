<script lang="ts">
  import { autoUpdate, computePosition, flip, offset, shift } from '@floating-ui/dom';
  import { parseDate, type DateValue } from '@internationalized/date';
  import { Calendar } from 'bits-ui';
  import ChevronLeft from 'carbon-icons-svelte/lib/ChevronLeft.svelte';
  import ChevronRight from 'carbon-icons-svelte/lib/ChevronRight.svelte';
  import { tick } from 'svelte';
  import TimeField from './TimeField.svelte';

  /**
   * A month to choose a day from, beside a field: in English, its weeks beginning as in the country of the business. Arrows
   * go by days and weeks, Page up and down by months, Escape closes it and leaves the day as it was.
   */
  interface Props {
    /** The field it stands beside. */
    beside: HTMLElement;
    /** ISO date, or empty for none. */
    day: string;
    /** ISO date of the day it is, and the country whose weeks it shows (ISO 3166-1 alpha-2). */
    today: string;
    country: string;
    /** Minutes of the day, where a time belongs to it. */
    minute?: number | undefined;
    onpick: (day: string, minute?: number) => void;
    onclose: () => void;
  }
  let { beside, day, today, country, minute, onpick, onclose }: Props = $props();
  const YEARS = 20;
  const value = $derived(day ? parseDate(day) : undefined);
  /** The day the month is shown of, which arrows lead from. */
  // svelte-ignore state_referenced_locally
  let at = $state.raw<DateValue>(parseDate(day || today));
  let panel = $state<HTMLElement>();
  const locale = $derived(`en-${country}`);
  const years = $derived.by(() => {
    const now = Number(today.slice(0, 4));
    const all = new Set(Array.from({ length: 2 * YEARS + 1 }, (_, i) => now - YEARS + i));
    if (value) all.add(value.year);
    return [...all].sort((a, b) => a - b);
  });

  function stand(panel: HTMLElement) {
    panel.showPopover();
    // What is not shown yet takes no focus: so it is not left to the calendar.
    panel.querySelector<HTMLElement>('.day[tabindex="0"]')?.focus();
    return autoUpdate(beside, panel, () => {
      void computePosition(beside, panel, {
        strategy: 'fixed',
        placement: 'bottom-start',
        middleware: [offset(4), flip(), shift({ padding: 8 })],
      }).then(({ x, y }) => {
        panel.style.left = `${x}px`;
        panel.style.top = `${y}px`;
      });
    });
  }

  async function onkeydown(e: KeyboardEvent) {
    // Keys here are none of the page's.
    e.stopPropagation();
    if (e.key === 'Enter' && e.target instanceof HTMLInputElement) {
      // What is no time is shown as such and stays.
      e.target.blur();
      await tick();
      if (panel?.querySelector('[aria-invalid="true"]')) e.target.focus();
      else panel?.hidePopover();
      return;
    }
    if (e.key !== 'PageUp' && e.key !== 'PageDown') return;
    e.preventDefault();
    const on = panel?.querySelector<HTMLElement>('.day:focus')?.dataset['value'];
    at = (on ? parseDate(on) : at).add({ months: e.key === 'PageUp' ? -1 : 1 });
    await tick();
    panel
      ?.querySelector<HTMLElement>(`.day[data-value="${at.toString()}"]:not([data-outside-month])`)
      ?.focus();
  }
</script>

<div
  class="days"
  popover="auto"
  role="dialog"
  tabindex="-1"
  aria-label={minute === undefined ? 'Choose a day' : 'Choose a day and a time'}
  bind:this={panel}
  {@attach stand}
  ontoggle={(e) => e.newState === 'closed' && onclose()}
  {onkeydown}
  onfocusout={(e) => {
    if (e.relatedTarget instanceof Node && !panel?.contains(e.relatedTarget)) onclose();
  }}
>
  <Calendar.Root
    type="single"
    preventDeselect
    fixedWeeks
    weekdayFormat="short"
    {locale}
    {value}
    bind:placeholder={at}
    onValueChange={(next) => next && onpick(next.toString(), minute)}
  >
    {#snippet children({ months, weekdays })}
      <Calendar.Header class="head">
        <Calendar.PrevButton class="turn" aria-label="The month before"><ChevronLeft /></Calendar.PrevButton>
        <Calendar.MonthSelect class="choice" aria-label="Month" monthFormat="long" />
        <Calendar.YearSelect class="choice" aria-label="Year" {years} />
        <Calendar.NextButton class="turn" aria-label="The month after"><ChevronRight /></Calendar.NextButton>
      </Calendar.Header>
      {#each months as month (month.value.toString())}
        <Calendar.Grid class="grid">
          <Calendar.GridHead>
            <Calendar.GridRow>
              {#each weekdays as name, i (i)}
                <Calendar.HeadCell class="name">{name.slice(0, 2)}</Calendar.HeadCell>
              {/each}
            </Calendar.GridRow>
          </Calendar.GridHead>
          <Calendar.GridBody>
            {#each month.weeks as week (week[0]?.toString())}
              <Calendar.GridRow>
                {#each week as date (date.toString())}
                  <Calendar.Cell {date} month={month.value}>
                    <Calendar.Day class={date.toString() === today ? 'day now' : 'day'} />
                  </Calendar.Cell>
                {/each}
              </Calendar.GridRow>
            {/each}
          </Calendar.GridBody>
        </Calendar.Grid>
      {/each}
    {/snippet}
  </Calendar.Root>
  {#if minute !== undefined}
    <TimeField label="Time" {minute} keep={(next) => onpick(day || today, next)} />
  {/if}
</div>

<style>
  .days {
    position: fixed;
    inset: auto;
    margin: 0;
    padding: 10px;
    border: 1px solid var(--line);
    background: var(--sheet);
    color: var(--ink);
    font-size: var(--text-body);
    box-shadow: 0 4px 14px rgb(22 32 42 / 0.18);
  }
  .days :global(.head) {
    display: flex;
    align-items: center;
    gap: 6px;
    margin-bottom: 8px;
  }
  .days :global(.turn) {
    display: grid;
    place-items: center;
    width: 30px;
    height: 30px;
    border: 1px solid transparent;
    background: none;
    color: inherit;
    cursor: pointer;
  }
  .days :global(.choice) {
    height: 30px;
    padding: 0 4px;
    border: 0;
    border-bottom: 1px solid var(--line);
    background: none;
    color: inherit;
    font: inherit;
  }
  .days :global(.grid) {
    border-collapse: collapse;
    margin: 0 auto;
  }
  .days :global(.name) {
    padding: 2px 0 4px;
    font-weight: 400;
    font-size: var(--text-small);
    color: var(--ink-soft);
  }
  .days :global(td) {
    padding: 1px;
  }
  .days :global(.day) {
    display: grid;
    place-items: center;
    width: 32px;
    height: 30px;
    cursor: pointer;
    font-variant-numeric: tabular-nums;
  }
  .days :global(.day:hover),
  .days :global(.turn:hover) {
    background: var(--hover);
  }
  .days :global(.day[data-outside-month]) {
    color: var(--faint);
  }
  .days :global(.day.now) {
    border: 1px solid var(--line);
  }
  .days :global(.day[data-selected]) {
    background: var(--solid);
    color: var(--on-solid);
  }
  .days :global(.day:focus-visible) {
    outline: 2px solid var(--copper);
    outline-offset: 1px;
  }
</style>
