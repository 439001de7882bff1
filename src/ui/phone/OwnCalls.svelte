<script lang="ts">
  import { soundsLike } from '$core/audio';
  import { whoCalls, ending, outcomeOf, timesOf, whoseName } from '$core/calls';
  import { calledName } from '$core/phone';
  import type { Person, System } from '$core/system';
  import type { CallRecord } from '$workspace';
  import { durationText, momentText } from '../format';
  import CallSounds from '../messages/CallSounds.svelte';
  import { here } from '../window/session.svelte';

  /** The last calls that rang somebody, or that they made, and what became of them. */
  let { person, system }: { person: Person; system: System } = $props();
  const MOST = 10;
  const isOut = ({ request: { from } }: CallRecord) =>
    from.kind === 'phone' && system.phones[from.phoneId]?.personId === person.id;
  const calls = $derived(
    [...here().log]
      .reverse()
      .filter((c) => isOut(c) || c.trace.some((e) => e.kind === 'leg offered' && e.personId === person.id))
      .slice(0, MOST),
  );

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
</script>

<h2>Calls</h2>
{#each calls as call (call.id)}
  {@const { words, missed } = callWords(call)}
  <div class="call">
    <b
      >{isOut(call)
        ? `To ${calledName(call.request.to, call.trace, system)}`
        : whoCalls(system, call.request.from)}{#if missed}<em> missed</em>{/if}</b
    ><span>{momentText(call.at, here().zone)}</span>
    <small>{words}{sounded(call)}</small>
    <CallSounds {call} {system} own={person.id} />
    {#if call.note}<small class="note">“{call.note}”</small>{/if}
  </div>
{:else}<p class="soft">No calls yet.</p>{/each}

<style>
  .call {
    display: grid;
    grid-template-columns: 1fr auto;
    padding: 9px 12px;
    background: var(--sheet);
    border-bottom: 1px solid var(--rule);
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
  em {
    color: var(--alarm);
    font-style: normal;
    font-weight: 400;
    font-size: var(--text-small);
  }
</style>
