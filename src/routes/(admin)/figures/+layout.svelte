<script lang="ts">
  import type { Snippet } from 'svelte';
  import { FIGURE_ROOMS } from '$ui/frame/rooms';
  import Rooms from '$ui/frame/Rooms.svelte';

  let { children }: { children: Snippet } = $props();
</script>

<Rooms label="Figures" rooms={FIGURE_ROOMS} />
{@render children()}
