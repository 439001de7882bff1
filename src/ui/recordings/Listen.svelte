<script lang="ts">
  import type { Recording } from '$core/system';
  import { samplesOf } from './maker';
  import { player } from './player.svelte';

  /** Plays a recording as a caller hears it. One without a sound is spoken first. */
  let { recording }: { recording: Recording } = $props();
  let busy = $state(false);
  let problem = $state('');
  const playing = $derived(player.playing === recording.id);

  async function listen() {
    if (playing) return player.stop();
    busy = true;
    problem = '';
    const samples = await samplesOf(recording).finally(() => (busy = false));
    if ('message' in samples) problem = samples.message;
    else await player.play(recording.id, samples.ulaw);
  }
</script>

<button
  class="linkish"
  type="button"
  disabled={busy}
  aria-label="{playing ? 'Stop' : 'Listen to'} {recording.name}"
  onclick={() => void listen()}>{busy ? 'One moment…' : playing ? 'Stop' : 'Listen'}</button
>
{#if problem}<span class="problem small" role="alert">{problem}</span>{/if}
