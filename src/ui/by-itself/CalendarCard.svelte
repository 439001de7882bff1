<script lang="ts">
  import { Button, Select, TextInput } from 'carbon-components-svelte';
  import { freeTimes } from '$core/booking';
  import { readNumber } from '$core/numbering';
  import type { BookingCalendar } from '$core/system';
  import { askedOf, bookFor, setBooking } from '$workspace';
  import EditField from '../fields/EditField.svelte';
  import SecondsField from '../fields/SecondsField.svelte';
  import SelectItem from '../fields/SelectItem.svelte';
  import { momentText } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import { otherInWords } from './doing';
  import TakenFile from './TakenFile.svelte';

  /** A calendar: when it is open, what is free, and who has an appointment. */
  let { calendar }: { calendar: BookingCalendar } = $props();
  const system = $derived(theBusiness().system);
  const zone = $derived(theBusiness().zone);
  const set = (change: Partial<Omit<BookingCalendar, 'id'>>, words: string) =>
    theBusiness().keep(`${calendar.name}: ${words}`, [{ do: 'calendar.set', id: calendar.id, change }]);
  const bookings = $derived(theBusiness().view.bookings);
  const asked = $derived(askedOf(system, calendar.id, bookings, theBusiness().minute));
  const SHOWN = 24;
  const free = $derived(asked ? freeTimes(asked, theBusiness().minute, Infinity, SHOWN) : []);
  const mine = $derived(
    bookings
      .filter((b) => b.calendarId === calendar.id && b.to > theBusiness().minute && b.made !== 'calendar')
      .toSorted((a, b) => a.from - b.from),
  );
  const inForce = $derived(theBusiness().view.inForce.system.calendars[calendar.id]);
  let open = $state(false);
  let from = $state('');
  let name = $state('');
  let number = $state('');
  let problem = $state<{ field?: string; message: string } | null>(null);
  async function book(event: Event) {
    event.preventDefault();
    problem = null;
    const read = number.trim() ? readNumber(number, system.business.country) : null;
    if (read && !read.ok) return (problem = { field: 'number', message: read.message });
    const at = Number(from) || free[0];
    if (!at) return (problem = { field: 'from', message: 'There is no free time.' });
    const done = await bookFor(theBusiness().workspace, {
      calendarId: calendar.id,
      from: at,
      name,
      number: read?.ok ? read.number.e164 : null,
    });
    if (!done.ok) return (problem = done);
    const { booking } = done;
    name = number = from = '';
    theBusiness().sayDone(
      { kind: 'success', title: `Booked ${momentText(booking.from, zone)}; their code is ${booking.code}` },
      () => setBooking(theBusiness().workspace, booking.id, 'given back'),
    );
  }
  async function giveBack(id: string, words: string) {
    const why = await setBooking(theBusiness().workspace, id, 'given back');
    if (why) return theBusiness().say({ kind: 'error', title: why });
    theBusiness().sayDone({ kind: 'info', title: `Given back: ${words}` }, () =>
      setBooking(theBusiness().workspace, id, 'booked'),
    );
  }
  const remove = () =>
    theBusiness().edit(`Remove the calendar ${calendar.name}`, [{ do: 'calendar.remove', id: calendar.id }], {
      withNotice: true,
    });
</script>

<section class="card" id={calendar.id} aria-label={calendar.name}>
  <div class="head">
    <h2>{calendar.name}</h2>
    {#if !inForce}<span class="small soft">In the draft only: nobody is offered its times by text yet.</span
      >{/if}
    <span class="grow"></span>
    <Button size="small" kind="ghost" aria-expanded={open} on:click={() => (open = !open)}
      >{open ? 'Close' : 'Change it'}</Button
    >
    <button class="linkish small" type="button" aria-label="Remove {calendar.name}" onclick={remove}
      >Remove</button
    >
  </div>
  {#if open}
    <div class="fields">
      <EditField
        label="Name"
        value={calendar.name}
        keep={(text) => set({ name: text }, `called “${text}”`)}
      />
      <Select
        size="sm"
        labelText="Open as"
        selected={calendar.hoursId ?? ''}
        on:update={(e) => {
          const hoursId = String(e.detail) || null;
          if (hoursId !== calendar.hoursId) set({ hoursId }, 'its hours');
        }}
      >
        <SelectItem value="" text="Choose hours…" />
        {#each Object.values(system.hours) as h (h.id)}<SelectItem value={h.id} text={h.name} />{/each}
      </Select>
      <SecondsField
        label="Minutes of an appointment"
        what="minutes"
        value={calendar.minutes}
        min={5}
        max={480}
        narrow
        onchange={(minutes) => set({ minutes }, `${minutes} minutes each`)}
      />
      <SecondsField
        label="Minutes between two"
        what="minutes"
        value={calendar.gapMinutes}
        min={0}
        max={240}
        narrow
        onchange={(gapMinutes) => set({ gapMinutes }, `${gapMinutes} minutes between`)}
      />
      <SecondsField
        label="At one moment, at the most"
        what="a number"
        value={calendar.atOnce}
        max={50}
        narrow
        onchange={(atOnce) => set({ atOnce }, `${atOnce} at once`)}
      />
      <SecondsField
        label="Minutes ahead, at the latest"
        what="minutes"
        value={calendar.leadMinutes}
        min={0}
        max={43200}
        narrow
        onchange={(leadMinutes) => set({ leadMinutes }, `${leadMinutes} minutes ahead`)}
      />
      <SecondsField
        label="Days ahead, at the most"
        what="days"
        value={calendar.horizonDays}
        max={365}
        narrow
        onchange={(horizonDays) => set({ horizonDays }, `${horizonDays} days ahead`)}
      />
      <Select
        size="sm"
        labelText="Who sees to what is unclear"
        selected={calendar.personId ?? ''}
        on:update={(e) => {
          const personId = String(e.detail) || null;
          if (personId !== calendar.personId) set({ personId }, 'who sees to it');
        }}
      >
        <SelectItem value="" text="nobody in particular" />
        {#each Object.values(system.people) as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
      </Select>
    </div>
  {/if}
  <div class="columns">
    <div>
      <h3>Free next</h3>
      {#if !asked}
        <p class="problem">It has no hours: nothing is free. Choose them under “Change it”.</p>
      {:else if !free.length}
        <p class="soft">Nothing is free in the next {calendar.horizonDays} days.</p>
      {:else}
        <ul class="free" data-testid="free">
          {#each free.slice(0, 8) as at (at)}<li>{momentText(at, zone)}</li>{/each}
        </ul>
      {/if}
      <form onsubmit={(e) => void book(e)} aria-label="Book in {calendar.name}">
        <Select
          size="sm"
          labelText="When"
          selected={free.includes(Number(from)) ? from : String(free[0] ?? '')}
          on:update={(e) => (from = String(e.detail))}
        >
          {#each free as at (at)}<SelectItem value={String(at)} text={momentText(at, zone)} />{/each}
        </Select>
        <TextInput
          size="sm"
          labelText="For whom"
          bind:value={name}
          invalid={problem?.field === 'name'}
          invalidText={problem?.message ?? ''}
        />
        <TextInput
          size="sm"
          labelText="Their number"
          bind:value={number}
          invalid={problem?.field === 'number'}
          invalidText={problem?.message ?? ''}
        />
        <Button size="small" type="submit">Book it</Button>
      </form>
      {#if problem && ['from', 'calendar'].includes(problem.field ?? '')}<p class="problem" role="alert">
          {problem.message}
        </p>{/if}
    </div>
    <div>
      <h3>Appointments to come</h3>
      {#if mine.length}
        <ul class="booked">
          {#each mine.slice(0, 100) as b (b.id)}
            <li data-testid="booking" class:gone={b.state === 'given back'}>
              <b>{momentText(b.from, zone)}</b>
              {b.name || otherInWords(b.number)}
              {#if b.state === 'given back'}<span class="small soft">given back</span>
              {:else}
                <span class="small soft">code {b.code}</span>
                <button
                  class="linkish small"
                  type="button"
                  onclick={() =>
                    void giveBack(b.id, `${momentText(b.from, zone)}, ${b.name || otherInWords(b.number)}`)}
                  >Give it back<span class="visually-hidden"> {momentText(b.from, zone)}</span></button
                >
              {/if}
            </li>
          {/each}
        </ul>
        {#if mine.length > 100}<p class="small">The next 100 of {mine.length} are shown.</p>{/if}
      {:else}<p class="soft">None.</p>{/if}
    </div>
  </div>
  <TakenFile {calendar} />
</section>

<style>
  .head {
    display: flex;
    gap: 10px;
    align-items: baseline;
    flex-wrap: wrap;
  }
  .grow {
    flex: 1;
  }
  h2 {
    font-size: var(--text-title);
    overflow-wrap: anywhere;
  }
  h3 {
    margin: 10px 0 4px;
  }
  .fields {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
    gap: 8px 14px;
    border-bottom: 1px solid var(--rule);
    padding-bottom: 12px;
  }
  .columns {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 28px;
  }
  .free {
    columns: 2;
    padding-left: 18px;
  }
  .booked {
    list-style: none;
    padding: 0;
  }
  .booked li {
    border-bottom: 1px solid var(--rule);
    padding: 5px 0;
    overflow-wrap: anywhere;
  }
  .gone {
    color: var(--ink-soft);
  }
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
    align-items: end;
    margin-top: 8px;
  }
  form > :global(.bx--form-item) {
    flex: 1 1 150px;
  }
  @media (max-width: 1000px) {
    .columns {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
