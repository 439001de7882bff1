<script lang="ts">
  import { onDestroy, untrack } from 'svelte';
  import { encodeUlaw, holdMusic } from '$core/audio';
  import type { System } from '$core/system';
  import type { LiveCall } from '$exchange';
  import { samplesOf } from '../../recordings/maker';
  import { player } from '../../recordings/player.svelte';
  import { here } from '../../window/session.svelte';
  import { heardNow } from '$core/phone';

  /** Plays what the caller hears, as the telephone carries it. Shows nothing: the words stand elsewhere. */
  let { call, system }: { call: LiveCall | null; system: System } = $props();
  const heard = $derived(call && heardNow(call, system, here().now, here().messages));
  const key = $derived(heard?.key ?? '');
  let wanted = '';
  let playback: HTMLAudioElement | null = null;

  $effect(() => {
    wanted = key;
    playback?.pause();
    playback = null;
    if (!key) return player.stop();
    // Only another key is something else: the time that goes on is not.
    const { recording, message, made, loop } = untrack(() => heard)!;
    if (message) {
      player.stop();
      void untrack(here)
        .deeds.messageSound(message)
        .then((url) => {
          if (!url || wanted !== key) return;
          playback = new Audio(url);
          return playback.play();
        })
        .catch(() => {});
      return;
    }
    if (made) {
      void player.play(key, encodeUlaw(Int16Array.from(holdMusic(), (s) => s * 32_767)), { loop });
      return;
    }
    if (!recording) return;
    void samplesOf(recording).then((samples) => {
      // By then something else may have begun.
      if ('ulaw' in samples && wanted === key) void player.play(key, samples.ulaw, { loop });
    });
  });
  onDestroy(() => {
    playback?.pause();
    player.stop();
  });
</script>

<span data-testid="caller-sound" data-playing={player.playing} hidden></span>
