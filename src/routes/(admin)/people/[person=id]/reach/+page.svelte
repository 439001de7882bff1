<script lang="ts">
  import { page } from '$app/state';
  import Reach from '$ui/reach/Reach.svelte';
  import { theBusiness } from '$ui/window/session.svelte';

  const id = $derived(page.params.person ?? '');
  const person = $derived(theBusiness().settable.people[id]);
</script>

<svelte:head><title>{person ? `How ${person.name} is reached` : 'People'} · Upper Line</title></svelte:head>

{#if !person}
  <h1>Nobody is here</h1>
  <p class="sub">This person was removed. <a href="/people">Everybody</a></p>
{:else if theBusiness().may('change the system') || theBusiness().actor === person.id}
  <h1>How {person.name} is reached <span class="soft">· {person.extension}</span></h1>
  <p class="sub">
    It holds at once, whoever sets it; of two settings the later one holds. <a href="/people/{person.id}"
      >{person.name}</a
    >
  </p>
  {#key person.id}<Reach {person} />{/key}
{:else}
  <h1>How {person.name} is reached</h1>
  <p class="sub">Only {person.name} and whoever does the phones may see this.</p>
{/if}
