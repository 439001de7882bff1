<script lang="ts">
  import type { Snippet } from 'svelte';
  import { MESSAGE_ROOMS } from '$ui/rooms';
  import Rooms from '$ui/Rooms.svelte';

  let { children }: { children: Snippet } = $props();
</script>

<Rooms label="About messages" rooms={MESSAGE_ROOMS} />
{@render children()}
