<script lang="ts">
  import { Button, TextInput } from 'carbon-components-svelte';
  import { onDestroy, untrack } from 'svelte';
  import { decodeUlaw, encodeUlaw, holdMusic } from '$core/audio';
  import { profileOf } from '$core/numbering';
  import type { VisitorCall, VisitorSound } from '$core/phone';
  import { durationText } from '../format';
  import Keypad from '../phone/Keypad.svelte';
  import LeaveMessage from '../phone/outside/LeaveMessage.svelte';
  import OutsideWords from '../phone/outside/OutsideWords.svelte';
  import { Recorder } from '../phone/outside/recorder.svelte';
  import { playCadence, VOICEMAIL_TONE } from '../phone/sounds/tones';
  import { OwnVoice } from '../phone/sounds/voice.svelte';
  import { speakText } from '../recordings/maker';
  import { player } from '../recordings/player.svelte';
  import type { Visiting } from './visiting.svelte';

  /** A visitor's call: what they hear, in sound and words, and what they can do in it. */
  let {
    visiting,
    call,
    business,
    country,
  }: {
    visiting: Visiting;
    call: VisitorCall;
    business: string;
    country: string;
  } = $props();
  const voice = new OwnVoice(() => visiting.seen?.servers ?? [], untrack(() => visiting).signals());
  const recorder = new Recorder();
  let words = $state('');
  let answer = $state('');
  let problem = $state('');
  let now = $state(Date.now());
  const ticking = setInterval(() => (now = Date.now()), 1000);

  async function samplesOf(sound: VisitorSound): Promise<Uint8Array | undefined> {
    switch (sound.is) {
      case 'made':
        return encodeUlaw(Int16Array.from(holdMusic(), (s) => s * 32_767));
      case 'kept': {
        const had = await visiting.ask({ do: 'sound', hash: sound.hash });
        return (had.ok && had.ulaw) || undefined;
      }
      case 'spoken': {
        const made = await speakText(sound.text, { language: sound.language, speed: sound.speed });
        return made.ok ? made.sound.ulaw : undefined;
      }
    }
  }
  $effect(() => {
    const { talk, music } = call;
    const sound = music?.sound ?? null;
    voice.hear(
      talk,
      music !== null,
      sound
        ? async () => {
            const ulaw = await samplesOf(sound);
            return ulaw && Float32Array.from(decodeUlaw(ulaw), (s) => s / 32_768);
          }
        : () => Promise.resolve(new Float32Array(0)),
    );
  });
  const key = $derived(call.sound?.key ?? '');
  $effect(() => {
    const wanted = key;
    if (!wanted) return player.stop();
    const sound = untrack(() => call.sound)!;
    void samplesOf(sound).then((ulaw) => {
      // By then something else may have begun.
      if (ulaw && key === wanted) void player.play(wanted, ulaw, { loop: sound.loop });
    });
  });
  const tone = $derived(call.tone);
  $effect(() => {
    const cadences = profileOf(country);
    switch (tone) {
      case null:
        return undefined;
      case 'ringback':
        return playCadence(cadences.ringback);
      case 'record':
        return playCadence(VOICEMAIL_TONE);
      case 'busy': {
        const stop = playCadence(cadences.busy);
        const timer = setTimeout(stop, 3000);
        return () => {
          clearTimeout(timer);
          stop();
        };
      }
    }
  });
  onDestroy(() => {
    clearInterval(ticking);
    voice.close();
    player.stop();
  });

  const told = async (...asked: Parameters<Visiting['ask']>) => {
    const done = await visiting.ask(...asked);
    problem = done.ok ? '' : done.message;
  };
  const leave = () => told({ do: 'leave', text: words, sound: recorder.sound });
  function press(key: string) {
    if (call.phase === 'talking') voice.keys(key);
    void told({ do: 'press', key });
  }
  function say(event: Event) {
    event.preventDefault();
    void told({ do: 'say', text: answer });
    answer = '';
  }
  async function hangUp() {
    if (recorder.on) await recorder.stop();
    if (call.phase === 'message') await leave();
    await told({ do: 'hang up' });
  }
  /** Somebody takes the call while a message is recorded, or it is over: what was said until then is kept. */
  const leaving = $derived(call.phase === 'message');
  let left = false;
  $effect(() => {
    if (left && !leaving)
      void untrack(async () => {
        if (!recorder.on) return;
        await recorder.stop();
        await leave();
      });
    left = leaving;
  });
  /** Quieter than this counts as silence: about -40 dB below the loudest. Common practice, no source. */
  const SILENT_BELOW = 0.01;
  $effect(() => {
    const ms = call.silenceMs;
    if (ms === null || !recorder.on || recorder.level >= SILENT_BELOW) return;
    const timer = setTimeout(
      () =>
        void untrack(async () => {
          await recorder.stop();
          await leave();
          await told({ do: 'silent' });
        }),
      ms,
    );
    return () => clearTimeout(timer);
  });
</script>

{#if call.phase === 'over'}
  <section class="card" data-testid="visit-ended" role="status">
    <p>{call.over}</p>
  </section>
{:else}
  <section class="card" data-testid="visit-call">
    <p class="soft">Calling {business} · {durationText(Math.max(0, now - visiting.since))}</p>
    <h2 aria-live="polite">{call.words}</h2>
    {#if call.notice}<p class="soft" role="status">“{call.notice}”</p>{/if}
    {#if call.talk}<OutsideWords {voice} named={() => 'the other side'} />{/if}
    {#if call.phase === 'message'}
      <LeaveMessage
        {words}
        ontype={(text) => {
          words = text;
          void leave();
        }}
        {recorder}
      />
    {/if}
    {#if call.answers}
      <form class="row" onsubmit={say}>
        <TextInput size="sm" labelText="Your answer" bind:value={answer} />
        <Button size="small" type="submit">Say it</Button>
      </form>
    {/if}
    {#if call.keys}<Keypad onpress={press} />{/if}
    {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
    <Button kind="danger" on:click={() => void hangUp()}>Hang up</Button>
  </section>
{/if}

<style>
  h2 {
    margin: 8px 0 18px;
    font-size: var(--text-heading);
  }
  .row {
    display: flex;
    align-items: end;
    gap: 10px;
    margin: 8px 0 14px;
  }
</style>
