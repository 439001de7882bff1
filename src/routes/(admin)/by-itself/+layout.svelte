<script lang="ts">
  import type { Snippet } from 'svelte';
  import { BY_ITSELF_ROOMS } from '$ui/frame/rooms';
  import Rooms from '$ui/frame/Rooms.svelte';

  let { children }: { children: Snippet } = $props();
</script>

<Rooms label="About what happens by itself" rooms={BY_ITSELF_ROOMS} />
{@render children()}
