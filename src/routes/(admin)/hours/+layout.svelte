<script lang="ts">
  import type { Snippet } from 'svelte';
  import { HOURS_ROOMS } from '$ui/frame/rooms';
  import Rooms from '$ui/frame/Rooms.svelte';

  let { children }: { children: Snippet } = $props();
</script>

<Rooms label="About hours" rooms={HOURS_ROOMS} />
{@render children()}
