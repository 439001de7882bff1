<script lang="ts">
  import type { Snippet } from 'svelte';
  import { BEGIN_ROOMS } from '$ui/rooms';
  import Rooms from '$ui/Rooms.svelte';

  let { children }: { children: Snippet } = $props();
</script>

<Rooms label="Beginning" rooms={BEGIN_ROOMS} />
{@render children()}
