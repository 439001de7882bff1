<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { EXAMPLE_SPANS, writeSpans } from '$core/hours';
  import { momentText } from '$ui/format';
  import HoursCard from '$ui/hours/HoursCard.svelte';
  import { freshId } from '$ui/ids';
  import { theBusiness } from '$ui/window/session.svelte';

  const sets = $derived(Object.values(theBusiness().system.hours));

  function add() {
    const id = freshId('hours');
    const weekly = [1, 2, 3, 4, 5].map((day) => ({ day, from: 480, to: 1020, kind: 'Open' }));
    const name = sets.length ? `Hours ${sets.length + 1}` : 'Office hours';
    theBusiness().edit(`Add ${name}`, [{ do: 'hours.add', value: { id, name, timeZone: null, weekly } }]);
  }
</script>

<svelte:head><title>Hours · Upper Line</title></svelte:head>

<h1>Hours</h1>
<p class="sub">
  Type each day's times, {writeSpans(EXAMPLE_SPANS)}, or drag them in the strip. Empty is closed. Plans ask
  these hours when a call reaches them. It is {momentText(theBusiness().now, theBusiness().zone)}.
</p>
{#each sets as hours (hours.id)}
  <HoursCard {hours} />
{:else}
  <div class="empty">
    <h2>No hours yet</h2>
    <p>Without hours every plan does the same day and night.</p>
  </div>
{/each}
<Button size="small" kind="tertiary" on:click={add}>Add hours</Button>
