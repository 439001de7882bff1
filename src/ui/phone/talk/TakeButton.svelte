<script lang="ts">
  import type { Snippet } from 'svelte';

  /** What is done with a call that is shown in a row of its own: large enough for a finger. */
  let { onclick, children }: { onclick: () => void; children: Snippet } = $props();
</script>

<button type="button" {onclick}>{@render children()}</button>

<style>
  button {
    min-height: 44px;
    min-width: 92px;
    border: 1px solid var(--rule);
    background: var(--sheet);
    color: var(--ink);
    font: inherit;
    font-weight: 600;
    cursor: pointer;
  }
</style>
