<script lang="ts">
  import { onDestroy } from 'svelte';
  import {
    boardCalls,
    boardQueues,
    nowhereNow,
    type NowhereNow,
    presenceInWords,
    presencesApart,
    presencesIn,
  } from '$core/phone';
  import { withOwn, type Setting, servingOf } from '$core/system';
  import { whoseFigures, type Today } from '$core/traffic';
  import { count, dateText, durationText } from '../../format';
  import Override from '../../hours/Override.svelte';
  import Dot from '../../drawn/Dot.svelte';
  import { lamp } from '../../people/lamp';
  import { Line } from '../../phone/line.svelte';
  import { theBusiness } from '../../window/session.svelte';
  import SendOn from './SendOn.svelte';
  import TodaySoFar from './TodaySoFar.svelte';

  /** What goes on now: to be left open, on a desk or on a wall. */
  const business = $derived(theBusiness());
  const inForce = $derived(business.view.inForce.system);
  const people = $derived(whoseFigures(inForce, business.actor));
  const line = new Line(theBusiness().view.business.id);
  onDestroy(() => line.close());
  const own = $derived(withOwn(inForce, business.standing.own));
  const mine = (ids: readonly string[]) => !people || ids.some((id) => people.has(id));
  // Of others' calls a member of staff is told nothing.
  const calls = $derived(
    boardCalls(line.calls, own).filter(
      (c) => mine(c.personIds) || (c.queueId !== null && mine(servingOf(own, c.queueId))),
    ),
  );
  const queues = $derived(
    boardQueues(line.calls, own, business.standing).filter((q) => mine(q.people.map((p) => p.id))),
  );
  const apart = $derived(presencesApart({ system: own, standing: business.standing, now: business.minute }));
  const presences = $derived(presencesIn(apart, line.calls, own));
  const seen = $derived(
    Object.values(own.people).filter((p) => presences[p.id] && (!people || people.has(p.id))),
  );
  /** So long it is looked before the page does something else, in milliseconds. */
  const SLICE_MS = 8;
  let nowhere = $state.raw<NowhereNow[]>([]);
  $effect(() => {
    const numbers = people ? [] : nowhereNow(inForce, business.standing, business.minute);
    let left = false;
    void (async () => {
      const found: NowhereNow[] = [];
      let until = performance.now() + SLICE_MS;
      for (const number of numbers) {
        if (number) found.push(number);
        if (performance.now() < until) continue;
        await new Promise((resolve) => setTimeout(resolve));
        if (left) return;
        until = performance.now() + SLICE_MS;
      }
      nowhere = found;
    })();
    return () => (left = true);
  });
  const hours = $derived(people ? [] : Object.values(inForce.hours));
  const waiting = $derived(queues.reduce((sum, q) => sum + q.waiting.length, 0));

  let today = $state.raw<Today | null>(null);
  $effect(() => {
    // Again when a call has come into the log, and each minute.
    void [business.logbook.state, business.minute];
    void business.logbook.today(people && [...people]).then(
      (now) => (today = now),
      () => {},
    );
  });
  const DOTS = { free: 'on', busy: 'busy', away: 'waiting', off: 'off' } as const;
  const since = (at: number) => durationText(Math.max(0, business.now - at));
  /** What is not stored is said. */
  const set = (words: string, setting: Setting) =>
    void business.deeds.set(words, [setting], business.actorName ?? 'the live board').then(
      () => (problem = ''),
      (error: unknown) => (problem = error instanceof Error ? error.message : String(error)),
    );
  const log = (queueId: string, name: string, personId: string, on: boolean) =>
    set(`${name} ${on ? 'logged in' : 'logged out'}`, { kind: 'logged in', queueId, personId, on });
  const back = (name: string, personId: string) =>
    set(`${name} takes calls again`, { kind: 'paused', personId, reason: null });
  /** Whoever does the phones, whoever leads the queue, and everybody for themselves. */
  const mayLog = (queueId: string, personId: string): boolean =>
    !people || personId === business.actor || inForce.queues[queueId]?.leadId === business.actor;
  const mayMove = (queueId: string): boolean => !people || inForce.queues[queueId]?.leadId === business.actor;
  /** Whose phone a caller would be given from: of whoever looks, where they have one. */
  const phone = $derived(
    Object.values(own.phones).find((p) => p.personId !== null && p.personId === business.actor) ??
      Object.values(own.phones)[0],
  );
  let board = $state<HTMLElement>();
  let problem = $state('');
  const fill = () =>
    board?.requestFullscreen().catch(() => (problem = 'This browser does not fill the screen with it.'));
</script>

<div class="board" bind:this={board}>
  <h1>
    Now
    <button class="linkish small" type="button" onclick={() => void fill()}>Fill the screen</button>
  </h1>
  {#if problem || line.problem || business.logbook.problem}
    <p class="problem" role="alert">{problem || line.problem || business.logbook.problem}</p>
  {/if}
  <p class="bx--visually-hidden" aria-live="polite">
    {count(calls.length, 'call')}, {waiting} waiting
  </p>
  <TodaySoFar {today} now={business.now} zone={business.zone} />
  <div class="columns">
    <div>
      <section aria-label="Calls in progress">
        <h2>{calls.length ? count(calls.length, 'call') : 'No calls'} now</h2>
        {#if calls.length}
          <ul data-testid="board-calls">
            {#each calls as call (call.id)}
              <li class={call.is.replaceAll(' ', '-')}>
                <b>{call.who}</b>
                <span class="soft small">{call.detail}</span>
                <span class="small">{call.way === 'in' ? `on ${call.line}` : call.line}</span>
                <span class="doing">{call.doing}</span>
                <span class="time" aria-label="for {since(call.since)}">{since(call.since)}</span>
                {#if call.refused}<span class="problem small" role="alert">Not done: {call.refused}.</span
                  >{/if}
                {#if call.queueId && phone && mayMove(call.queueId)}
                  <SendOn
                    who={call.who}
                    where={{ system: own, standing: business.standing, phone, now: business.minute }}
                    presence={presences}
                    me={phone.personId === business.actor ? business.actor : null}
                    onsend={(to) =>
                      void line.act({ kind: 'send on', callId: call.id, personId: business.actor, to })}
                  />
                {/if}
              </li>
            {/each}
          </ul>
        {:else}<p class="soft">Nobody calls. What comes is here within a second.</p>{/if}
      </section>
      {#each queues as queue (queue.id)}
        <section aria-label="Queue {queue.name}" data-testid="board-queue">
          <h2>
            {queue.name}:
            {#if queue.waiting.length}
              <span class="alarm"
                >{queue.waiting.length}
                {queue.waiting.length === 1 ? 'waits' : 'wait'}, the first for {since(
                  queue.waiting[0]!.since,
                )}</span
              >
            {:else}nobody waits{/if}
          </h2>
          <ul class="serving">
            {#each queue.people as person (person.id)}
              {@const { service } = person}
              <li>
                <span>{person.name}</span>
                <span class="soft small"
                  >{service.is === 'paused'
                    ? `paused: ${service.reason}`
                    : service.is === 'on'
                      ? (presences[person.id]?.is ?? 'on')
                      : service.is}</span
                >
                {#if service.is === 'paused' && mayLog(queue.id, person.id)}
                  <button class="linkish small" type="button" onclick={() => back(person.name, person.id)}
                    >Take calls again</button
                  >
                {/if}
                {#if mayLog(queue.id, person.id)}
                  <button
                    class="linkish small"
                    type="button"
                    aria-label="{service.is === 'logged out' ? 'Log in' : 'Log out'} {person.name}"
                    onclick={() => log(queue.id, person.name, person.id, service.is === 'logged out')}
                    >{service.is === 'logged out' ? 'Log in' : 'Log out'}</button
                  >
                {/if}
              </li>
            {/each}
          </ul>
        </section>
      {/each}
      {#if nowhere.length}
        <section aria-label="Numbers that ring nobody now" data-testid="board-nowhere">
          <h2>{count(nowhere.length, 'number')} {nowhere.length === 1 ? 'rings' : 'ring'} nobody now</h2>
          <ul>
            {#each nowhere as number (number.numberId)}
              <li><b>{number.label}</b> <span class="small">{number.words}</span></li>
            {/each}
          </ul>
        </section>
      {/if}
    </div>
    <div>
      <section aria-label="People">
        <h2>People</h2>
        <ul class="people" data-testid="board-people">
          {#each seen as person (person.id)}
            {@const presence = presences[person.id]!}
            <li>
              <Dot kind={DOTS[lamp(presence)]} />
              <span>{person.name}</span>
              <span class="soft small">{presenceInWords(presence, dateText)}</span>
            </li>
          {/each}
        </ul>
      </section>
      {#if hours.length}
        <section aria-label="Hours">
          <h2>Hours</h2>
          {#each hours as set (set.id)}
            <p class="small"><b>{set.name}</b></p>
            <Override hours={set} />
          {/each}
        </section>
      {/if}
    </div>
  </div>
</div>

<style>
  .board {
    background: var(--paper);
  }
  .board:fullscreen {
    padding: 24px;
    overflow: auto;
    font-size: 1.4vw;
    --text-body: 1.4vw;
    --text-small: 1.2vw;
    --text-title: 1.8vw;
    --text-heading: 2.4vw;
    --text-figure: 3.4vw;
  }
  .board:fullscreen .linkish {
    display: none;
  }
  h1 {
    display: flex;
    gap: 16px;
    align-items: baseline;
  }
  h1 button {
    font-size: var(--text-small);
  }
  .columns {
    margin-top: 10px;
    grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  }
  section {
    margin: 0 0 14px;
  }
  h2 {
    margin: 0 0 4px;
    font-size: var(--text-title);
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 0 12px;
    align-items: baseline;
    padding: 5px 12px;
    border-bottom: 1px solid var(--rule);
    overflow-wrap: anywhere;
  }
  li:last-child {
    border-bottom: 0;
  }
  .doing {
    flex: 1 1 auto;
  }
  .time {
    font-variant-numeric: tabular-nums;
  }
  /* A mark at the side beside the words: thick while somebody waits, dashed while it rings. */
  .waits {
    border-left: 6px solid var(--alarm);
  }
  .rings {
    border-left: 6px dashed var(--person);
  }
  .talks {
    border-left: 6px solid var(--group);
  }
  .hears,
  .leaves-a-message {
    border-left: 6px dotted var(--message);
  }
  .people {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
  }
  .people li {
    flex-wrap: nowrap;
    align-items: center;
  }
  .alarm,
  .problem {
    color: var(--alarm);
  }
</style>
