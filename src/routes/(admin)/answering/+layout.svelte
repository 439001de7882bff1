<script lang="ts">
  import type { Snippet } from 'svelte';
  import { ANSWERING_ROOMS } from '$ui/frame/rooms';
  import Rooms from '$ui/frame/Rooms.svelte';

  let { children }: { children: Snippet } = $props();
</script>

<Rooms label="About answering" rooms={ANSWERING_ROOMS} />
{@render children()}
