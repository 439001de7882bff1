<script lang="ts">
  import RoundCard from '$ui/by-itself/RoundCard.svelte';
  import RoundForm from '$ui/by-itself/RoundForm.svelte';
  import { theBusiness } from '$ui/window/session.svelte';

  const rounds = $derived(theBusiness().view.rounds.toReversed());
</script>

<svelte:head><title>Texts to many · By itself · Upper Line</title></svelte:head>

<h1>Texts to many</h1>
<p class="sub">
  One text to many people: each is seen before it goes, in the hours of their place, to those who agreed, as
  fast as the carrier takes them.
</p>
<RoundForm />
{#each rounds as round (round.id)}
  <RoundCard {round} />
{:else}
  <p class="soft">No round was sent yet.</p>
{/each}
