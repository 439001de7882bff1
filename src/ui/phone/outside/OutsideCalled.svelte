<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { onDestroy, untrack } from 'svelte';
  import { hears, isOurs, listed, outsidePhone, whoseName } from '$core/calls';
  import { profileOf, writeNumber } from '$core/numbering';
  import type { System } from '$core/system';
  import { outsideLock } from '$exchange';
  import { durationText } from '../../format';
  import { samplesOf } from '../../recordings/maker';
  import { player } from '../../recordings/player.svelte';
  import { theBusiness } from '../../window/session.svelte';
  import Keypad from '../Keypad.svelte';
  import TalkNotice from '../talk/TalkNotice.svelte';
  import OutsideWords from './OutsideWords.svelte';
  import type { OwnVoice } from '../sounds/voice.svelte';
  import { hold } from '$exchange';
  import type { Line } from '../line.svelte';
  import { playCadence } from '../sounds/tones';

  /** This window as the outside phone with its number: it rings when somebody of the business calls there. */
  let {
    number,
    line,
    system,
    voice,
    busy = $bindable(false),
  }: { number: string; line: Line; system: System; voice: OwnVoice; busy?: boolean } = $props();
  const phone = $derived(outsidePhone(number));
  $effect(() => hold(outsideLock(number)));

  const ringing = $derived(
    line.calls.find((c) =>
      c.legs.some((l) => l.phone === phone && (l.state === 'sounding' || l.state === 'confirming')),
    ),
  );
  const talking = $derived(line.calls.find((c) => c.ends.some((e) => e.phone === phone)));
  const call = $derived(talking ?? ringing);
  $effect(() => {
    busy = call !== undefined;
  });
  $effect(() => {
    if (call) voice.update(phone, line.calls);
  });
  /** What this phone is shown: a number of the business, or none. */
  const sees = $derived.by(() => {
    const shown = call?.trace.findLast((e) => e.kind === 'goes out' || e.kind === 'shown');
    if (shown?.kind === 'goes out')
      return shown.shows
        ? `${shown.shows.name} ${writeNumber(shown.shows.e164, system.business.country)}`.trim()
        : 'a hidden number';
    if (shown?.kind === 'shown')
      return shown.number ? writeNumber(shown.number, system.business.country) : 'a hidden number';
    return 'a number of the business';
  });
  /** What is said first, for as long as it is said. */
  const announced = $derived.by(() => {
    const said = talking?.trace.findLast((e) => e.kind === 'announced' && e.phone === phone);
    if (!talking || said?.kind !== 'announced') return null;
    return theBusiness().now - talking.request.at < said.t + said.ms ? said : null;
  });
  const announcedId = $derived(announced?.recordingId);
  $effect(() => {
    const recording = announcedId ? untrack(() => system).recordings[announcedId] : undefined;
    if (!recording) return;
    void samplesOf(recording).then((samples) => {
      if ('ulaw' in samples && announcedId) void player.play(recording.id, samples.ulaw);
    });
    return () => player.stop();
  });
  const heard = $derived.by(() => {
    if (announced) return `“${system.recordings[announced.recordingId]?.text ?? ''}”`;
    const me = talking?.ends.find((e) => e.phone === phone);
    if (!talking || !me) return '';
    const what = hears(me, talking.ends);
    if (what === 'music') return 'You are held, and hear music.';
    if (what === 'nothing') return 'You hear nothing for a moment.';
    const others = talking.ends.filter((e) => e !== me && (isOurs(e) || e.phone !== 'caller'));
    return `You talk with ${listed(others.map((e) => whoseName(system, e.phone, e.personId))) || 'the caller'}.`;
  });
  $effect(() => {
    if (ringing && !talking) return playCadence(profileOf(system.business.country).ringback);
    return undefined;
  });
  let keyed = $state('');
  function press(key: string) {
    keyed += key;
    voice.keys(key);
    if (talking) void line.act({ kind: 'send keys', callId: talking.request.id, phone, keys: key });
  }
  onDestroy(() => untrack(() => (busy = false)));
</script>

{#if talking}
  <section class="card" aria-live="polite" data-testid="outside-talking">
    <p class="soft">{sees} · {durationText(Math.max(0, theBusiness().now - talking.since))}</p>
    <h1>{heard}</h1>
    <TalkNotice call={talking} {system} />
    <OutsideWords {voice} named={(phone) => whoseName(system, phone)} listen />
    {#if keyed}<p class="soft small">Keys pressed: {keyed}</p>{/if}
    <Keypad onpress={press} />
    <Button
      kind="danger"
      on:click={() => void line.act({ kind: 'hang up', callId: talking.request.id, by: 'called', phone })}
      >Hang up</Button
    >
  </section>
{:else if ringing}
  <section class="card" aria-live="assertive" data-testid="outside-ringing">
    <p class="soft">This phone rings, and shows</p>
    <h1>{sees}</h1>
    <div class="choices">
      <Button on:click={() => void line.act({ kind: 'answer', callId: ringing.request.id, phone })}
        >Lift</Button
      >
      <Button
        kind="tertiary"
        on:click={() => void line.act({ kind: 'decline', callId: ringing.request.id, phone })}>Decline</Button
      >
      <Button
        kind="ghost"
        on:click={() =>
          void line.act({ kind: 'outside', callId: ringing.request.id, phone, is: 'own voicemail' })}
        >Its own voicemail</Button
      >
    </div>
  </section>
{/if}

<style>
  h1 {
    margin: 8px 0 18px;
    font-size: var(--text-heading);
  }
  .choices {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
  }
</style>
