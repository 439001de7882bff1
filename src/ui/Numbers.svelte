<script lang="ts">
  import { here } from './window/session.svelte';
  import { telLink } from './tel';

  /** Numbers that are called by a click. */
  let { numbers, by = ', ' }: { numbers: readonly string[]; by?: string } = $props();
</script>

{#each numbers as n, i (n)}{i ? by : ''}<a href={telLink(n)}>{here().number(n)}</a>{/each}
