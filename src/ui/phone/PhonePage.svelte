<script lang="ts">
  import type { Snippet } from 'svelte';

  /** The page of a phone: as wide as one, or a desk where there is room for it. */
  let { children }: { children: Snippet } = $props();
</script>

<div class="phone">{@render children()}</div>

<style>
  .phone {
    max-width: 460px;
    margin: 0 auto;
    min-height: 100vh;
    background: var(--paper);
  }
  @media (min-width: 860px) {
    .phone:has(:global(.desk)) {
      max-width: 1240px;
    }
  }
  .phone :global(.pad) {
    padding: 18px;
  }
</style>
