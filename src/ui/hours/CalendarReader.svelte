<script lang="ts">
  import { Button, Checkbox, Modal } from 'carbon-components-svelte';
  import type { CalendarEvent, WeeklyEvent } from '$core/formats/ical';
  import {
    addDays,
    calendarOf,
    dayNumber,
    exceptionsFrom,
    kindsOf,
    newTo,
    periodInWords,
    sameWeek,
    weekFrom,
    writeSpans,
  } from '$core/hours';
  import type { Hours } from '$core/system';
  import { count, dateText } from '../format';
  import { freshId } from '../ids';
  import { FileReading } from '../files/file-reader.svelte';
  import ReadingFile from '../files/ReadingFile.svelte';
  import { theBusiness } from '../window/session.svelte';
  import { exceptionsOf, setHours } from './edits';

  /** Days off from a calendar file; what would be added is shown first. */
  let { hours }: { hours: Hours } = $props();
  let input = $state<HTMLInputElement>();
  let read = $state.raw<{ events: CalendarEvent[]; weekly: WeeklyEvent[]; notes: string[] } | null>(null);
  /** The week of the file takes the place of the one there is. */
  let takeWeek = $state(true);
  let problem = $state('');
  const reading = new FileReading();

  async function take(file: File | undefined) {
    if (!file) return;
    problem = '';
    if (input) input.value = '';
    const { today } = theBusiness();
    const zone = hours.timeZone ?? theBusiness().zone;
    const result = await reading.calendar(file, zone, today, addDays(today, 730));
    if (!result) return;
    if (result.ok) read = result;
    else problem = result.message;
  }
  const week = $derived(weekFrom(read?.weekly ?? []));
  const otherWeek = $derived(week.length > 0 && !sameWeek(week, hours.weekly));
  /** Without what repeats every week, where that is taken as the week. */
  const events = $derived((read?.events ?? []).filter((e) => !e.everyWeek || (otherWeek && !takeWeek)));
  const found = $derived(exceptionsFrom(events, kindsOf(hours)[0] ?? 'Open'));
  const list = $derived(newTo(hours, found.list));
  const same = $derived(found.list.length - list.length);
  const weekWords = (weekly: Hours['weekly']) => {
    const as = { ...hours, weekly };
    return [...new Set(weekly.map((p) => p.kind))]
      .map((kind) => `${kind} ${periodInWords(as, kind)}`)
      .join('; ');
  };
  /** What holds on the first day of an exception now. */
  function nowOn({ when }: (typeof list)[number]): string {
    const day = when.on === 'dates' ? when.dates[0]! : when.on === 'range' ? when.from : theBusiness().today;
    return writeSpans(calendarOf(hours).on(dayNumber(day)).spans) || 'closed';
  }
  const changes = $derived([
    ...(otherWeek && takeWeek ? ['the week'] : []),
    ...(list.length ? [count(list.length, 'exception')] : []),
  ]);

  function add() {
    const added = list.map((e) => ({ ...e, id: freshId('exception') }));
    const change = {
      ...(otherWeek && takeWeek ? { weekly: week } : {}),
      ...(added.length ? { exceptions: [...exceptionsOf(hours), ...added] } : {}),
    };
    const wrong = setHours(hours, change, `${changes.join(' and ')} from a calendar`);
    if (wrong) problem = wrong;
    else read = null;
  }
</script>

<div>
  <Button size="small" kind="ghost" on:click={() => input?.click()}>Read a calendar file</Button>
  <input
    bind:this={input}
    class="visually-hidden"
    type="file"
    accept=".ics,text/calendar"
    aria-label="A calendar file for {hours.name}"
    tabindex="-1"
    onchange={(e) => void take(e.currentTarget.files?.[0])}
  />
  <ReadingFile {reading} />
  {#if problem && !read}<span class="problem" role="alert">{problem}</span>{/if}
</div>
<Modal
  size="sm"
  open={read !== null}
  modalHeading="Take into {hours.name}?"
  primaryButtonText={changes.length ? `Take ${changes.join(' and ')}` : 'Nothing to take'}
  primaryButtonDisabled={!changes.length}
  secondaryButtonText="Leave it"
  on:click:button--secondary={() => (read = null)}
  on:close={() => (read = null)}
  on:submit={add}
>
  {#if read}
    {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
    {#each read.notes as note (note)}<p class="small soft">{note}</p>{/each}
    {#if week.length}
      <h3>The week</h3>
      {#if otherWeek}
        <p class="small"><del>{weekWords(hours.weekly) || 'none'}</del> → <b>{weekWords(week)}</b></p>
        <Checkbox labelText="The week of the file takes its place" bind:checked={takeWeek} />
      {:else}<p class="small soft">It is as it is here: {weekWords(week)}.</p>{/if}
    {/if}
    {#if same}<p class="small soft">{count(same, 'exception is', 'exceptions are')} here already.</p>{/if}
    {#if found.more}<p class="small soft">
        A set of hours has at most 200 exceptions: the last {found.more} are left out.
      </p>{/if}
    {#if found.skipped.length}<p class="small soft">
        Left out, for they go over midnight: {found.skipped.join(', ')}.
      </p>{/if}
    <ul>
      {#each list.slice(0, 40) as e, i (i)}
        <li>
          <b>{e.name}</b>
          {e.when.on === 'range'
            ? `${dateText(e.when.from)} to ${dateText(e.when.to)}`
            : e.when.on === 'dates'
              ? e.when.dates.map(dateText).join(', ')
              : ''}
          <del>{nowOn(e)}</del> → {e.times.length ? writeSpans(e.times) : 'closed'}
        </li>
      {:else}<li>
          {same || week.length
            ? 'No day is other than it is here.'
            : 'There is nothing in it for the coming two years.'}
        </li>{/each}
    </ul>
    {#if list.length > 40}<p class="small soft">and {list.length - 40} more</p>{/if}
  {/if}
</Modal>
