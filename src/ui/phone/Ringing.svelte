<script lang="ts">
  import { onDestroy, onMount } from 'svelte';
  import { listed, passedTo, saidSoFar, whoCalls, whoseName } from '$core/calls';
  import { profileOf } from '$core/numbering';
  import { aheadOf } from '$core/phone';
  import { allSteps, contactOf, type System } from '$core/system';
  import type { LiveCall } from '$exchange';
  import { singleKeys } from '../keys/single-keys.svelte';
  import { here } from '../window/session.svelte';
  import Before from './Before.svelte';
  import { showCall } from './notify';
  import { allowSound, playCadence, soundAllowed, soundStarts } from './sounds/tones';

  interface Props {
    call: LiveCall;
    phoneId: string;
    system: System;
    onanswer: () => void;
    ondecline: () => void;
    onmailbox: () => void;
    /** Another phone of its person that rings aloud in place of this window, and how to answer on it. */
    elsewhere?: { name: string; answer: (() => void) | null } | null;
  }
  let { call, phoneId, system, onanswer, ondecline, onmailbox, elsewhere = null }: Props = $props();

  /** It was asked for by somebody at their screen: lifting it calls whom they chose. */
  const ringsFirst = $derived(
    call.request.ringsFirst && call.request.from.kind === 'phone' && call.request.from.phoneId === phoneId,
  );
  const whom = $derived.by(() => {
    const { to } = call.request;
    if (to.kind === 'target') return passedTo(system, to.target);
    const typed = to.kind === 'number' ? to.e164 : to.digits;
    return typed.startsWith('+') ? whoCalls(system, { kind: 'outside', number: typed }) : typed;
  });
  const number = $derived(
    !ringsFirst && call.request.from.kind === 'outside' ? call.request.from.number : null,
  );
  const contact = $derived(number ? contactOf(number, system.contacts) : undefined);
  const caller = $derived(
    ringsFirst ? `Lift to call ${whom}` : (contact?.name ?? whoCalls(system, call.request.from)),
  );
  const via = $derived(call.numberId ? (system.numbers[call.numberId]?.label ?? '') : 'Extension');
  /** What the step that rings wants this phone to show. */
  const shows = $derived.by(() => {
    const at = call.trace.findLast((e) => e.kind === 'step');
    const step =
      at?.kind === 'step'
        ? [...allSteps(system.plans[at.planId]?.steps ?? [])].find((s) => s.id === at.stepId)
        : undefined;
    return (step?.kind === 'ring' ? step.shows : undefined) ?? 'both';
  });
  const own = $derived(system.phones[phoneId]?.personId);
  const others = $derived([
    ...new Set(
      call.legs
        .filter((l) => l.state !== 'over' && l.phone !== phoneId)
        .map((l) =>
          l.personId && l.personId === own
            ? `your ${system.phones[l.phone]?.name.toLowerCase()}`
            : whoseName(system, l.phone),
        ),
    ),
  ]);
  /** It was lifted, and a key takes the call. */
  const asked = $derived(call.legs.some((l) => l.phone === phoneId && l.state === 'confirming'));
  /** A call that is for several is not for one mailbox. */
  const canDivert = $derived(!!own && call.calledPerson === own && !!system.people[own]?.mailboxId);
  const left = $derived(call.until ? Math.max(0, call.until - here().now) : 0);
  const whole = $derived(call.until ? call.until - call.since : 1);
  const ahead = $derived(aheadOf(call, phoneId, system));
  const notes = $derived(saidSoFar(call.trace, system));
  let silent = $state(false);
  let stop = () => {};
  let close = () => {};

  onMount(() => {
    if (!elsewhere) {
      stop = playCadence(profileOf(system.business.country).ringback);
      silent = !soundAllowed();
      void soundStarts().then(() => (silent = false));
    }
    // Another window hides this one: the browser shows that somebody calls, with answer and decline where it can.
    if (document.hidden)
      close = showCall(
        {
          callId: call.request.id,
          title: shows === 'number called' ? `A call for ${via}` : `${caller} calls`,
          body: shows === 'caller' ? '' : via,
        },
        { answer: onanswer, decline: ondecline },
      );
  });
  onDestroy(() => {
    stop();
    close();
  });

  function onkeydown(event: KeyboardEvent) {
    const letter = singleKeys.mean(event) ? event.key.toLowerCase() : '';
    // A button that has the cursor is pressed by Enter: answering is not what all of them do.
    const enter = event.key === 'Enter' && !(event.target instanceof HTMLButtonElement);
    if (enter || letter === 'a' || (asked && letter === '1')) onanswer();
    else if (event.key === 'Escape') ondecline();
    else if (letter === 'v' && canDivert) onmailbox();
    else return;
    event.preventDefault();
  }
</script>

<svelte:window {onkeydown} />
<svelte:head><title>{shows === 'number called' ? via : caller} is ringing</title></svelte:head>

<section class="ring" aria-live="assertive" data-testid="ringing">
  {#if shows !== 'caller'}<span class="via">{via}</span>{/if}
  <h1>{shows === 'number called' ? `A call for ${via}` : caller}</h1>
  {#if ahead}<p data-testid="ahead">{ahead}</p>{/if}
  {#if contact && shows !== 'number called'}<p class="soft">{whoCalls(system, call.request.from)}</p>{/if}
  <p class="soft">{others.length ? `Also ringing ${listed(others)}` : 'Ringing only here'}</p>
  {#if notes.length}
    <dl data-testid="notes">
      {#each notes as { label, text }, i (i)}<div>
          <dt>{label}</dt>
          <dd>{text}</dd>
        </div>{/each}
    </dl>
  {/if}
  {#if number && shows !== 'number called'}<Before {number} {system} callId={call.request.id} />{/if}
  <div class="count" aria-hidden="true"><i style:width="{(left / whole) * 100}%"></i></div>
  <p class="soft small">goes on without you in {Math.ceil(left / 1000)} s</p>
  {#if elsewhere}
    <p class="soft small" data-testid="silent-here">
      It rings at your {elsewhere.name}; this window stays silent.
      {#if elsewhere.answer}<button class="linkish" type="button" onclick={elsewhere.answer}
          >Answer on your {elsewhere.name}</button
        >{/if}
    </p>
  {/if}
  {#if silent}
    <button
      class="linkish"
      type="button"
      onclick={async () => {
        await allowSound();
        silent = false;
      }}>The browser keeps this window silent. Let it ring aloud.</button
    >
  {/if}
  <div class="choices">
    <button class="yes" type="button" onclick={onanswer}
      >{asked ? 'Press 1: take the call' : ringsFirst ? 'Lift and call' : 'Answer'}
      <small>{asked ? '1' : 'Enter'}</small></button
    >
    {#if canDivert}<button type="button" onclick={onmailbox}>Let them leave a message <small>V</small></button
      >{/if}
    <button type="button" onclick={ondecline}>Not now: stop my phones <small>Esc</small></button>
  </div>
</section>

<style>
  .ring {
    padding: 26px 24px;
    display: flex;
    flex-direction: column;
    min-height: calc(100vh - 70px);
  }
  dl {
    margin: 0 0 10px;
    border-left: 3px solid var(--copper);
    padding-left: 10px;
    font-size: var(--text-lead);
  }
  dl div {
    display: flex;
    gap: 8px;
  }
  dt {
    color: var(--ink-soft);
    min-width: 60px;
  }
  dd {
    margin: 0;
  }
  .via {
    align-self: flex-start;
    background: var(--solid);
    color: var(--on-solid);
    padding: 3px 10px;
    font-weight: 600;
    font-size: var(--text-body);
    /* From one to the other, for what changes with every frame keeps a small phone from resting. */
    animation: beat 1.2s steps(1) infinite;
  }
  @keyframes beat {
    50% {
      background: var(--night);
    }
  }
  @media (prefers-reduced-motion: reduce) {
    .via {
      animation: none;
    }
  }
  h1 {
    font-size: var(--text-figure);
    margin: 14px 0 2px;
  }
  p {
    margin: 0 0 14px;
  }
  .count {
    height: 6px;
    background: var(--rule);
    margin-bottom: 4px;
  }
  .count i {
    display: block;
    height: 6px;
    background: var(--copper);
  }
  .choices {
    display: grid;
    gap: 10px;
    margin-top: auto;
  }
  .choices button {
    font-size: var(--text-title);
    padding: 16px;
    border: 1.5px solid var(--ink);
    background: var(--sheet);
    color: var(--ink);
    text-align: left;
    font-weight: 600;
    cursor: pointer;
  }
  .choices .yes {
    background: var(--night);
    color: var(--on-solid);
  }
  small {
    float: right;
    font-weight: 400;
    font-size: var(--text-body);
  }
</style>
