<script lang="ts">
  import { onDestroy } from 'svelte';
  import { writeStereo, decodeUlaw } from '$core/audio';
  import { recordedIn } from '$core/calls';
  import { may } from '$core/people';
  import type { System } from '$core/system';
  import type { CallRecord } from '$workspace';
  import { dateText, durationText, momentText } from '../format';
  import { here, session } from '../window/session.svelte';
  import { localTime } from '$core/hours';
  import Waves from './Waves.svelte';

  interface Props {
    call: CallRecord;
    system: System;
    /** Whose phone this is: they delete what they had recorded; null is a page of whoever runs the system, who deletes all. */
    own?: string | null;
  }
  /** What was recorded of a call: played, taken along as a file of two channels, or deleted for good. */
  let { call, system, own = null }: Props = $props();
  const mayDelete = (kept: Kept) =>
    own === null || kept.by === own || may(system.people[own]?.role ?? 'staff', 'see the system');
  /** It was recorded, and no sound of it was ever kept. */
  const silent = $derived(
    !call.recordings?.length && !call.deleted?.length && recordedIn(call.trace).some((r) => r.spans.length),
  );
  type Kept = NonNullable<CallRecord['recordings']>[number];
  interface Playing {
    /** Which recording. */
    at: number;
    url: string;
    ours: Int16Array;
    theirs: Int16Array;
  }
  let playing = $state.raw<Playing | null>(null);
  let player = $state<HTMLAudioElement>();
  /** Where the player is, in seconds. */
  let position = $state(0);
  let busy = $state(false);
  let sure = $state<number | null>(null);
  const close = () => {
    if (playing) URL.revokeObjectURL(playing.url);
    playing = null;
  };
  onDestroy(close);

  async function play(kept: Kept) {
    busy = true;
    try {
      const { deeds } = here();
      const [ours, theirs] = await Promise.all([
        deeds.callSound(call.id, kept.ours),
        deeds.callSound(call.id, kept.theirs),
      ]);
      if (!ours || !theirs) throw new Error('Its sound is not in this browser.');
      close();
      const both = { ours: decodeUlaw(ours), theirs: decodeUlaw(theirs) };
      const wav = writeStereo(both.ours, both.theirs) as Uint8Array<ArrayBuffer>;
      position = 0;
      playing = { at: kept.at, url: URL.createObjectURL(new Blob([wav], { type: 'audio/wav' })), ...both };
    } catch (error) {
      const detail = error instanceof Error ? error.message : String(error);
      session.say({ kind: 'error', title: 'The recording cannot be played', detail });
    }
    busy = false;
  }
  async function remove(kept: Kept) {
    try {
      await here().deeds.deleteRecording(call.id, kept.at);
      close();
      session.say({ kind: 'success', title: 'The recording is deleted for good' });
    } catch (error) {
      const detail = error instanceof Error ? error.message : String(error);
      session.say({ kind: 'error', title: 'The recording is not deleted', detail });
    }
    sure = null;
  }
  const who = (kept: Kept) => (kept.by ? `by ${system.people[kept.by]?.name ?? 'somebody'}` : 'by rule');
  const told = (kept: Kept) => (kept.consent === 'all' ? 'everybody was told' : 'one may agree there');
</script>

{#each call.recordings ?? [] as kept (kept.at)}
  <div class="kept small" data-testid="call-sound">
    <span
      >Recorded {momentText(kept.at, here().zone)}, {durationText(kept.seconds * 1000)}, {who(kept)}; {told(
        kept,
      )}{kept.cut ? '; cut short' : ''}{kept.until === null
        ? ''
        : `; kept until ${dateText(localTime(here().zone, kept.until).date)}`}.</span
    >
    {#if playing?.at === kept.at}
      <Waves
        ours={playing.ours}
        theirs={playing.theirs}
        seconds={kept.seconds}
        at={position}
        onseek={(seconds) => player && (player.currentTime = seconds)}
      />
      <audio
        controls
        autoplay
        src={playing.url}
        bind:this={player}
        ontimeupdate={() => (position = player?.currentTime ?? 0)}><track kind="captions" /></audio
      >
      <a href={playing.url} download="call-{call.id}.wav">Download, ours left, theirs right</a>
    {:else}
      <button class="linkish" type="button" disabled={busy} onclick={() => void play(kept)}>Listen</button>
    {/if}
    {#if kept.said?.length}
      <ul class="said">
        {#each kept.said as s, i (i)}<li>{s.by}: “{s.text}”</li>{/each}
      </ul>
    {/if}
    {#if sure === kept.at}
      <button class="linkish" type="button" onclick={() => void remove(kept)}
        >Delete it for good: it cannot be brought back</button
      >
      <button class="linkish" type="button" onclick={() => (sure = null)}>Keep it</button>
    {:else if mayDelete(kept)}
      <button class="linkish" type="button" onclick={() => (sure = kept.at)}>Delete…</button>
    {/if}
  </div>
{/each}
{#each call.deleted ?? [] as gone (gone.recordedAt)}
  <p class="kept small soft">
    A recording of {durationText(gone.seconds * 1000)} was deleted {momentText(gone.at, here().zone)}, by {gone.by}.
  </p>
{/each}
{#if silent}
  <p class="kept small">
    It was recorded, and no sound of it was kept: the phone it was recorded on was no window of this browser,
    or its window was closed by force.
  </p>
{/if}

<style>
  .kept {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 12px;
    align-items: center;
    border-left: 3px solid var(--copper);
    padding-left: 10px;
    margin: 6px 0;
    grid-column: 1 / -1;
  }
  .said {
    flex-basis: 100%;
    list-style: none;
    margin: 0;
    padding: 0;
  }
  audio {
    width: 100%;
    height: 34px;
  }
</style>
