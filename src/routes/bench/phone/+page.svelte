<script lang="ts">
  import { onMount } from 'svelte';
  import { replaceState } from '$app/navigation';
  import { page } from '$app/state';
  import { demonstration } from '$demo/lantern-cove';
  import OutsidePhone from '$ui/phone/outside/OutsidePhone.svelte';
  import Trouble from '$ui/data/Trouble.svelte';
  import { session } from '$ui/window/session.svelte';

  const business = page.url.searchParams.get('business') ?? undefined;
  const dial = page.url.searchParams.get('dial') ?? '';
  onMount(() => {
    void session.start(() => demonstration(Date.now()), business);
    // Whoever loads the page again does not mean to call again.
    if (dial) replaceState(`?business=${encodeURIComponent(business ?? '')}`, {});
  });
</script>

<svelte:head><title>Outside phone · Upper Line bench</title></svelte:head>

<div class="phone">
  {#if session.trouble}<Trouble trouble={session.trouble} />{:else if session.business?.view}<OutsidePhone
      {dial}
    />{/if}
</div>

<style>
  .phone {
    max-width: 460px;
    margin: 0 auto;
    min-height: 100vh;
  }
</style>
