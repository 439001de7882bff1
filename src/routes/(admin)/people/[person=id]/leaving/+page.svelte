<script lang="ts">
  import { page } from '$app/state';
  import Leaving from '$ui/people/Leaving.svelte';
  import { theBusiness } from '$ui/window/session.svelte';

  const person = $derived(theBusiness().system.people[page.params.person ?? '']);
</script>

<svelte:head><title>{person ? `${person.name} leaves · ` : ''}Upper Line</title></svelte:head>

{#if person}
  {#key person.id}<Leaving {person} />{/key}
{:else}
  <h1>Nobody is here</h1>
  <p class="sub">This person was removed. <a href="/people">Everybody</a></p>
{/if}
