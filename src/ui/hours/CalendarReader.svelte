<script lang="ts">
  import { Button, Modal } from 'carbon-components-svelte';
  import type { CalendarEvent } from '$core/formats/ical';
  import { addDays, exceptionsFrom, kindsOf } from '$core/hours';
  import type { Hours } from '$core/system';
  import { dateText } from '../format';
  import { FileReading } from '../file-reader.svelte';
  import ReadingFile from '../ReadingFile.svelte';
  import { theBusiness } from '../window/session.svelte';
  import { addExceptions } from './edits';

  /** Days off from a calendar file; what would be added is shown first. */
  let { hours }: { hours: Hours } = $props();
  let input = $state<HTMLInputElement>();
  let read = $state.raw<{ events: CalendarEvent[]; notes: string[] } | null>(null);
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
  const added = $derived(exceptionsFrom(read?.events ?? [], kindsOf(hours)[0] ?? 'Open'));

  function add() {
    const wrong = addExceptions(hours, added.list, `${added.list.length} days from a calendar`);
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
  modalHeading="Add to {hours.name}?"
  primaryButtonText="Add {added.list.length}"
  primaryButtonDisabled={!added.list.length}
  secondaryButtonText="Leave it"
  on:click:button--secondary={() => (read = null)}
  on:close={() => (read = null)}
  on:submit={add}
>
  {#if read}
    {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
    {#each read.notes as note (note)}<p class="small soft">{note}</p>{/each}
    {#if added.more}<p class="small soft">
        A set of hours has at most 200 exceptions: the last {added.more} are left out.
      </p>{/if}
    {#if added.skipped.length}<p class="small soft">
        Left out, for they go over midnight: {added.skipped.join(', ')}.
      </p>{/if}
    <ul>
      {#each added.list.slice(0, 40) as e, i (i)}
        <li>
          <b>{e.name}</b>
          {e.when.on === 'range'
            ? `${dateText(e.when.from)} to ${dateText(e.when.to)}`
            : e.when.on === 'dates'
              ? e.when.dates.map(dateText).join(', ')
              : ''}
          {e.times.length ? 'with other times' : 'closed'}
        </li>
      {:else}<li>There is nothing in it for the coming two years.</li>{/each}
    </ul>
    {#if added.list.length > 40}<p class="small soft">and {added.list.length - 40} more</p>{/if}
  {/if}
</Modal>
