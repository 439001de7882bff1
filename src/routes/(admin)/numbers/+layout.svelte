<script lang="ts">
  import type { Snippet } from 'svelte';
  import { NUMBER_ROOMS } from '$ui/rooms';
  import Rooms from '$ui/Rooms.svelte';

  let { children }: { children: Snippet } = $props();
</script>

<Rooms label="About numbers" rooms={NUMBER_ROOMS} />
{@render children()}
