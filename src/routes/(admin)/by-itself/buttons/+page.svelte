<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { newButton } from '$core/system';
  import ButtonCard from '$ui/buttons/ButtonCard.svelte';
  import { freshId } from '$ui/ids';
  import { freeName } from '$ui/parted';
  import { theBusiness } from '$ui/window/session.svelte';

  const system = $derived(theBusiness().system);
  const all = $derived(Object.values(system.buttons));
  function add() {
    const name = freeName(
      'Button on the site',
      all.map((b) => b.name),
    );
    const value = newButton({ id: freshId('button'), name }, system);
    theBusiness().edit(`Call button: ${value.name}`, [{ do: 'call button.add', value }]);
  }
</script>

<svelte:head><title>Call buttons · By itself · Upper Line</title></svelte:head>

<h1>Call buttons</h1>
<p class="sub">
  For your own site: a visitor calls from the page through the plan of a number, asks to be called back, or
  books a time. No script of ours runs in your page, and without any the number beside it is dialled.
</p>
{#each all as button (button.id)}
  <ButtonCard {button} />
{:else}
  <div class="empty">
    <h2>No button yet</h2>
    <p>Make one: you see how it looks and whether it can be read before anything is copied.</p>
  </div>
{/each}
<Button size="small" kind="tertiary" on:click={add}>Make a button</Button>
