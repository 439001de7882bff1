<script lang="ts">
  import type { TraceEvent } from '$core/calls';
  import { filledIn } from '$exchange';
  import { momentText } from '../format';
  import { theBusiness } from '../window/session.svelte';

  /** Text messages and web hooks that plans sent, and what became of them at the stand-ins. */
  type Notified = Extract<TraceEvent, { kind: 'notified' }>;
  const system = $derived(theBusiness().view.inForce.system);
  const sent = $derived(
    [...theBusiness().view.calls]
      .reverse()
      .flatMap((call) =>
        call.trace
          .filter(
            (e): e is TraceEvent & Notified =>
              e.kind === 'notified' && (e.how === 'text' || e.how === 'hook'),
          )
          .map((e, i) => ({
            key: `${call.id}-${i}`,
            at: call.at + e.t,
            from: call.request.from,
            ...e,
            text: filledIn(e.text, system, call),
          })),
      )
      .slice(0, 30),
  );
  /** The stand-in for web addresses: hosts in .invalid are not found, "slow" is late, "refuse" refuses (HTTP, RFC 9110). */
  function answerOf(to: string): string {
    const host = URL.canParse(to) ? new URL(to).hostname : '';
    if (!host || host.endsWith('.invalid')) return 'no such host';
    if (host.includes('slow')) return '504 Gateway Timeout';
    return host.includes('refuse') ? '403 Forbidden' : '204 No Content';
  }
  const fate = (n: (typeof sent)[number]): string => {
    if (n.how === 'hook') return `${n.to}: ${answerOf(n.to)}`;
    if (n.from.kind !== 'outside' || !n.from.number) return 'not sent: the caller hides their number';
    return `text to ${theBusiness().number(n.from.number)}: delivered`;
  };
</script>

<h3>Texts and web hooks of plans</h3>
{#each sent as n (n.key)}
  <p class="small">
    {momentText(n.at, theBusiness().zone)} · {fate(n)}<br /><span class="soft">{n.text}</span>
  </p>
{:else}<p class="small soft">None was sent yet. A Notify step sends them.</p>{/each}
