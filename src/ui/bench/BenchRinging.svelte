<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import { outsideNumber, phoneName, saidSoFar } from '$core/calls';
  import { isLinked } from '$core/system';
  import { Line } from '../phone/line.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** Outside phones of the business that ring now: somebody's own mobile, or a number a plan forwards to. */
  const line = new Line(theBusiness().view.business.id);
  onDestroy(() => line.close());
  const system = $derived(theBusiness().view.inForce.system);
  const ringing = $derived(
    line.calls.flatMap((call) =>
      call.phase !== 'ringing'
        ? []
        : call.legs
            .filter((l) => l.state === 'sounding' || l.state === 'confirming')
            .filter((l) => {
              const phone = system.phones[l.phone];
              return outsideNumber(l.phone) !== undefined || (phone && isLinked(phone));
            })
            .map((leg) => ({ call, leg })),
    ),
  );
  const talking = $derived(
    line.calls.flatMap((call) =>
      call.ends
        .filter(({ phone }) => {
          const known = system.phones[phone];
          return outsideNumber(phone) !== undefined || (known && isLinked(known));
        })
        .map((end) => ({ call, end })),
    ),
  );
  /** What such a phone shows: the caller, or the number that was called. */
  function shows({ call, leg }: (typeof ringing)[number]): string {
    const offered = call.trace.find((e) => e.kind === 'leg offered' && e.leg === leg.n);
    if (offered?.kind === 'leg offered' && offered.sees !== undefined)
      return offered.sees ? theBusiness().number(offered.sees) : 'a hidden number';
    const { from } = call.request;
    return from.kind === 'outside' && from.number ? theBusiness().number(from.number) : 'a hidden number';
  }
  const asked = ({ call }: (typeof ringing)[number]) => {
    const name = saidSoFar(call.trace, system).find((n) => n.label === 'Name')?.text;
    return `“A call${name ? ` from ${name}` : ''}. To take it press 1, for your voicemail 2, to decline 3.”`;
  };
</script>

{#if ringing.length || talking.length}
  <h3>Ringing outside now</h3>
  <ul class="slips" aria-label="Ringing outside now">
    {#each ringing as r (r.call.request.id + r.leg.n)}
      {@const callId = r.call.request.id}
      {@const { phone } = r.leg}
      <li>
        <b>{phoneName(system, phone, r.leg.personId)}</b>
        {#if r.leg.state === 'sounding'}
          <p>rings, and shows {shows(r)}</p>
          <Button size="small" on:click={() => void line.act({ kind: 'answer', callId, phone })}>Lift</Button>
          <Button size="small" kind="ghost" on:click={() => void line.act({ kind: 'decline', callId, phone })}
            >Decline</Button
          >
        {:else}
          <p>{asked(r)}</p>
          <Button size="small" on:click={() => void line.act({ kind: 'answer', callId, phone })}
            >Press 1</Button
          >
          <Button
            size="small"
            kind="tertiary"
            on:click={() => void line.act({ kind: 'to mailbox', callId, phone })}>Press 2</Button
          >
          <Button size="small" kind="ghost" on:click={() => void line.act({ kind: 'decline', callId, phone })}
            >Press 3</Button
          >
        {/if}
      </li>
    {/each}
    {#each talking as { call, end } (call.request.id + end.n)}
      <li>
        <b>{phoneName(system, end.phone, end.personId)}</b>
        <p>talks</p>
        <Button
          size="small"
          kind="danger-tertiary"
          on:click={() =>
            void line.act({ kind: 'hang up', callId: call.request.id, by: 'called', phone: end.phone })}
          >Hang up</Button
        >
      </li>
    {/each}
  </ul>
{/if}

<style>
  h3 {
    margin: 16px 0 6px;
  }
  p {
    margin: 2px 0 6px;
  }
</style>
