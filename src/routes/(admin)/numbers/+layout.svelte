<script lang="ts">
  import type { Snippet } from 'svelte';
  import { NUMBER_ROOMS } from '$ui/frame/rooms';
  import Rooms from '$ui/frame/Rooms.svelte';

  let { children }: { children: Snippet } = $props();
</script>

<Rooms label="About numbers" rooms={NUMBER_ROOMS} />
{@render children()}
