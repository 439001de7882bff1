<script lang="ts">
  import type { Snippet } from 'svelte';
  import { ANSWERING_ROOMS } from '$ui/rooms';
  import Rooms from '$ui/Rooms.svelte';

  let { children }: { children: Snippet } = $props();
</script>

<Rooms label="About answering" rooms={ANSWERING_ROOMS} />
{@render children()}
