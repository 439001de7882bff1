<script lang="ts">
  import { untrack } from 'svelte';
  import { ownsMailbox } from '$core/calls';
  import { circlesOf, conversations, type About } from '$core/story';
  import type { Hurdle, Where } from '$core/phone';
  import type { Person, Phone, System } from '$core/system';
  import MessageCard from '../../messages/MessageCard.svelte';
  import MessageLight from '../../phones/MessageLight.svelte';
  import type { Send } from '../../reach/settings.svelte';
  import { Remembered } from '../../remembered.svelte';
  import { here, session } from '../../window/session.svelte';
  import type { PhoneDesk } from '../desk.svelte';
  import type { Outbox } from '../outbox.svelte';
  import type { OwnPhoneMemory } from '../own-phone.svelte';
  import type { Placing } from '../placing.svelte';
  import WhereNow from '../setup/WhereNow.svelte';
  import WindowPlace from '../setup/WindowPlace.svelte';
  import OutOf from '../talk/OutOf.svelte';
  import Dial from './Dial.svelte';
  import NextMeetings from './NextMeetings.svelte';
  import OwnCalls from './OwnCalls.svelte';
  import SingleKeys from '../../keys/SingleKeys.svelte';
  import OwnState from './OwnState.svelte';
  import PhoneFaxes from './PhoneFaxes.svelte';
  import Pointed from './Pointed.svelte';
  import PhonePeople from './PhonePeople.svelte';
  import Recent from './Recent.svelte';
  import SectionBar from './SectionBar.svelte';
  import type { Section } from './sections';
  import Serving from './Serving.svelte';
  import Shortcuts from './Shortcuts.svelte';
  import Written from './Written.svelte';

  /** A phone that is on no call: calling, what was, messages, texts, people, and oneself. */
  interface Props {
    desk: PhoneDesk;
    own: OwnPhoneMemory;
    person: Person;
    phone: Phone;
    system: System;
    where: Where;
    placing: Placing;
    outbox: Outbox;
    send: Send;
    given: { to: string; n: number };
    ended: string;
    missed: string | null;
    hurdles: readonly Hurdle[];
    /** Nothing keeps it from ringing, apart from what only this device lacks. */
    ready: boolean;
    /** There is room for a desk: what is done most stands together. */
    wide: boolean;
    onsetup: () => void;
    onreach: () => void;
    /** Calls colleagues into one talk. */
    ongather: (personIds: readonly string[]) => void;
  }
  let {
    desk,
    own,
    person,
    phone,
    system,
    where,
    placing,
    outbox,
    send,
    given,
    ended,
    missed,
    hurdles,
    ready,
    wide,
    onsetup,
    onreach,
    ongather,
  }: Props = $props();

  const at = untrack(() => new Remembered<{ section: Section }>(`section ${phone.id}`, { section: 'call' }));
  const section = $derived(at.value.section);
  /** On a desk calling, oneself, messages and calls stand together. */
  const shows = (one: Section) =>
    section === one || (wide && section === 'call' && ['me', 'messages'].includes(one));
  // Whoever asks to call a number sees it.
  $effect(() => {
    if (given.n > 0) at.value = { section: 'call' };
  });

  const messages = $derived(
    [...desk.messages].reverse().filter((m) => !m.folder && ownsMailbox(system, m.mailboxId, person.id)),
  );
  const pointed = $derived(desk.pointed?.is === 'message' ? desk.pointed.id : undefined);
  const WHERE = { call: 'recent', message: 'messages', contact: 'people' } as const;
  /** Something is to go with words to a colleague, who is chosen next. */
  function pass(about: About) {
    desk.passing = about;
    at.value = { section: 'texts' };
  }
  /** Shows what words of a colleague were about. */
  function point(about: About) {
    desk.pointed = about;
    at.value = { section: WHERE[about.is] };
  }
  const waiting = $derived(
    conversations(here().texting.texts, here().texting.threads, system).filter(
      (c) => c.waitsSince !== null && (!c.assignedTo || c.assignedTo === person.id),
    ).length,
  );
  const unread = $derived(
    circlesOf(desk.circles.circles, desk.circles.words, person.id, system).reduce((n, c) => n + c.unread, 0),
  );
  const counts = $derived({
    messages: {
      n: messages.filter((m) => !m.heard).length + desk.faxes.filter((f) => !f.seen && !f.folder).length,
      words: 'new',
    },
    texts: { n: waiting + unread, words: 'new or waiting' },
  });
  let looking = $state(false);

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

<SectionBar
  {section}
  {counts}
  {wide}
  onopen={(section) => {
    desk.pointed = null;
    at.value = { section };
  }}
/>
<main class:wide class:desk={wide && section === 'call'}>
  {#if section === 'call'}
    <div class="dial">
      <Dial {desk} {system} {where} {placing} {given} {ended} {missed} />
      <Shortcuts {desk} {where} {placing} {person} {send} />
    </div>
    <NextMeetings meetings={desk.meetings} now={desk.minute} zone={desk.zone} onjoin={placing.join} />
    <WhereNow {desk} {person} {phone} {system} {own} />
    {#if hurdles.length}
      <div class="card note" class:hurdles={!ready} data-testid={ready ? 'ready-but' : 'not-ready'}>
        <h2>{ready ? 'Good to know' : 'Not ready'}</h2>
        <ul>
          {#each hurdles as h (h.words)}<li><b>{h.words}.</b> {h.todo}</li>{/each}
        </ul>
      </div>
    {/if}
  {/if}
  {#if shows('me')}
    <div>
      <OwnState {desk} {person} {system} {send} {onreach} />
      {#if outbox.waiting.length}<p class="small" data-testid="waits">
          Waits for the network: {outbox.waiting.map((w) => w.words).join('; ')}.
        </p>{/if}
      <Serving {desk} {person} {system} {send} />
    </div>
  {/if}
  {#if shows('messages')}
    <div>
      <h2>Messages</h2>
      <MessageLight {phone} />
      {#if pointed}<Pointed {desk} all="All messages" />{/if}
      {#each pointed ? desk.messages.filter((m) => m.id === pointed) : messages as m (m.id)}<MessageCard
          message={m}
          mailbox={system.mailboxes[m.mailboxId]?.name}
          phone={{ id: phone.id, send, pass }}
        />{:else}<p class="soft">No messages.</p>{/each}
      <PhoneFaxes {desk} {system} />
    </div>
  {/if}
  {#if section === 'call'}
    <div><OwnCalls {person} {system} phoneId={phone.id} /></div>
  {:else if section === 'recent'}
    <Recent {desk} {person} {system} phoneId={phone.id} onpass={pass} />
  {:else if section === 'texts'}
    <Written {desk} {person} {system} {wide} {waiting} {unread} {ongather} onpoint={point} />
  {:else if section === 'people'}
    <PhonePeople {desk} {where} {placing} {send} onpass={pass} />
  {/if}
  {#if shows('me')}
    <div class="foot small">
      <button class="linkish" type="button" onclick={onsetup}>Sound check and address</button>
      <button class="linkish" type="button" onclick={() => (looking = true)}>Look somebody up</button>
      <button class="linkish" type="button" onclick={signOut}>Sign this phone out</button>
    </div>
    {#if section === 'me'}<SingleKeys />{/if}
    <OutOf {own} {person} {system} phoneId={phone.id} />
    <WindowPlace phoneId={phone.id} {system} />
  {/if}
</main>
{#if looking}
  {#await import('./LookUp.svelte') then { default: LookUp }}
    <LookUp personId={person.id} {system} close={() => (looking = false)} />
  {/await}
{/if}

<style>
  main {
    padding: 16px 18px;
  }
  /* The sections stand below, over what is scrolled. */
  main:not(.wide) {
    padding-bottom: calc(72px + env(safe-area-inset-bottom));
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
  .desk {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0 22px;
    align-items: start;
  }
  .desk .dial,
  .desk .note,
  .desk .foot {
    grid-column: 1 / 3;
  }
</style>
