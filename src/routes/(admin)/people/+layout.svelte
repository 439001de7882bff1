<script lang="ts">
  import type { Snippet } from 'svelte';
  import { PEOPLE_ROOMS } from '$ui/rooms';
  import Rooms from '$ui/Rooms.svelte';

  let { children }: { children: Snippet } = $props();
</script>

<Rooms label="About people" rooms={PEOPLE_ROOMS} />
{@render children()}
