<script lang="ts">
  import { Button, Select, TextInput } from 'carbon-components-svelte';
  import { onDestroy, onMount, untrack } from 'svelte';
  import { CALLER, ending, NEW_CALLER, outcomeOf, sentence, silenceMs, whoseName } from '$core/calls';
  import { profileOf, readNumber } from '$core/numbering';
  import { iceServers } from '$core/system';
  import { callerHears, takesKeys, takesWords } from '$core/phone';
  import { callerLock, type LiveCall } from '$exchange';
  import { readOne } from '$workspace';
  import { durationText } from '../../format';
  import { freshId } from '../../ids';
  import { theBusiness } from '../../window/session.svelte';
  import CallerSound from '../sounds/CallerSound.svelte';
  import Keypad from '../Keypad.svelte';
  import OutsideCalled from './OutsideCalled.svelte';
  import OutsideWords from './OutsideWords.svelte';
  import TalkNotice from '../talk/TalkNotice.svelte';
  import { hold } from '$exchange';
  import { Line } from '../line.svelte';
  import LeaveMessage from './LeaveMessage.svelte';
  import { Recorder } from './recorder.svelte';
  import { OwnVoice } from '../sounds/voice.svelte';
  import { allowSound, playCadence, VOICEMAIL_TONE } from '../sounds/tones';
  import SelectItem from '../../fields/SelectItem.svelte';

  /** @property dial a number that is called as soon as it is open */
  let { dial = '' }: { dial?: string } = $props();
  const businessId = theBusiness().view.business.id;
  const line = new Line(businessId);
  const recorder = new Recorder();
  const system = $derived(theBusiness().view.inForce.system);
  const country = $derived(profileOf(system.business.country));
  const callers = [NEW_CALLER, '+13605550134', '+16045550126', '+442079460123'];

  /** What must survive a reload of this window. */
  const memory = {
    get: (key: string) => sessionStorage.getItem(`outside-phone:${key}`),
    set: (key: string, value: string) => sessionStorage.setItem(`outside-phone:${key}`, value),
  };
  let from = $state(memory.get('from') ?? callers[0]!);
  let dialled = $state(memory.get('dialled') ?? '');
  const remembered = memory.get('call');
  let callId = $state(remembered);
  /** Somebody has called this number. */
  let called = $state(false);
  let words = $state(memory.get('words') ?? '');
  let problem = $state('');
  let last = $state.raw<LiveCall | null>(null);
  const named = (phone: string) => whoseName(system, phone);
  const voice = new OwnVoice(() => iceServers(system.business));
  onDestroy(() => voice.close());
  let release = () => {};
  if (remembered) release = hold(callerLock(remembered));

  // A call that is over is told once; what was seen of it last stays on the screen.
  $effect(() => {
    const live = line.calls.find((c) => c.request.id === callId);
    if (live) last = live;
    else if (
      untrack(() => last) &&
      callId &&
      untrack(() => last!.phase !== 'over') &&
      line.calls.every((c) => c.request.id !== callId)
    )
      void settleLost();
  });
  const call = $derived(last?.request.id === callId ? last : null);
  $effect(() => {
    if (called) return;
    voice.update(
      CALLER,
      line.calls.filter((c) => c.request.id === callId),
      system,
      call?.phase === 'parked',
    );
  });
  const going = $derived(call !== null && call.phase !== 'over');
  /** Somebody takes the call while a message is recorded: what was said until then is kept. */
  let leaving = false;
  $effect(() => {
    if (call?.phase === 'talking' && leaving)
      void untrack(async () => {
        const { id } = call.request;
        if (recorder.on) await recorder.stop();
        await line.say(id, { text: words, sound: recorder.sound });
      });
    leaving = call?.phase === 'message';
  });
  $effect(() => {
    if (call?.phase === 'over') {
      if (recorder.on) void recorder.stop();
      release();
      memory.set('words', '');
    }
  });

  /** The call ended while this window was not listening: what happened stands in the log. */
  async function settleLost() {
    const record = await readOne(theBusiness().db, 'calls', callId!);
    if (record && last) last = { ...last, phase: 'over', trace: record.trace };
  }

  const heard = $derived(
    call ? callerHears(call, system, theBusiness().now, theBusiness().view.messages) : '',
  );

  let answer = $state('');
  async function say(event: Event) {
    event.preventDefault();
    if (!call) return;
    await line.act({ kind: 'say', callId: call.request.id, text: answer });
    answer = '';
  }

  $effect(() => {
    const phase = call?.phase;
    if (phase === 'ringing') return playCadence(country.ringback);
    if (phase === 'tone') return playCadence(VOICEMAIL_TONE);
    if (phase === 'over' && call && outcomeOf(call.trace)?.outcome.kind === 'ended') {
      const stop = playCadence(country.busy);
      const timer = setTimeout(stop, 3000);
      return () => {
        clearTimeout(timer);
        stop();
      };
    }
    return undefined;
  });

  onMount(() => {
    if (!dial || call) return;
    dialled = dial;
    void place();
  });
  async function place(event?: Event) {
    event?.preventDefault();
    const read = readNumber(dialled, system.business.country);
    if (!read.ok) {
      problem = read.message;
      return;
    }
    problem = '';
    void allowSound();
    release();
    const id = freshId('call');
    callId = id;
    last = null;
    words = '';
    memory.set('call', id);
    memory.set('from', from);
    memory.set('dialled', dialled);
    await new Promise<void>((resolve) => (release = hold(callerLock(id), resolve)));
    await line.act({
      kind: 'place',
      request: {
        id,
        at: theBusiness().workspace.now(),
        from: { kind: 'outside', number: from === 'hidden' ? null : from },
        to: { kind: 'number', e164: read.number.e164 },
        behaviour: null,
      },
    });
  }
  /** In a talk keys reach who is talked with; else the system hears them. */
  function press(key: string) {
    if (!call) return;
    const callId = call.request.id;
    if (call.phase === 'talking') {
      voice.keys(key);
      void line.act({ kind: 'send keys', callId, phone: CALLER, keys: key });
    } else void line.act({ kind: 'press', callId, key });
  }
  async function hangUp() {
    if (!call) return;
    if (recorder.on) await recorder.stop();
    if (call.phase === 'message') await line.say(call.request.id, { text: words, sound: recorder.sound });
    await line.act({
      kind: 'hang up',
      callId: call.request.id,
      by: 'caller',
      ...(call.phase === 'talking' ? { phone: CALLER } : {}),
    });
  }
  /** Quieter than this counts as silence: about -40 dB below the loudest. Common practice, no source. */
  const SILENT_BELOW = 0.01;
  /** Whoever records and says nothing for as long as the mailbox waits has finished. */
  $effect(() => {
    const mailbox = system.mailboxes[call?.mailboxId ?? ''];
    const ms = mailbox ? silenceMs(mailbox) : null;
    if (!call || call.phase !== 'message' || !recorder.on || ms === null) return;
    if (recorder.level >= SILENT_BELOW) return;
    const { id } = call.request;
    const timer = setTimeout(() => void untrack(() => wasSilent(id, ms)), ms);
    return () => clearTimeout(timer);
  });
  async function wasSilent(callId: string, ms: number) {
    await recorder.stop();
    await line.say(callId, { text: words, sound: recorder.sound });
    await line.act({ kind: 'silent', callId, ms });
  }
  function type(text: string) {
    words = text;
    memory.set('words', text);
    if (call) void line.say(call.request.id, { text, sound: recorder.sound });
  }
  onDestroy(() => {
    release();
    line.close();
  });
</script>

<CallerSound {call} {system} />

<header><b>Outside phone</b><span>A stand-in: anybody who calls {system.business.name}</span></header>
<main>
  {#if line.problem}<p class="problem" role="alert">{line.problem}</p>{/if}
  {#if from !== 'hidden' && !going}{#key from}<OutsideCalled
        number={from}
        {voice}
        {line}
        {system}
        bind:busy={called}
      />{/key}{/if}
  {#if called}
    <!-- Whoever is called cannot call meanwhile. -->
  {:else if going && call}
    <section class="card" aria-live="polite" data-testid="outside-call">
      <p class="soft">
        Calling {dialled} · {durationText(Math.max(0, theBusiness().now - call.request.at))}
      </p>
      <h1 class="heard">{heard}</h1>
      {#if call.phase === 'talking' || call.meets}<TalkNotice {call} {system} />{/if}
      {#if call.phase === 'talking'}<OutsideWords {voice} {named} />{/if}
      {#if call.phase === 'message'}
        <LeaveMessage {words} ontype={type} {recorder} />
      {/if}
      {#if call.meets?.stage === 'in'}<OutsideWords {voice} {named} />{/if}
      {#if takesWords(call)}
        <form class="row" onsubmit={say}>
          <TextInput size="sm" labelText="Your answer" bind:value={answer} />
          <Button size="small" type="submit">Say it</Button>
        </form>
      {/if}
      {#if takesKeys(call)}
        <Keypad onpress={press} />
      {/if}
      <Button kind="danger" on:click={() => void hangUp()}>Hang up</Button>
    </section>
  {:else}
    <form class="card" onsubmit={place}>
      <div class="fields">
        <Select
          labelText="Number of this phone"
          selected={from}
          on:update={(e) => {
            from = String(e.detail);
            memory.set('from', from);
          }}
        >
          {#each callers as c (c)}<SelectItem value={c} text={theBusiness().number(c, system)} />{/each}
          <SelectItem value="hidden" text="a hidden number" />
        </Select>
        <TextInput
          labelText="Number to call"
          type="tel"
          bind:value={dialled}
          invalid={!!problem}
          invalidText={problem}
        />
        <div>
          {#each Object.values(system.numbers) as n (n.id)}
            <button
              class="linkish pick"
              type="button"
              onclick={() => (dialled = theBusiness().number(n.e164, system))}>{n.label}</button
            >
          {:else}<p class="soft small">No number is in force yet. Put your draft in force first.</p>{/each}
        </div>
        <Button type="submit">Call</Button>
      </div>
    </form>
    {#if call?.phase === 'over'}
      {@const ended = outcomeOf(call.trace)}
      <section class="card" data-testid="outside-ended">
        <h2>The call is over</h2>
        <p>{ended ? ending(ended.outcome, system) : ''}</p>
        <p class="soft small">{sentence(call.trace, system, 'past')}</p>
      </section>
    {/if}
  {/if}
</main>

<style>
  header {
    background: var(--bench);
    border-bottom: 6px double var(--line);
    padding: 14px 18px;
  }
  header b {
    font-size: var(--text-title);
  }
  header span {
    display: block;
    color: var(--bench-soft);
    font-size: var(--text-body);
  }
  main {
    padding: 16px 18px;
  }
  .pick {
    margin-right: 12px;
    font-size: var(--text-body);
  }
  .heard {
    margin: 8px 0 18px;
    font-size: var(--text-heading);
  }
  .row {
    display: flex;
    align-items: center;
    gap: 10px;
    margin: 8px 0 14px;
  }
  .problem {
    color: var(--alarm);
  }
</style>
