<script lang="ts">
  import { onDestroy, onMount, untrack } from 'svelte';
  import { isOn, withOwn, type Setting } from '$core/system';
  import { hold, phoneLock } from '$exchange';
  import Notices from '../frame/Notices.svelte';
  import type { PhoneDesk } from './desk.svelte';
  import { ending, outcomeOf, partyOf, whoseName } from '$core/calls';
  import { profileOf } from '$core/numbering';
  import { callsOf, colleagueCalled, hurdles, meetsInWords, type Callee } from '$core/phone';
  import CallerSound from './sounds/CallerSound.svelte';
  import { heardInWords } from '$core/phone';
  import { playCadence, ringOn, VOICEMAIL_TONE } from './sounds/tones';
  import { OwnTalk } from './sounds/own-talk.svelte';
  import Knock from './talk/Knock.svelte';
  import Known from './talk/Known.svelte';
  import People from './talk/People.svelte';
  import PhoneKeys from './talk/PhoneKeys.svelte';
  import Talk from './talk/Talk.svelte';
  import TalkNotice from './talk/TalkNotice.svelte';
  import { Outbox } from './outbox.svelte';
  import { OwnPhoneMemory, rememberPhone } from './own-phone.svelte';

  import { Gathering } from './gathering.svelte';
  import { Placing } from './placing.svelte';
  import AtRest from './rest/AtRest.svelte';
  import Ringing from './Ringing.svelte';
  import SetUp from './setup/SetUp.svelte';
  import { SoundCheck } from './sounds/sound.svelte';

  let {
    desk,
    given = { to: '', n: 0 },
    cut = false,
  }: {
    desk: PhoneDesk;
    /** A number that a link asks to call; asked again it counts up. */
    given?: { to: string; n: number };
    /** It is on another machine, and nothing comes from the exchange. */
    cut?: boolean;
  } = $props();
  const phoneId = untrack(() => desk.phoneId);
  const businessId = untrack(() => desk.id);
  let here = $state(false);
  let release = () => {};
  onMount(() => (release = hold(phoneLock(businessId, phoneId), () => (here = true))));
  onDestroy(() => release());

  const own = untrack(() => new OwnPhoneMemory(phoneId));
  onMount(() => rememberPhone({ businessId, phoneId }));
  $effect(() => ringOn(own.value.ring));
  const system = $derived(withOwn(desk.system, desk.standing.own));
  /** What its person and those they call are found by. */
  const where = $derived(
    desk.system.phones[phoneId] && {
      system,
      standing: desk.standing,
      phone: system.phones[phoneId]!,
      now: desk.minute,
      ...(desk.rates ? { rates: desk.rates } : {}),
      spent: desk.going.spent,
    },
  );
  const calls = $derived(desk.going.calls);
  const phone = $derived(system.phones[phoneId]);
  const person = $derived(phone?.personId ? system.people[phone.personId] : undefined);
  const registration = $derived(desk.standing.registrations[phoneId]);

  const ringing = $derived(
    calls.find(
      (c) =>
        c.phase === 'ringing' &&
        c.legs.some((l) => l.phone === phoneId && (l.state === 'sounding' || l.state === 'confirming')),
    ),
  );
  /** The icon of the page says it, where it is installed. */
  $effect(() => {
    const badge = navigator as Navigator & {
      setAppBadge?: (n?: number) => Promise<void>;
      clearAppBadge?: () => Promise<void>;
    };
    void (ringing ? badge.setAppBadge?.(1) : badge.clearAppBadge?.())?.catch(() => {});
  });
  /** The calls of this phone: it talks in some, calls in some, is rung for some. */
  const ownCalls = $derived(callsOf(calls, phoneId, system));
  const busy = $derived(ownCalls.some((c) => c.part !== 'is rung'));
  /** The call this phone goes the way of, until somebody answers: it hears what a caller hears. */
  const calling = $derived(
    calls.find(
      (c) => !['over', 'talking'].includes(c.phase) && partyOf(c.request.from, c.from) === phoneId,
    ) ?? null,
  );
  const heard = $derived.by(() => {
    if (!calling) return '';
    if (calling.phase === 'ringing') return 'You hear it ringing.';
    if (calling.meets && ['waits', 'in'].includes(calling.meets.stage)) return meetsInWords(calling.meets);
    if (calling.phase === 'tone') return 'The tone.';
    if (calling.phase === 'message') return 'Speak now.';
    if (calling.phase === 'queued') return 'You wait, and hear music.';
    return heardInWords(calling, system, desk.now, desk.messages);
  });
  $effect(() => {
    const phase = calling?.phase;
    if (phase === 'ringing') return playCadence(profileOf(system.business.country).ringback);
    if (phase === 'tone') return playCadence(VOICEMAIL_TONE);
    return undefined;
  });
  /** How the last call this phone placed ended where nobody took it: said until the next is placed. */
  let ended = $state('');
  /** The colleague it was placed to, who may be rung when free. */
  let missed = $state<string | null>(null);
  const callingId = $derived(calling?.request.id);
  $effect(() => {
    if (callingId) {
      ended = '';
      missed = null;
    }
  });
  $effect(() => {
    // A call that is over is told once.
    const over = calls.find(
      ({ phase, request: { from } }) => phase === 'over' && from.kind === 'phone' && from.phoneId === phoneId,
    );
    const outcome = over && outcomeOf(over.trace)?.outcome;
    if (!outcome || outcome.kind === 'handed on' || outcome.kind === 'answered') return;
    const words = ending(
      outcome,
      untrack(() => system),
    );
    ended = words[0]!.toUpperCase() + words.slice(1) + '.';
    missed = untrack(() => colleagueCalled(over.request.to, system));
  });
  /** On a desk colleagues stand beside it, and what is known of the other side. */
  let width = $state(0);
  const wide = $derived(width >= 900);
  let proposed = $state.raw<Callee | null>(null);
  $effect(() => {
    if (!busy) proposed = null;
  });
  /** The outside number this phone talks with, or that rings here. */
  const known = $derived.by(() => {
    for (const { id } of ownCalls) {
      const live = calls.find((c) => c.request.id === id);
      if (!live) continue;
      const { from } = live;
      const out = live.trace.find((e) => e.kind === 'goes out');
      const number = from.kind === 'outside' ? from.number : out?.kind === 'goes out' ? out.number : null;
      if (number) return { call: live, number };
    }
    return null;
  });
  const sounds = untrack(() => new OwnTalk(desk, own, () => system));
  const { voice } = sounds;
  const placing = untrack(() => new Placing(desk, own, () => system));
  $effect(() => {
    const call = calling;
    untrack(() => placing.look(call));
  });
  const elsewhere = $derived(placing.elsewhere);
  const gathering = untrack(() => new Gathering(desk, placing, () => system));
  $effect(() => {
    const [calls, now] = [ownCalls, desk.now];
    untrack(() => gathering.look(calls, now));
  });
  const dnd = $derived(person !== undefined && isOn(desk.standing.dnd[person.id], desk.minute));
  const online = $derived(!cut && registration?.condition !== 'no network');
  const outbox = untrack(() => new Outbox(desk, () => `${person?.name ?? ''} · ${phone?.name ?? ''}`));
  const send = (words: string, settings: Setting[]) => outbox.send(words, settings, online);
  $effect(() => {
    if (online && registration) void untrack(() => outbox.flush());
  });

  const sound = new SoundCheck();
  onMount(() => void sound.look());
  let notifications = $state<NotificationPermission>(
    'Notification' in window ? Notification.permission : 'denied',
  );
  // A stand-in of the bench has nothing to set up.
  let settingUp = $state(untrack(() => !own.value.setUp && registration?.standIn !== true));
  const inTheWay = $derived(
    person && phone
      ? hurdles(
          person,
          phone,
          withOwn(desk.inForce, desk.standing.own),
          desk.standing,
          { microphone: sound.microphone, notifications, here },
          desk.now,
        )
      : [],
  );
  /** What keeps it from ringing, apart from what only this device lacks. */
  const ready = $derived(!inTheWay.some((h) => h.stops));
  let reaching = $state(false);
  const barred = $derived(registration?.outside && phone && !phone.outsideOffice);
  const act = (kind: 'answer' | 'decline' | 'to mailbox') =>
    ringing && desk.act({ kind, callId: ringing.request.id, phone: phoneId });
</script>

<svelte:window bind:innerWidth={width} />
<Notices />
<CallerSound call={calling} {system} />
<TalkNotice call={sounds.talk ?? calling ?? undefined} {system} />
{#if !phone || !person}
  <div class="card pad">
    <h1>This phone has been removed</h1>
    <p>Ask whoever does the phones for a new invitation. <a href="/phone">Pair again</a></p>
  </div>
{:else if !registration}
  <div class="card pad">
    <h1>This phone is not paired</h1>
    <p><a href="/phone">Enter a code</a></p>
  </div>
{:else}
  <header>
    <b>{person.name} · {person.extension}</b>
    <span data-testid="phone-state">
      {system.business.name} · {!here
        ? 'this phone is open in another window'
        : cut
          ? 'cut off'
          : !online
            ? 'no network'
            : dnd
              ? 'do not disturb'
              : !registration.online
                ? 'signing on…'
                : busy
                  ? `on a call: ${(ownCalls.find((c) => c.part !== 'is rung' && !c.about) ?? ownCalls[0])?.line ?? ''}`
                  : barred
                    ? 'outside the office: it does not ring here'
                    : ready
                      ? 'this phone is ready'
                      : 'not ready yet'}
    </span>
  </header>
  {#if desk.problem}<p class="problem" role="alert">{desk.problem}</p>{/if}
  <div class="desk">
    {#if wide}
      <div class="side">
        <People
          where={where!}
          presence={desk.going.presence}
          verb={busy ? 'Transfer to' : 'Call'}
          onchoose={(callee) => (busy ? (proposed = callee) : placing.call(callee))}
        />
      </div>
    {/if}
    <div class="middle">
      {#if ringing && busy}
        <Knock
          call={ownCalls.find((c) => c.id === ringing.request.id)}
          onanswer={() => void act('answer')}
          ondecline={() => void act('decline')}
        />
      {/if}
      {#if ringing && !busy}
        <Ringing
          call={ringing}
          {phoneId}
          {system}
          elsewhere={elsewhere
            ? {
                name: elsewhere.name.toLowerCase(),
                answer: ringing.legs.some((l) => l.phone === elsewhere.id && l.state === 'sounding')
                  ? () => void desk.act({ kind: 'answer', callId: ringing.request.id, phone: elsewhere.id })
                  : null,
              }
            : null}
          onanswer={() => void act('answer')}
          ondecline={() => void act('decline')}
          onmailbox={() => void act('to mailbox')}
        />
      {:else if busy}
        <Talk
          calls={ownCalls}
          {desk}
          where={where!}
          now={desk.now}
          muted={voice.now.muted}
          sound={heard || sounds.announcing || voice.inWords((phone) => whoseName(system, phone))}
          words={voice.now.words}
          ontype={(text) => voice.type(text)}
          {proposed}
          {ended}
          onmute={() => voice.mute(!voice.now.muted)}
          onkeys={(keys) => voice.keys(keys)}
        />
      {:else if settingUp}
        <SetUp
          {person}
          {phone}
          {system}
          {own}
          {sound}
          {notifications}
          hurdles={inTheWay}
          apart={desk.apart}
          onnotifications={(state) => (notifications = state)}
          done={() => (settingUp = false)}
        />
      {:else if reaching}
        <div class="reach">
          <p>
            <button class="linkish" type="button" onclick={() => (reaching = false)}>Back to the phone</button
            >
          </p>
          {#await import('../reach/Reach.svelte') then { default: Reach }}<Reach {person} {send} />{/await}
        </div>
      {:else}
        <AtRest
          {desk}
          {own}
          {person}
          {phone}
          {system}
          where={where!}
          {placing}
          {outbox}
          {send}
          {given}
          {ended}
          {missed}
          hurdles={inTheWay}
          {ready}
          {wide}
          onsetup={() => (settingUp = true)}
          onreach={() => (reaching = true)}
          ongather={(ids) => gathering.begin(ids)}
        />
      {/if}
    </div>
    {#if wide && known}
      <div class="side"><Known call={known.call} number={known.number} {system} /></div>
    {/if}
  </div>
{/if}

<PhoneKeys away={ringing !== undefined} />

<style>
  header {
    background: var(--sheet);
    border-top: 3px solid var(--copper);
    border-bottom: 1px solid var(--rule);
    padding: 14px 18px;
  }
  header b {
    font-size: var(--text-title);
  }
  header span {
    display: block;
    color: var(--ink-soft);
    font-size: var(--text-body);
  }
  .desk {
    display: flex;
    align-items: flex-start;
  }
  .middle {
    flex: 1;
    min-width: 0;
  }
  .side {
    flex: 0 0 270px;
    padding: 16px 18px;
    box-sizing: border-box;
  }
  .reach {
    padding: 10px 18px;
  }
  .pad {
    margin: 18px;
  }
  .problem {
    background: var(--alarm-wash);
    color: var(--alarm);
    padding: 8px 18px;
    margin: 0;
  }
</style>
