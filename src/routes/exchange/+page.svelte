<script lang="ts">
  import { onMount } from 'svelte';
  import { demonstration } from '$demo/lantern-cove';
  import ExchangeWindow from '$ui/exchange-window/ExchangeWindow.svelte';
  import Notices from '$ui/frame/Notices.svelte';
  import Trouble from '$ui/Trouble.svelte';
  import { session } from '$ui/window/session.svelte';

  onMount(() => void session.start(() => demonstration(Date.now())));
</script>

<svelte:head><title>The exchange · Upper Line</title></svelte:head>

<Notices />
{#if session.trouble}<Trouble trouble={session.trouble} />
{:else if session.business?.view}{#key session.business.view.business.id}<ExchangeWindow />{/key}
{:else}<p class="soft">Opening…</p>{/if}
