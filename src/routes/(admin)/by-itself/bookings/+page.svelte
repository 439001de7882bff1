<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import type { BookingCalendar } from '$core/system';
  import CalendarCard from '$ui/by-itself/CalendarCard.svelte';
  import { freshId } from '$ui/ids';
  import { freeName } from '$ui/parted';
  import { theBusiness } from '$ui/window/session.svelte';

  const system = $derived(theBusiness().system);
  const all = $derived(Object.values(system.calendars));
  function add() {
    const name = freeName(
      'Appointments',
      all.map((c) => c.name),
    );
    const value: BookingCalendar = {
      id: freshId('calendar'),
      name,
      hoursId: Object.keys(system.hours)[0] ?? null,
      minutes: 60,
      gapMinutes: 0,
      atOnce: 1,
      leadMinutes: 120,
      horizonDays: 30,
      personId: theBusiness().actor || null,
    };
    theBusiness().edit(`Calendar: ${value.name}`, [{ do: 'calendar.add', value }]);
  }
</script>

<svelte:head><title>Appointments · By itself · Upper Line</title></svelte:head>

<h1>Appointments</h1>
<p class="sub">
  What is free goes by your hours. A <a href="/by-itself/dialogues">dialogue by text</a> offers the times and books
  one; whoever has one gives it back or moves it by its code, and no time is given to two.
</p>
{#each all as calendar (calendar.id)}
  <CalendarCard {calendar} />
{:else}
  <div class="empty">
    <h2>No calendar yet</h2>
    <p>
      Make one: its free times follow from hours, from how long an appointment takes, and from what is taken.
    </p>
  </div>
{/each}
<Button size="small" kind="tertiary" on:click={add}>Make a calendar</Button>
