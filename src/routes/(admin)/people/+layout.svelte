<script lang="ts">
  import type { Snippet } from 'svelte';
  import { PEOPLE_ROOMS } from '$ui/frame/rooms';
  import Rooms from '$ui/frame/Rooms.svelte';
  import { theBusiness } from '$ui/window/session.svelte';

  let { children }: { children: Snippet } = $props();
</script>

{#if theBusiness().may('see the system')}<Rooms label="About people" rooms={PEOPLE_ROOMS} />{/if}
{@render children()}
