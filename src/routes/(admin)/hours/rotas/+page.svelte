<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { addDays, localTime } from '$core/hours';
  import { newRota } from '$core/system';
  import RotaCard from '$ui/hours/RotaCard.svelte';
  import { freshId } from '$ui/ids';
  import { theBusiness } from '$ui/window/session.svelte';

  const rotas = $derived(Object.values(theBusiness().system.rotas));

  function add() {
    const { day, date } = localTime(theBusiness().zone, theBusiness().now);
    const name = rotas.length ? `Rota ${rotas.length + 1}` : 'On call';
    theBusiness().edit(`Add the rota ${name}`, [
      { do: 'rota.add', value: newRota({ id: freshId('rota'), name, from: addDays(date, 1 - day) }) },
    ]);
  }
</script>

<svelte:head><title>Rotas · Hours · Upper Line</title></svelte:head>

<h1>Rotas</h1>
<p class="sub">Who is on duty when. A plan rings whoever is on duty at the moment the call comes.</p>
{#each rotas as rota (rota.id)}
  <RotaCard {rota} />
{:else}
  <div class="empty">
    <h2>No rota yet</h2>
    <p>For a night watch or an on-call week: people take turns, and plans ring whoever has it.</p>
  </div>
{/each}
<Button size="small" kind="tertiary" on:click={add}>Add a rota</Button>
