<script lang="ts">
  import type { Snippet } from 'svelte';
  import { HOURS_ROOMS } from '$ui/rooms';
  import Rooms from '$ui/Rooms.svelte';

  let { children }: { children: Snippet } = $props();
</script>

<Rooms label="About hours" rooms={HOURS_ROOMS} />
{@render children()}
