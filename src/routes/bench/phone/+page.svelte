<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import { demonstration } from '$demo/lantern-cove';
  import OutsidePhone from '$ui/phone/outside/OutsidePhone.svelte';
  import Trouble from '$ui/Trouble.svelte';
  import { session } from '$ui/window/session.svelte';

  onMount(
    () =>
      void session.start(() => demonstration(Date.now()), page.url.searchParams.get('business') ?? undefined),
  );
</script>

<svelte:head><title>Outside phone · Upper Line bench</title></svelte:head>

<div class="phone">
  {#if session.trouble}<Trouble trouble={session.trouble} />{:else if session.business?.view}<OutsidePhone
    />{/if}
</div>

<style>
  .phone {
    max-width: 460px;
    margin: 0 auto;
    min-height: 100vh;
  }
</style>
