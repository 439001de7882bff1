<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { startQueue } from '$ui/queues/edits';
  import Nearby from '$ui/drawn/Nearby.svelte';
  import QueueCard from '$ui/queues/QueueCard.svelte';
  import { theBusiness } from '$ui/window/session.svelte';

  const queues = $derived(Object.values(theBusiness().system.queues));
</script>

<svelte:head><title>Queues · Answering · Upper Line</title></svelte:head>

<h1>Queues</h1>
<p class="sub">
  Callers wait in the order they came until one of those who serve the queue is free. Plans share queues; an
  extension makes one reachable inside.
</p>
{#each queues as queue, i (queue.id)}
  <Nearby id={queue.id} name={queue.name} place={i} height={560}><QueueCard {queue} /></Nearby>
{:else}
  <div class="empty">
    <h2>No queue yet</h2>
    <p>
      Where more people call than can be answered at once, a queue lets them wait for the next who is free.
    </p>
  </div>
{/each}
<Button size="small" kind="tertiary" on:click={() => startQueue('Front desk')}>Start a queue</Button>
