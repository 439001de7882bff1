<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { takenIn, type TakenByEvent } from '$core/booking';
  import { writeEvents } from '$core/formats/ical';
  import { addDays, localTime } from '$core/hours';
  import type { BookingCalendar } from '$core/system';
  import { takeFromCalendar } from '$workspace';
  import { saveText } from '../files/download';
  import { FileReading } from '../files/file-reader.svelte';
  import { momentText } from '../format';
  import ReadingFile from '../files/ReadingFile.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** What a calendar of others takes of this one's times; and the appointments as a calendar for others. */
  let { calendar }: { calendar: BookingCalendar } = $props();
  const zone = $derived(theBusiness().zone);
  const reading = new FileReading();
  let found = $state.raw<{ name: string; taken: TakenByEvent[]; free: number; notes: string[] } | null>(null);
  let problem = $state('');
  const mine = $derived(theBusiness().view.bookings.filter((b) => b.calendarId === calendar.id));
  const before = $derived(mine.filter((b) => b.made === 'calendar'));
  const SHOWN = 6;
  let input: HTMLInputElement;

  async function read() {
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    problem = '';
    found = null;
    const today = localTime(zone, theBusiness().minute).date;
    const done = await reading.calendar(file, zone, today, addDays(today, calendar.horizonDays));
    if (!done) return;
    if (!done.ok) return (problem = done.message);
    const taken = takenIn(done.events, zone);
    found = { name: file.name, taken, free: done.events.length - taken.length, notes: done.notes };
  }
  async function take(taken: readonly TakenByEvent[]) {
    const was = await takeFromCalendar(theBusiness().workspace, calendar.id, taken);
    found = null;
    theBusiness().sayDone(
      { kind: 'success', title: `${taken.length} times of ${calendar.name} are taken by a calendar` },
      async () => {
        await takeFromCalendar(theBusiness().workspace, calendar.id, was);
        return undefined;
      },
    );
  }
  function save() {
    const events = mine
      .filter((b) => b.state === 'booked' && b.made !== 'calendar')
      .map(({ id, name, number, from, to, code }) => ({
        uid: `${id}@upperline.example`,
        name: name || (number ? theBusiness().number(number) : 'Appointment'),
        note: [number ?? '', `Code ${code}`].filter(Boolean).join('\n'),
        from,
        to,
      }));
    const times = events.length ? events : [{ from: theBusiness().minute, to: theBusiness().minute }];
    const file = writeEvents(calendar.name, events, {
      zone,
      now: theBusiness().minute,
      from: Math.min(...times.map((e) => e.from)),
      to: Math.max(...times.map((e) => e.to)),
    });
    saveText(`${calendar.name}.ics`, 'text/calendar', file);
  }
</script>

<div class="line">
  <input
    bind:this={input}
    type="file"
    accept=".ics,text/calendar"
    class="visually-hidden"
    tabindex="-1"
    aria-label="Calendar file for {calendar.name}"
    onchange={() => void read()}
  />
  <Button size="small" kind="ghost" on:click={() => input.click()}
    >Read what is taken from a calendar file</Button
  >
  <Button size="small" kind="ghost" on:click={save}>Save appointments as a calendar file</Button>
  {#if before.length}
    <span class="small soft">{before.length} times are taken by a calendar that was read.</span>
    <button class="linkish small" type="button" onclick={() => void take([])}>Forget them</button>
  {/if}
</div>
<ReadingFile {reading} />
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
{#if found}
  <div class="found" role="status">
    <p>
      <b>{found.name}</b>: {found.taken.length} events take time in the next {calendar.horizonDays} days{found.free
        ? `; ${found.free} take none`
        : ''}.
    </p>
    <ul class="small">
      {#each found.taken.slice(0, SHOWN) as t, i (i)}<li>
          {momentText(t.from, zone)} to {momentText(t.to, zone)}: {t.name}
        </li>{/each}
      {#if found.taken.length > SHOWN}<li>and {found.taken.length - SHOWN} more</li>{/if}
      {#each found.notes as note (note)}<li class="soft">{note}</li>{/each}
    </ul>
    <Button size="small" on:click={() => void take(found!.taken)}
      >{before.length ? `Take these in place of the ${before.length} before` : 'Take these times'}</Button
    >
    <Button size="small" kind="ghost" on:click={() => (found = null)}>Leave it</Button>
  </div>
{/if}

<style>
  .line {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 12px;
    align-items: center;
    margin-top: 8px;
  }
  .found {
    border: 1px solid var(--rule);
    padding: 8px 12px;
    margin-top: 6px;
  }
</style>
