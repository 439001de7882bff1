<script lang="ts">
  import type { Snippet } from 'svelte';
  import { FIGURE_ROOMS } from '$ui/rooms';
  import Rooms from '$ui/Rooms.svelte';

  let { children }: { children: Snippet } = $props();
</script>

<Rooms label="Figures" rooms={FIGURE_ROOMS} />
{@render children()}
