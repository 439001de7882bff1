<script lang="ts">
  import type { Snippet } from 'svelte';
  import { MESSAGE_ROOMS } from '$ui/frame/rooms';
  import Rooms from '$ui/frame/Rooms.svelte';

  let { children }: { children: Snippet } = $props();
</script>

<Rooms label="About messages" rooms={MESSAGE_ROOMS} />
{@render children()}
