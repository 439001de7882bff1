<script lang="ts">
  import { theBusiness } from '../window/session.svelte';
  import { heldOf, heldOfPhone } from './held';

  /** What holds by hand of somebody, or of a phone, in a line; nothing where nothing does. */
  let { personId, phoneId = '' }: { personId: string | null; phoneId?: string } = $props();
  const words = $derived(
    theBusiness().may('see the system')
      ? [...(personId ? heldOf(personId) : []), ...(phoneId ? heldOfPhone(phoneId) : [])]
      : [],
  );
</script>

{#if words.length}<span class="held small" data-testid="held">{words.join('; ')}</span>{/if}

<style>
  .held {
    display: block;
    color: var(--copper);
  }
</style>
