<script lang="ts">
  import { onMount } from 'svelte';
  import { AHEAD_DAYS, LOOKED_AT_DAYS, recordingRoom } from '$core/costs';
  import { keeping } from '../../data/keeping.svelte';
  import { bytesText, durationText } from '../../format';
  import { theBusiness } from '../../window/session.svelte';

  /** Whether what is recorded finds room in this browser. */
  let { keepDays }: { keepDays: number | null } = $props();
  onMount(() => void keeping.look());
  const recordings = $derived(theBusiness().view.calls.flatMap((c) => c.recordings ?? []));
  const ahead = $derived(recordingRoom(recordings, keepDays, theBusiness().now));
  const left = $derived(keeping.room && Math.max(0, keeping.room.of - keeping.room.used));
  const short = $derived(left !== null && ahead.needs > left);
</script>

{#if ahead.seconds}
  <p class="small" class:short role={short ? 'alert' : undefined} data-testid="recording-room">
    {durationText(ahead.seconds * 1000)} were recorded in {LOOKED_AT_DAYS} days. At that rate {AHEAD_DAYS} days
    need
    {bytesText(ahead.needs)} more{#if left !== null}; this browser has {bytesText(left)} left{/if}.{#if short}&nbsp;That
      is not enough: keep them for fewer days, or record less.{/if}
  </p>
{/if}

<style>
  p {
    margin: 0;
  }
  .short {
    color: var(--alarm);
  }
</style>
