<script lang="ts">
  import { onDestroy, onMount } from 'svelte';
  import type { PhoneCall } from '$core/phone';
  import { KNOCK, playCadence } from '../sounds/tones';

  /** A second call knocks while this phone is in one: it stands above everything. */
  let {
    call,
    onanswer,
    ondecline,
  }: { call: PhoneCall | undefined; onanswer: () => void; ondecline: () => void } = $props();
  let stop = () => {};
  onMount(() => (stop = playCadence(KNOCK)));
  onDestroy(() => stop());
</script>

{#if call}
  <div class="knock" role="alertdialog" aria-label="Another call" data-testid="knocking">
    <p>
      <b>{call.others.find((o) => o.is === 'waits')?.name ?? 'Somebody'}</b>
      <span>{call.line}{call.passedBy ? ` · from ${call.passedBy}` : ''}</span>
      {#if call.ahead}<span>{call.ahead}</span>{/if}
    </p>
    <div>
      <button type="button" class="strong" onclick={onanswer}>Answer, hold the other</button>
      <button type="button" onclick={ondecline}>Not now</button>
    </div>
  </div>
{/if}

<style>
  .knock {
    position: sticky;
    top: 0;
    z-index: 9;
    background: var(--copper-wash);
    border-bottom: 2px solid var(--copper);
    padding: 12px 18px;
  }
  p {
    margin: 0 0 8px;
  }
  span {
    display: block;
    color: var(--ink-soft);
    font-size: var(--text-body);
  }
  div > div {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 8px;
  }
  button {
    min-height: 48px;
    border: 1px solid var(--rule);
    background: var(--sheet);
    color: var(--ink);
    font: inherit;
    font-weight: 600;
    cursor: pointer;
  }
  button.strong {
    background: var(--night);
    color: var(--on-solid);
  }
</style>
