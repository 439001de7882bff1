<script lang="ts">
  import { RECORDING_NOTICE, type System } from '$core/system';
  import type { LiveCall } from '$exchange';
  import { samplesOf } from '../../recordings/maker';
  import { player } from '../../recordings/player.svelte';
  import { here } from '../../window/session.svelte';

  /** What the system says to all in a talk: that it is recorded. Heard in every window of it, and shown while it is said. */
  let { call, system }: { call: LiveCall | undefined; system: System } = $props();
  const said = $derived.by(() => {
    const notice = call?.trace.findLast((e) => e.kind === 'record notice');
    if (!call || notice?.kind !== 'record notice') return null;
    return here().now - call.request.at < notice.t + notice.ms ? notice : null;
  });
  const recording = $derived(
    said &&
      (system.recordings[said.recordingId ?? ''] ?? {
        id: 'record notice',
        name: 'record notice',
        text: RECORDING_NOTICE,
      }),
  );
  const key = $derived(said && call ? `${call.request.id} ${said.t}` : '');
  $effect(() => {
    const wanted = key;
    if (!wanted || !recording) return;
    const spoken = recording;
    void samplesOf(spoken).then((samples) => {
      // By then it may be over.
      if ('ulaw' in samples && key === wanted) void player.play(wanted, samples.ulaw);
    });
    return () => player.stop();
  });
</script>

{#if recording}<p class="soft" role="status" data-testid="talk-notice">“{recording.text}”</p>{/if}
