<script lang="ts">
  import { page } from '$app/state';
  import PhoneSheet from '$ui/phones/PhoneSheet.svelte';
  import { theBusiness } from '$ui/window/session.svelte';

  const phone = $derived(theBusiness().system.phones[page.params.phone ?? '']);
</script>

<svelte:head><title>{phone?.name ?? 'Phone'} · Phones · Upper Line</title></svelte:head>

{#if phone}
  {#key phone.id}<PhoneSheet {phone} />{/key}
{:else}
  <h1>This phone is no longer here</h1>
  <p class="sub"><a href="/phones">All phones</a></p>
{/if}
