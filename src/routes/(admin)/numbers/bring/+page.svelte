<script lang="ts">
  import { page } from '$app/state';
  import PortCard from '$ui/numbers/getting/PortCard.svelte';
  import PortForm from '$ui/numbers/getting/PortForm.svelte';
  import { theBusiness } from '$ui/window/session.svelte';

  const ports = $derived([...theBusiness().view.dealings.ports].reverse());
</script>

<svelte:head><title>Bring a number over · Upper Line</title></svelte:head>

<div class="columns">
  <section>
    <h1>Bring a number over</h1>
    <p class="sub">
      The number you have had for years moves here. Callers notice nothing: until it moves they reach your
      present provider, from then on the plan you give it here.
    </p>
    {#if !ports.length}
      <div class="empty">
        <h2>Nothing is on its way</h2>
        <p>Have the last bill at hand: account number, name and address must be as they stand there.</p>
      </div>
    {/if}
    {#each ports as port (port.id)}<div id={port.id} class:here={page.url.hash.slice(1) === port.id}>
        <PortCard {port} />
      </div>{/each}
  </section>
  <aside>
    <div class="card warning">
      <h2>Do not cancel the old line</h2>
      <p>
        A line that is cancelled before its number has moved loses the number. The old line ends by itself
        when the number moves; pay it until then.
      </p>
    </div>
    <PortForm />
  </aside>
</div>

<style>
  .warning {
    border: 2px solid var(--alarm);
    background: var(--alarm-wash);
  }
  .warning p {
    margin: 0;
  }
</style>
