<script lang="ts">
  import type { PhoneDesk } from '../desk.svelte';

  /** Says that one thing is shown alone, which words of a colleague pointed to, and leads back to all. */
  let { desk, all }: { desk: PhoneDesk; all: string } = $props();
</script>

<p class="small" data-testid="pointed">
  What was meant: {desk.pointed?.words}.
  <button class="linkish" type="button" onclick={() => (desk.pointed = null)}>{all}</button>
</p>
