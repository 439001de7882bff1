<script lang="ts">
  import { TextInput } from 'carbon-components-svelte';
  import {
    actionOf,
    actsOn,
    mayRecord,
    phonesToMoveTo,
    type ActName,
    type Callee,
    type PhoneCall,
    type Where,
  } from '$core/phone';
  import { phoneName } from '$core/calls';
  import type { IfNobody, PassTarget } from '$core/system';
  import { durationText } from '../../format';
  import { freshId } from '../../ids';
  import { singleKeys } from '../../keys/single-keys.svelte';
  import Keypad from '../Keypad.svelte';
  import type { PhoneDesk } from '../desk.svelte';
  import CallField from './CallField.svelte';
  import Wire from './Wire.svelte';

  interface Props {
    /** The calls of this phone, the one it is in first. */
    calls: readonly PhoneCall[];
    desk: PhoneDesk;
    where: Where;
    now: number;
    muted: boolean;
    /** How the sound is, in words; empty where nothing is to be said. */
    sound: string;
    /** How the last call placed from here ended that nobody took. */
    ended: string;
    onmute: () => void;
    /** Somebody chosen beside it, to transfer to. */
    proposed?: Callee | null;
    /** What was typed instead of spoken. */
    words: readonly { from: string; text: string }[];
    ontype: (text: string) => void;
    /** Keys as tones, for whoever hears them as sound. */
    onkeys?: (keys: string) => void;
  }
  let {
    calls,
    desk,
    where,
    now,
    muted,
    sound,
    words,
    ended,
    proposed = null,
    onmute,
    ontype,
    onkeys,
  }: Props = $props();
  const phone = $derived(where.phone.id);

  /** The call acts are about: what is talked in, but where it was placed about another, that one. */
  const current = $derived.by(() => {
    const first = calls.find((c) => c.part !== 'is rung');
    const of = first?.about ? calls.find((c) => c.id === first.about!.callId) : undefined;
    return of ?? first;
  });
  const second = $derived(calls.find((c) => c.about !== null && c.about.callId === current?.id));
  /** Other calls of this phone, which it holds. */
  const others = $derived(calls.filter((c) => c !== current && c !== second && c.part === 'talks'));
  const acts = $derived(
    current
      ? actsOn(current, second, {
          system: where.system,
          taken: desk.going.taken,
          canMove: phonesToMoveTo(where.system, where.phone).length > 0,
          mayRecord: mayRecord(where.system, where.phone.personId),
        })
      : [],
  );
  let asking = $state<'pass on' | 'add' | 'move' | 'keypad' | null>(null);
  let ifNobody = $state<'back' | 'their voicemail'>('back');
  let keyed = $state('');
  let typing = $state(false);
  let toType = $state('');
  /** What was not possible is said for a while. */
  const REFUSED_MS = 10_000;
  const refused = $derived(
    calls.find((c) => c.refused && now - c.refused.at < REFUSED_MS)?.refused?.why ?? '',
  );
  const currentId = $derived(current?.id);
  const secondId = $derived(second?.id);
  // Whatever was being asked belongs to the call it was asked about.
  $effect(() => {
    void currentId;
    void secondId;
    asking = null;
    keyed = '';
    typing = false;
  });

  /** What is written to the call; null while nothing is being written. */
  const note = $derived(desk.going.calls.find((c) => c.request.id === currentId)?.note ?? '');
  let noting = $state<string | null>(null);
  let noteField = $state<HTMLInputElement | null>(null);
  $effect(() => noteField?.focus());
  async function keepNote() {
    if (currentId && noting !== null) await desk.note(currentId, noting);
    noting = null;
  }

  const on = (callId: string) => ({ callId, phone });
  function does(act: ActName) {
    if (!current) return;
    const action = actionOf(act, current, second, phone);
    if (action) return void desk.act(action);
    switch (act) {
      case 'mute':
        return onmute();
      case 'keypad':
      case 'pass on':
      case 'add':
      case 'move':
        asking = asking === act ? null : act;
        return;
      case 'note':
        noting = noting === null ? note : null;
    }
  }
  function passOn(to: PassTarget) {
    const then: IfNobody = { then: to.to === 'person' ? ifNobody : 'back' };
    if (current) void desk.act({ kind: 'pass on', ...on(current.id), to, ifNobody: then });
    asking = null;
  }
  /** Somebody is called about the call: for a word first, to be added, or on another phone. */
  function callAbout(to: Callee['to'], as: 'a word' | 'add' | 'move') {
    if (!current) return;
    void desk.act({
      kind: 'place',
      request: {
        id: freshId('call'),
        at: where.now,
        from: { kind: 'phone', phoneId: phone },
        to,
        behaviour: null,
        about: { callId: current.id, as },
      },
    });
    asking = null;
  }
  let passing = $state.raw<Callee | null>(null);
  $effect(() => {
    if (proposed?.target) passing = proposed;
  });
  function press(key: string) {
    keyed += key;
    onkeys?.(key);
    if (current?.part === 'talks') void desk.act({ kind: 'send keys', ...on(current.id), keys: key });
    else if (current) void desk.act({ kind: 'press', callId: current.id, key });
  }

  function onkeydown(event: KeyboardEvent) {
    // What is typed, and what stands above the call, has its own keys.
    const field =
      event.target instanceof HTMLElement && event.target.closest('input, textarea, select, .bx--modal');
    if (field || event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === 'Escape' && (asking || passing)) {
      asking = passing = null;
      return event.preventDefault();
    }
    if (asking === 'keypad' && /^[0-9*#]$/.test(event.key)) return;
    const act = acts.find((a) => a.key.toLowerCase() === event.key.toLowerCase());
    // A button that has the cursor is pressed by Enter.
    if (!act || (event.key === 'Enter' && event.target instanceof HTMLButtonElement)) return;
    if (event.key.length === 1 && !singleKeys.mean(event)) return;
    event.preventDefault();
    does(act.act);
  }
  const KEY_WORDS: Record<string, string> = { Escape: 'Esc', Enter: 'Enter' };
</script>

<svelte:window {onkeydown} />
{#if current}
  <section class="talk" data-testid="talking" data-call={current.id}>
    <Wire calls={second ? [current, second] : [current]} here={where.phone.name} {now} />
    <p class="facts">
      {#if current.meets}
        <span>in the meeting {current.meets}</span>
      {:else if current.part === 'calls'}
        <span>calling…</span>
      {:else}
        <span><b>{durationText(Math.max(0, now - current.since))}</b> talked</span>
      {/if}
      <span>{current.line}</span>
      {#if muted}<span class="muted"><b>you are muted</b></span>{/if}
      {#if sound}<span data-testid="sound">{sound}</span>{/if}
    </p>
    {#if current.said.length}
      <dl data-testid="notes">
        {#each current.said as { label, text }, i (i)}<div>
            <dt>{label}</dt>
            <dd>{text}</dd>
          </div>{/each}
      </dl>
    {/if}
    {#if second && second.about?.as === 'a word'}
      <p class="soft small" data-testid="ahead">
        {#if second.part === 'talks'}Hanging up puts them through to each other.
        {:else}If you transfer now it rings on there, and comes back to you where nobody answers.{/if}
      </p>
    {:else if second}
      <p class="soft small" data-testid="ahead">
        {second.about?.as === 'add'
          ? 'They join when they answer.'
          : 'The talk moves there when it is lifted.'}
        <button
          class="linkish"
          type="button"
          onclick={() => void desk.act({ kind: 'hang up', callId: second.id, by: 'caller' })}
          >Stop ringing</button
        >
      </p>
    {/if}
    {#if current.recorded}
      <p class="recorded" role="status" data-testid="recorded">
        {current.recorded.is === 'announced'
          ? 'All hear that it is recorded; then it is.'
          : current.recorded.is === 'paused'
            ? 'Recording: a gap, nothing is recorded now.'
            : `Recorded${current.recorded.by === 'rule' ? ' by rule' : current.recorded.by === 'other' ? ' by a colleague' : ''}.`}
      </p>
    {/if}
    {#if current.part === 'talks' && current.ahead}<p class="problem" role="alert">{current.ahead}</p>{/if}
    {#if refused}<p class="problem" role="alert" data-testid="refused">Not done: {refused}.</p>{/if}
    {#if ended}<p role="status">{ended}</p>{/if}

    {#if noting !== null}
      <form
        class="note"
        onsubmit={(e) => {
          e.preventDefault();
          void keepNote();
        }}
      >
        <TextInput
          size="sm"
          labelText="Note to this call"
          maxlength={2000}
          bind:value={noting}
          bind:ref={noteField}
        />
        <button class="linkish" type="submit">Keep it</button>
      </form>
    {:else if note}
      <p data-testid="note">“{note}”</p>
    {/if}
    {#if words.length || typing}
      <div class="words" data-testid="words">
        {#each words as w, i (i)}<p class:own={w.from === phone}>{w.text}</p>{/each}
        <form
          onsubmit={(e) => {
            e.preventDefault();
            ontype(toType);
            toType = '';
          }}
        >
          <TextInput
            size="sm"
            hideLabel
            labelText="Type instead of speaking"
            placeholder="Type instead of speaking"
            bind:value={toType}
          />
        </form>
      </div>
    {:else if current.part === 'talks'}
      <button class="linkish small" type="button" onclick={() => (typing = true)}
        >Type instead of speaking</button
      >
    {/if}
    {#if asking === 'keypad'}
      <div class="panel">
        <output aria-label="Keys pressed">{keyed || 'Keys reach the other side as tones.'}</output>
        <Keypad onpress={press} />
      </div>
    {:else if passing}
      <div class="panel" role="group" aria-label="Transfer to {passing.name}">
        <p>Transfer to <b>{passing.name}</b></p>
        {#if passing.target?.to === 'person'}
          <label class="small"
            >If nobody takes it
            <select bind:value={ifNobody}>
              <option value="back">it comes back to me</option>
              <option value="their voicemail">it goes to their voicemail</option>
            </select>
          </label>
        {/if}
        <div class="two">
          <button
            type="button"
            class="strong"
            onclick={() => {
              passOn(passing!.target!);
              passing = null;
            }}>Transfer at once</button
          >
          <button
            type="button"
            onclick={() => {
              callAbout(passing!.to, 'a word');
              passing = null;
            }}>After a word</button
          >
        </div>
        <button class="linkish" type="button" onclick={() => (passing = null)}>Somebody else</button>
      </div>
    {:else if asking === 'pass on' || asking === 'add'}
      <div class="panel">
        <CallField
          {where}
          presence={desk.going.presence}
          what={asking === 'add' ? 'call' : 'pass on'}
          label={asking === 'add' ? 'Add: a name or number' : 'Transfer to: a name or number'}
          takes
          oncancel={() => (asking = null)}
          onchoose={(callee) => {
            if (asking === 'add') callAbout(callee.to, 'add');
            else if (callee.target) passing = callee;
          }}
        />
        <button class="linkish" type="button" onclick={() => (asking = null)}>Leave it</button>
      </div>
    {:else if asking === 'move'}
      <div class="panel" role="group" aria-label="To another phone">
        {#each phonesToMoveTo(where.system, where.phone) as p (p.id)}
          <button
            type="button"
            onclick={() => callAbout({ kind: 'target', target: { to: 'phone', phoneId: p.id } }, 'move')}
            >{phoneName(where.system, p.id)}</button
          >
        {/each}
        <button class="linkish" type="button" onclick={() => (asking = null)}>Leave it</button>
      </div>
    {/if}

    {#each others as held (held.id)}
      <p class="held" data-testid="held-call">
        <span><b>{held.others.map((o) => o.name).join(', ')}</b> waits, held</span>
        <button type="button" onclick={() => void desk.act({ kind: 'take back', ...on(held.id) })}
          >Talk with them</button
        >
      </p>
    {/each}
    <div class="acts">
      {#each acts as { act, words, key } (act)}
        <button
          type="button"
          class:strong={act === 'hang up' || act === 'join'}
          class:wide={act === 'hang up' || act === 'join' || act === 'back to'}
          class:pressed={(act === 'mute' && muted) || act === asking}
          aria-pressed={act === 'mute' ? muted : undefined}
          onclick={() => does(act)}
          >{act === 'mute' && muted ? 'Muted' : words}
          <small>{KEY_WORDS[key] ?? key.toUpperCase()}</small></button
        >
      {/each}
    </div>
  </section>
{/if}

<style>
  .recorded {
    border-left: 4px solid var(--alarm);
    padding-left: 10px;
    margin: 0 0 8px;
  }
  .talk {
    padding: 22px 18px;
    display: flex;
    flex-direction: column;
    gap: 8px;
    min-height: calc(100vh - 74px);
    box-sizing: border-box;
  }
  .facts {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 16px;
    margin: 0;
    color: var(--ink-soft);
    font-size: var(--text-body);
    font-variant-numeric: tabular-nums;
  }
  .facts b {
    color: var(--ink);
  }
  .muted b {
    color: var(--copper);
  }
  dl {
    margin: 0;
    border-left: 3px solid var(--menu);
    background: var(--sheet);
    padding: 8px 12px;
    font-size: var(--text-body);
  }
  dl div {
    display: flex;
    gap: 8px;
  }
  dt {
    color: var(--ink-soft);
  }
  dd {
    margin: 0;
    overflow-wrap: anywhere;
  }
  .words p {
    margin: 0 0 4px;
    padding: 6px 10px;
    background: var(--sheet);
    border: 1px solid var(--rule);
    overflow-wrap: anywhere;
  }
  .words p.own {
    margin-left: 40px;
    background: var(--copper-wash);
  }
  .panel {
    background: var(--sheet);
    border: 1px solid var(--rule);
    padding: 12px;
    display: grid;
    gap: 8px;
  }
  .panel p {
    margin: 0;
  }
  .panel label {
    display: grid;
    gap: 4px;
  }
  select {
    min-height: 44px;
    background: var(--sheet);
    color: var(--ink);
    border: 1px solid var(--line);
    font: inherit;
  }
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 8px;
  }
  output {
    font-variant-numeric: tabular-nums;
    min-height: 22px;
  }
  .held {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 10px;
    margin: 0;
    padding: 6px 0 6px 12px;
    border-left: 3px dotted var(--copper);
  }
  .acts {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 8px;
    margin-top: auto;
  }
  button:not(.linkish) {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 8px;
    min-height: 48px;
    padding: 8px 14px;
    border: 1px solid var(--rule);
    background: var(--sheet);
    color: var(--ink);
    font: inherit;
    font-weight: 600;
    text-align: left;
    cursor: pointer;
  }
  button:not(.linkish):hover {
    background: var(--hover);
  }
  button.pressed:not(.linkish) {
    background: var(--copper-wash);
    border-color: var(--copper);
  }
  button.strong:not(.linkish) {
    background: var(--night);
    color: var(--on-solid);
    border-color: var(--night);
  }
  button.wide {
    grid-column: 1 / 3;
  }
  .acts button:last-child:nth-child(n + 3) {
    margin-top: 8px;
  }
  small {
    font-weight: 400;
    font-size: var(--text-small);
    opacity: 0.8;
  }
  .problem {
    color: var(--alarm);
    margin: 0;
  }
</style>
