<script lang="ts">
  import type { Snippet } from 'svelte';
  import { GOING_ROOMS } from '$ui/rooms';
  import Rooms from '$ui/Rooms.svelte';

  let { children }: { children: Snippet } = $props();
</script>

<Rooms label="How it goes" rooms={GOING_ROOMS} />
{@render children()}
