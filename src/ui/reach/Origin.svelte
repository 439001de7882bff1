<script lang="ts">
  import { momentText } from '../format';
  import { here } from '../window/session.svelte';

  /** Who set something, where and when; nothing where the administration's word stands. */
  let { stamp }: { stamp: { at: number; by: string } | undefined } = $props();
</script>

{#if stamp}<small>set by {stamp.by}, {momentText(stamp.at, here().zone)}</small>{/if}

<style>
  small {
    display: block;
    color: var(--ink-soft);
    font-size: var(--text-small);
    margin-top: 2px;
  }
</style>
