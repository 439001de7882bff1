<script lang="ts">
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { handOver } from '$ui/phone/links';
  import { lastPhone } from '$ui/phone/own-phone.svelte';

  /** A link to a number was followed: it goes to the phone of this browser that was open last, which calls when that is said. */
  let none = $state(false);
  const to = $derived(page.url.searchParams.get('to') ?? '');
  let taken = $state(false);
  onMount(async () => {
    const last = lastPhone();
    if (!last) return void (none = true);
    if (await handOver(last.phoneId, to)) {
      taken = true;
      // A window that a page opened may close itself; one that the browser opened stays, and says where to look.
      window.close();
      return;
    }
    const query = new URLSearchParams({ business: last.businessId, as: last.phoneId, call: to });
    void goto(`/phone?${query}`, { replaceState: true });
  });
</script>

<svelte:head><title>Call a number · Upper Line</title></svelte:head>

{#if taken}
  <main>
    <h1>Your phone’s window has the number</h1>
    <p>It is open already: look there. This window can be closed.</p>
  </main>
{:else if none}
  <main>
    <h1>No phone is set up in this browser</h1>
    <p>There is nothing to call {to.replace(/^tel:/i, '')} from. <a href="/phone">Set up a phone</a></p>
  </main>
{/if}

<style>
  main {
    max-width: 460px;
    margin: 18px auto;
    padding: 0 18px;
  }
</style>
