<script lang="ts">
  import type { Snippet } from 'svelte';
  import { BEGIN_ROOMS } from '$ui/frame/rooms';
  import Rooms from '$ui/frame/Rooms.svelte';

  let { children }: { children: Snippet } = $props();
</script>

<Rooms label="Beginning" rooms={BEGIN_ROOMS} />
{@render children()}
