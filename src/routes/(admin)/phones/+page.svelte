<script lang="ts">
  import PhoneList from '$ui/phones/PhoneList.svelte';
  import { theBusiness } from '$ui/window/session.svelte';
</script>

<svelte:head><title>Phones · Upper Line</title></svelte:head>

<h1>Phones</h1>
<p class="sub">Every phone that calls can ring. Those with a problem stand first.</p>
{#if Object.keys(theBusiness().system.phones).length}
  <PhoneList />
{:else}
  <div class="empty">
    <h2>No phones yet</h2>
    <p>Each person you add gets a browser softphone. <a href="/people">Add a person</a>.</p>
  </div>
{/if}
