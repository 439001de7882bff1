<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import CalendarReader from '$ui/hours/CalendarReader.svelte';
  import ExceptionForm from '$ui/hours/ExceptionForm.svelte';
  import ExceptionRow from '$ui/hours/ExceptionRow.svelte';
  import { exceptionsOf } from '$ui/hours/edits';
  import HolidayPicker from '$ui/hours/HolidayPicker.svelte';
  import YearView from '$ui/hours/YearView.svelte';
  import { inForceOrder } from '$core/hours';
  import { theBusiness } from '$ui/window/session.svelte';
  import SelectItem from '$ui/fields/SelectItem.svelte';

  const sets = $derived(Object.values(theBusiness().system.hours));
  const hours = $derived(sets.find((h) => h.id === page.url.searchParams.get('set')) ?? sets[0]);
  let chosen = $state<{ from: string; to: string } | null>(null);
  const from = $derived(`${theBusiness().today.slice(0, 7)}-01`);
</script>

<svelte:head><title>Year · Hours · Upper Line</title></svelte:head>

<h1>Year and exceptions</h1>
{#if !hours}
  <div class="empty">
    <h2>No hours yet</h2>
    <p><a href="/hours">Write the week first</a>: exceptions are days on which it does not hold.</p>
  </div>
{:else}
  <div class="top">
    <Select
      size="sm"
      inline
      labelText="Hours"
      selected={hours.id}
      on:update={(e) => void goto(`/hours/year?set=${e.detail}`, { keepFocus: true, noScroll: true })}
    >
      {#each sets as h (h.id)}<SelectItem value={h.id} text={h.name} />{/each}
    </Select>
    <CalendarReader {hours} />
  </div>
  <div class="card">
    <YearView {hours} {from} today={theBusiness().today} {chosen} onchoose={(days) => (chosen = days)} />
  </div>
  <div class="columns">
    <section class="card" aria-label="Exceptions">
      <h2>Exceptions of {hours.name}</h2>
      {#each inForceOrder(exceptionsOf(hours)) as exception (exception.id)}
        <ExceptionRow {hours} {exception} />
      {:else}<p class="soft">None yet: every week is like the other.</p>{/each}
      <p class="small soft">Where two fall on a day, the one with fewer days goes first.</p>
    </section>
    <section class="card">
      <h2>Other times on some days</h2>
      <ExceptionForm
        {hours}
        days={chosen ?? { from: theBusiness().today, to: theBusiness().today }}
        ondone={() => (chosen = null)}
      />
    </section>
    <section class="card">
      <h2>Public holidays</h2>
      {#key hours.id}<HolidayPicker {hours} />{/key}
    </section>
  </div>
{/if}

<style>
  .top {
    display: flex;
    justify-content: space-between;
    align-items: center;
    margin: 6px 0 8px;
  }
  .columns {
    display: grid;
    grid-template-columns: 1fr 1fr 1fr;
    gap: 14px;
    align-items: start;
  }
</style>
