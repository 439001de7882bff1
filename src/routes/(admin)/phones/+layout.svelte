<script lang="ts">
  import type { Snippet } from 'svelte';
  import { PHONE_ROOMS } from '$ui/frame/rooms';
  import Rooms from '$ui/frame/Rooms.svelte';

  let { children }: { children: Snippet } = $props();
</script>

<Rooms label="About phones" rooms={PHONE_ROOMS} />
{@render children()}
