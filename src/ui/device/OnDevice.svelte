<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { onMount } from 'svelte';
  import { newVersion } from '../data/new-version.svelte';
  import { readSharing } from '../phones/apart/sharing';

  /** What this browser lets the phone be: on the home screen, without a network, brought up to date; and what stands in the way. */
  let {
    settled,
  }: {
    /** It is a phone already. */
    settled: boolean;
  } = $props();
  /** The browser offers to put it on the home screen; not in every standard yet. */
  interface Offer extends Event {
    prompt(): Promise<unknown>;
  }
  let offer = $state.raw<Offer | null>(null);
  let fingerprint = $state('');
  onMount(() => {
    const take = (event: Event) => {
      event.preventDefault();
      offer = event as Offer;
    };
    window.addEventListener('beforeinstallprompt', take);
    return () => window.removeEventListener('beforeinstallprompt', take);
  });
  const untrusted = $derived(!newVersion.kept && globalThis.location?.protocol === 'https:');
  $effect(() => {
    if (untrusted) void readSharing().then((s) => (fingerprint = s?.fingerprint ?? ''));
  });
  async function install() {
    await offer?.prompt();
    offer = null;
  }
</script>

{#if settled && offer}
  <p class="bar">
    It can stand on the home screen.
    <Button size="small" kind="tertiary" on:click={() => void install()}>Put it there</Button>
  </p>
{/if}
{#if newVersion.waiting}
  <p class="bar" role="status">
    A newer version is there. <button class="linkish" type="button" onclick={() => newVersion.use()}
      >Use it now</button
    >; a call that goes on would end.
  </p>
{/if}
{#if untrusted}
  <details class="bar" data-testid="untrusted">
    <summary
      >This browser does not trust the server yet: it works as a page, and neither without it nor on the home
      screen.</summary
    >
    <p class="small">
      <a href="/api/share/authority" data-sveltekit-reload>Load the certificate of its authority</a>, and tell
      this device to trust it. Compare the fingerprint first with what the server's machine shows{fingerprint
        ? ':'
        : '.'}
      {#if fingerprint}<code>{fingerprint}</code>{/if}
    </p>
  </details>
{/if}

<style>
  .bar {
    margin: 0;
    padding: 8px 14px;
    border-bottom: 1px solid var(--rule);
    background: var(--white, #fffdf9);
    display: block;
  }
  code {
    overflow-wrap: anywhere;
  }
</style>
