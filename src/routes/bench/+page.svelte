<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import { demonstration } from '$demo/lantern-cove';
  import Bench from '$ui/bench/Bench.svelte';
  import Notices from '$ui/frame/Notices.svelte';
  import Trouble from '$ui/data/Trouble.svelte';
  import { session } from '$ui/window/session.svelte';

  onMount(
    () =>
      void session.start(() => demonstration(Date.now()), page.url.searchParams.get('business') ?? undefined),
  );
</script>

<svelte:head><title>Bench · Upper Line</title></svelte:head>

{#if session.trouble}<Trouble trouble={session.trouble} />{:else if session.business?.view}
  <Notices />
  <Bench open alone />
{/if}
