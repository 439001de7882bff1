<script lang="ts">
  import { onDestroy, onMount, untrack } from 'svelte';
  import { isLinked, isOn, withOwn, type Setting } from '$core/system';
  import { phoneLock } from '$exchange';
  import Notices from '../frame/Notices.svelte';
  import MessageCard from '../messages/MessageCard.svelte';
  import MessageLight from '../phones/MessageLight.svelte';
  import { session } from '../window/session.svelte';
  import type { PhoneDesk } from './desk.svelte';
  import { ending, outcomeOf, ownsMailbox, partyOf } from '$core/calls';
  import { profileOf } from '$core/numbering';
  import { callsOf, colleagueCalled, hurdles, type Callee } from '$core/phone';
  import CallerSound from './sounds/CallerSound.svelte';
  import { heardInWords } from './sounds/heard';
  import { playCadence, ringOn, VOICEMAIL_TONE } from './sounds/tones';
  import { OwnTalk } from './sounds/own-talk.svelte';
  import { freshId } from '../ids';
  import { hold } from './line.svelte';
  import CallField from './talk/CallField.svelte';
  import Knock from './talk/Knock.svelte';
  import Known from './talk/Known.svelte';
  import Lines from './talk/Lines.svelte';
  import Near from './talk/Near.svelte';
  import OutOf from './talk/OutOf.svelte';
  import People from './talk/People.svelte';
  import PhoneKeys from './talk/PhoneKeys.svelte';
  import Talk from './talk/Talk.svelte';
  import TalkNotice from './talk/TalkNotice.svelte';
  import Wanted from './talk/Wanted.svelte';
  import OwnCalls from './OwnCalls.svelte';
  import OwnState from './OwnState.svelte';
  import Serving from './Serving.svelte';
  import { Outbox } from './outbox.svelte';
  import { OwnPhoneMemory, rememberPhone } from './own-phone.svelte';

  import Ringing from './Ringing.svelte';
  import SetUp from './setup/SetUp.svelte';
  import { SoundCheck } from './sounds/sound.svelte';
  import WhereNow from './setup/WhereNow.svelte';
  import WindowPlace from './setup/WindowPlace.svelte';

  let {
    desk,
    given = { to: '', n: 0 },
  }: {
    desk: PhoneDesk;
    /** A number that a link asks to call; asked again it counts up. */
    given?: { to: string; n: number };
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
  // Nothing of ours covers answer and hang up.
  $effect(() => {
    if (ringing || busy) looking = false;
  });
  /** Whom to call, where it is asked what from. */
  let asked = $state.raw<{ callee: Callee; shows: string | undefined } | null>(null);
  const { outOf } = $derived(own.value);
  const elsewhere = $derived(
    typeof outOf === 'object' && system.phones[outOf.phoneId]?.personId === person?.id
      ? system.phones[outOf.phoneId]
      : undefined,
  );
  function call(callee: Callee, shows: string | undefined) {
    // A call for help goes out at once, and from here.
    if (callee.key !== 'emergency' && outOf === 'ask') asked = { callee, shows };
    else placeCall(callee, shows, callee.key === 'emergency' ? undefined : elsewhere?.id);
  }
  /** @param from another phone of theirs, which rings first */
  function placeCall({ to, name }: Callee, shows: string | undefined, from?: string) {
    asked = null;
    if (from)
      session.say({
        kind: 'info',
        title: `Your ${system.phones[from]?.name.toLowerCase()} rings: lifting it calls ${name}`,
      });
    void desk.act({
      kind: 'place',
      request: {
        id: freshId('call'),
        at: desk.now,
        from: { kind: 'phone', phoneId: from ?? phoneId },
        to,
        behaviour: null,
        ...(from ? { ringsFirst: true } : {}),
        ...(shows ? { shows } : {}),
      },
    });
  }
  const dnd = $derived(person !== undefined && isOn(desk.standing.dnd[person.id], desk.minute));
  const online = $derived(registration?.condition !== 'no network');
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
  let looking = $state(false);
  let reaching = $state(false);
  const barred = $derived(registration?.outside && phone && !phone.outsideOffice);
  const messages = $derived(
    [...desk.messages]
      .reverse()
      .filter((m) => person && !m.folder && ownsMailbox(system, m.mailboxId, person.id)),
  );
  const act = (kind: 'answer' | 'decline' | 'to mailbox') =>
    ringing && desk.act({ kind, callId: ringing.request.id, phone: phoneId });
  async function signOut() {
    try {
      await desk.ask({ do: 'sign out' });
    } catch (error) {
      const detail = error instanceof Error ? error.message : String(error);
      return session.say({ kind: 'error', title: 'Not signed out', detail });
    }
    location.href = '/phone';
  }
</script>

<svelte:window bind:innerWidth={width} />
<Notices />
<CallerSound call={calling} {system} />
<TalkNotice call={sounds.talk} {system} />
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
          onchoose={(callee) => (busy ? (proposed = callee) : call(callee, undefined))}
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
          sound={heard || sounds.announcing || voice.inWords(system)}
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
        <main>
          <div class="dial">
            {#key given.n}
              <CallField
                where={where!}
                presence={desk.going.presence}
                what="call"
                label="Call a name, extension or number"
                typed={given.to.replace(/^tel:/i, '').replace(/;.*$/, '')}
                takes={given.to !== ''}
                onchoose={call}
              />
            {/key}
            {#if asked}
              {@const { callee, shows } = asked}
              <div class="asked" role="group" aria-label="Call {callee.name} from">
                <p>Call {callee.name} from</p>
                <button type="button" onclick={() => placeCall(callee, shows)}>This window</button>
                {#each Object.values(system.phones).filter((p) => p.personId === person.id && p.id !== phoneId && !isLinked(p)) as p (p.id)}
                  <button type="button" onclick={() => placeCall(callee, shows, p.id)}
                    >My {p.name.toLowerCase()}</button
                  >
                {/each}
                <button type="button" onclick={() => (asked = null)}>Leave it</button>
              </div>
            {/if}
            {#if ended}<p role="status" data-testid="call-ended">{ended}</p>{/if}
            <Wanted {desk} {system} {missed} />
            <Lines {desk} oncall={(callee) => call(callee, undefined)} />
            <Near
              {desk}
              onfetch={(slot) =>
                call(
                  {
                    key: slot,
                    name: slot,
                    detail: '',
                    to: { kind: 'digits', digits: slot },
                    target: null,
                    personId: null,
                  },
                  undefined,
                )}
            />
          </div>
          <WhereNow {desk} {person} {phone} {system} {own} />
          {#if inTheWay.length}
            <div class="card note" class:hurdles={!ready} data-testid={ready ? 'ready-but' : 'not-ready'}>
              <h2>{ready ? 'Good to know' : 'Not ready'}</h2>
              <ul>
                {#each inTheWay as h (h.words)}<li><b>{h.words}.</b> {h.todo}</li>{/each}
              </ul>
            </div>
          {/if}
          <div>
            <OwnState {desk} {person} {system} {send} onreach={() => (reaching = true)} />
            {#if outbox.waiting.length}<p class="small" data-testid="waits">
                Waits for the network: {outbox.waiting.map((w) => w.words).join('; ')}.
              </p>{/if}
            <Serving {desk} {person} {system} {send} />
          </div>
          <div>
            <h2>Messages</h2>
            <MessageLight {phone} />
            {#each messages as m (m.id)}<MessageCard
                message={m}
                mailbox={system.mailboxes[m.mailboxId]?.name}
                phone={{ id: phoneId, send }}
              />{:else}<p class="soft">No messages.</p>{/each}
          </div>
          <div>
            <OwnCalls {person} {system} />
          </div>
          <div class="foot small">
            <button class="linkish" type="button" onclick={() => (settingUp = true)}
              >Sound check and address</button
            >
            <button class="linkish" type="button" onclick={() => (looking = true)}>Look somebody up</button>
            <button class="linkish" type="button" onclick={signOut}>Sign this phone out</button>
          </div>
          <OutOf {own} {person} {system} {phoneId} />
          <WindowPlace {phoneId} {system} />
        </main>
      {/if}
    </div>
    {#if wide && known}
      <div class="side"><Known call={known.call} number={known.number} {system} /></div>
    {/if}
  </div>
{/if}

<PhoneKeys away={ringing !== undefined} />
{#if looking}
  {#await import('./LookUp.svelte') then { default: LookUp }}
    <LookUp personId={person?.id ?? null} {system} close={() => (looking = false)} />
  {/await}
{/if}

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
  main {
    padding: 16px 18px;
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
  .asked {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    margin-bottom: 10px;
  }
  .asked p {
    flex-basis: 100%;
    margin: 0;
  }
  .asked button {
    min-height: 44px;
    padding: 0 14px;
    border: 1px solid var(--rule);
    background: var(--sheet);
    color: var(--ink);
    font: inherit;
    cursor: pointer;
  }
  .reach {
    padding: 10px 18px;
  }
  .pad {
    margin: 18px;
  }
  .hurdles {
    border-left: 4px solid var(--alarm);
  }
  .note ul {
    margin: 0;
    padding-left: 18px;
  }
  .foot {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 18px;
    margin: 14px 0;
  }
  /* On a desk it is a panel as wide as two phones. */
  @media (min-width: 860px) {
    main {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 0 22px;
      align-items: start;
    }
    .dial,
    .note,
    .foot {
      grid-column: 1 / 3;
    }
  }
  .problem {
    background: var(--alarm-wash);
    color: var(--alarm);
    padding: 8px 18px;
    margin: 0;
  }
</style>
