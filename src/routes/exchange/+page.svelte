<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import { demonstration } from '$demo/lantern-cove';
  import { readMove, type MoveLink } from '$exchange/moving/words';
  import ExchangeWindow from '$ui/exchange-window/ExchangeWindow.svelte';
  import Notices from '$ui/frame/Notices.svelte';
  import Trouble from '$ui/data/Trouble.svelte';
  import { forgetFragment } from '$ui/window/secret';
  import { session } from '$ui/window/session.svelte';

  /** A link that moves the exchange here was opened. */
  let move = $state.raw<MoveLink | null>(null);
  const begin = () => session.start(() => demonstration(Date.now()));
  onMount(() => {
    move = readMove(page.url.hash) ?? null;
    if (!move) return void begin();
    forgetFragment();
  });
  function taken() {
    move = null;
    void begin();
  }
</script>

<svelte:head><title>The exchange · Upper Line</title></svelte:head>

<Notices />
{#if move}
  {#await import('$ui/exchange-window/TakeOver.svelte') then { default: TakeOver }}<TakeOver
      link={move}
      ontaken={taken}
    />{/await}
{:else if session.trouble}<Trouble trouble={session.trouble} />
{:else if session.business?.view}{#key session.business.view.business.id}<ExchangeWindow />{/key}
{:else}<p class="soft">Opening…</p>{/if}
