<script lang="ts" module>
  export type Which = 'all' | 'missed' | 'in' | 'out';
</script>

<script lang="ts">
  import { soundsLike } from '$core/audio';
  import { whoCalls, ending, outcomeOf, timesOf, whoseName } from '$core/calls';
  import { calledName } from '$core/phone';
  import { factsOfCall, type About } from '$core/story';
  import { contactOf, type Person, type System } from '$core/system';
  import type { CallRecord } from '$workspace';
  import { durationText, momentText } from '../../format';
  import KeepContact from '../../contacts/KeepContact.svelte';
  import AnswerBack from '../../messages/AnswerBack.svelte';
  import CallSounds from '../../messages/CallSounds.svelte';
  import { here } from '../../window/session.svelte';

  /** The last calls that rang somebody, or that they made, and what became of them. */
  interface Props {
    person: Person;
    system: System;
    phoneId: string;
    query?: string;
    which?: Which;
    /** So many at most. */
    most?: number;
    /** This one alone, by id. */
    only?: string | undefined;
    /** What becomes of one that is to be passed on to a colleague. */
    onpass?: (about: About) => void;
  }
  let { person, system, phoneId, query = '', which = 'all', most = 10, only, onpass }: Props = $props();
  /** A phone is told of so many. */
  const TOLD = 100;
  const isOut = ({ request: { from } }: CallRecord) =>
    from.kind === 'phone' && system.phones[from.phoneId]?.personId === person.id;
  const all = $derived(
    [...here().log]
      .reverse()
      .filter((c) => isOut(c) || c.trace.some((e) => e.kind === 'leg offered' && e.personId === person.id)),
  );
  const nameOf = (call: CallRecord): string =>
    isOut(call)
      ? `To ${calledName(call.request.to, call.trace, system)}`
      : whoCalls(system, call.request.from);
  const words = $derived(query.toLowerCase().split(/\s+/).filter(Boolean));
  function isAmong(call: CallRecord): boolean {
    const facts = factsOfCall(call);
    const out = isOut(call);
    if (which === 'missed' && (out || !callWords(call).missed)) return false;
    if ((which === 'in' && out) || (which === 'out' && !out)) return false;
    const contact = facts.other ? contactOf(facts.other, system.contacts) : undefined;
    const text =
      `${nameOf(call)} ${contact?.name ?? ''} ${contact?.firm ?? ''} ${facts.other ?? ''} ${facts.text}`.toLowerCase();
    return words.every((w) => text.includes(w));
  }
  const found = $derived(
    only ? all.filter((c) => c.id === only) : words.length || which !== 'all' ? all.filter(isAmong) : all,
  );
  const calls = $derived(found.slice(0, most));

  function callWords(call: CallRecord): { words: string; missed: boolean } {
    const { trace } = call;
    const out = isOut(call);
    const ended = outcomeOf(trace);
    const answered = trace.find((e) => e.kind === 'answered');
    if (answered?.kind === 'answered' && ended) {
      const mine = out || answered.personId === person.id;
      const who = mine ? 'you talked' : `${whoseName(system, answered.phone)} talked`;
      const { held } = timesOf(trace);
      const holding = held ? `, ${durationText(held * 1000)} of it on hold` : '';
      return { words: `${who} ${durationText(ended.t - answered.t)}${holding}`, missed: false };
    }
    return { words: ended ? ending(ended.outcome, system) : '', missed: !out };
  }

  /** How it sounded where it was heard worst. */
  function sounded({ quality }: CallRecord): string {
    const worst = Math.min(...Object.values(quality ?? {}));
    return worst === Infinity ? '' : `; sound: ${soundsLike(worst)}`;
  }
  /** The outside number of it; of colleagues there is none. */
  const numberOf = (call: CallRecord) =>
    factsOfCall(call).way === 'inside' ? null : factsOfCall(call).other;
</script>

<h2>Calls</h2>
{#each calls as call (call.id)}
  {@const { words, missed } = callWords(call)}
  {@const number = numberOf(call)}
  <div class="call">
    <b
      >{nameOf(call)}{#if missed}<em> missed</em>{/if}</b
    ><span>{momentText(call.at, here().zone)}</span>
    <small>{words}{sounded(call)}</small>
    <CallSounds {call} {system} own={person.id} />
    {#if call.note}<small class="note">“{call.note}”</small>{/if}
    {#if most > 10}
      <div class="acts">
        {#if number}
          <AnswerBack
            {number}
            own={phoneId}
            answered={() => Promise.resolve()}
          />{#if !contactOf(number, system.contacts)}<KeepContact {number} />{/if}
        {/if}
        {#if onpass}
          {@const about = `the call ${isOut(call) ? nameOf(call).replace(/^To/, 'to') : `of ${nameOf(call)}`}, ${momentText(call.at, here().zone)}`}
          <button
            class="linkish small"
            type="button"
            onclick={() => onpass({ is: 'call', id: call.id, words: about.slice(0, 200) })}
            >Tell a colleague<span class="visually-hidden">&nbsp;of {about}</span></button
          >
        {/if}
      </div>
    {/if}
  </div>
{:else}<p class="soft">{all.length ? 'None is found by that.' : 'No calls yet.'}</p>{/each}
{#if most > 10 && all.length >= TOLD}
  <p class="soft small">
    This phone knows the last {TOLD} calls that concern you; older ones are in the office’s log.
  </p>
{/if}

<style>
  .call {
    display: grid;
    grid-template-columns: 1fr auto;
    padding: 9px 12px;
    background: var(--sheet);
    border-bottom: 1px solid var(--rule);
    overflow-wrap: anywhere;
  }
  .call span,
  .call small {
    color: var(--ink-soft);
    font-size: var(--text-small);
  }
  .call small {
    grid-column: 1 / 3;
  }
  .call .note {
    color: var(--ink);
  }
  .acts {
    grid-column: 1 / 3;
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
  }
  em {
    color: var(--alarm);
    font-style: normal;
    font-weight: 400;
    font-size: var(--text-small);
  }
</style>
