<script lang="ts">
  import { onMount, type Snippet } from 'svelte';
  import { page } from '$app/state';
  import { demonstration } from '$demo/lantern-cove';
  import Frame from '$ui/frame/Frame.svelte';
  import Trouble from '$ui/Trouble.svelte';
  import { session } from '$ui/session.svelte';

  let { children }: { children: Snippet } = $props();
  /** Screens that plan calls show the rehearsal strip. */
  const strip = $derived(!/^\/(messages|changes|numbers\/.+)$/.test(page.url.pathname));

  onMount(() => void session.start(() => demonstration(Date.now())));
</script>

{#if session.trouble}
  <Trouble trouble={session.trouble} />
{:else if session.view}
  {#key session.view.business.id}
    <Frame {strip}>{@render children()}</Frame>
  {/key}
{:else}
  <p class="opening">Opening…</p>
{/if}

<style>
  .opening {
    padding: 40px;
    color: var(--ink-soft);
  }
</style>
