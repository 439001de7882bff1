<script lang="ts">
  import { Button, ProgressIndicator, ProgressStep } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { firstPortDay, portStanding, type Port } from '$standins/carrier/porting';
  import { cancelPort, resendPort } from '$workspace';
  import { momentText } from '../../format';
  import { session, theBusiness } from '../../window/session.svelte';
  import { goesNow } from '../going';
  import PortFacts from './PortFacts.svelte';

  let { port }: { port: Port } = $props();
  const system = $derived(theBusiness().system);
  const standing = $derived(portStanding(port, theBusiness().now));
  const last = $derived(port.attempts.at(-1)!);
  const number = $derived(Object.values(system.numbers).find((n) => n.e164 === port.e164));
  const minute = $derived(Math.floor(theBusiness().now / 60_000) * 60_000);
  const standIn = $derived(Object.values(system.numbers).find((n) => n.e164 === port.standIn));
  let correcting = $state(false);
  let facts = $state.raw(untrack(() => port.attempts.at(-1)!.facts));
  let problem = $state<{ field: string; message: string } | null>(null);

  const when = (stage: string) => {
    const at = standing.passed.find((s) => s.stage === stage)?.at;
    if (at !== undefined) return momentText(at, theBusiness().zone);
    if (standing.next?.stage === stage) return `about ${momentText(standing.next.at, theBusiness().zone)}`;
    return stage === 'moved' && standing.movesAt ? momentText(standing.movesAt, theBusiness().zone) : '';
  };
  const steps = $derived(
    standing.stage === 'refused' || standing.stage === 'cancelled'
      ? standing.passed.map((s) => s.stage)
      : (['submitted', 'checked', 'date confirmed', 'moved'] as const),
  );

  function correct() {
    // By now an earlier day may be too soon.
    const first = firstPortDay(theBusiness().now, port.zone);
    facts = { ...last.facts, wantedOn: last.facts.wantedOn < first ? first : last.facts.wantedOn };
    problem = standing.refusal && { field: standing.refusal.field, message: standing.refusal.reason };
    correcting = true;
  }
  async function again(event: Event) {
    event.preventDefault();
    const done = await resendPort(theBusiness().workspace, port.id, facts);
    problem = done.ok ? null : { field: done.field ?? 'provider', message: done.message };
    if (done.ok) correcting = false;
  }
  async function cancel() {
    const done = await cancelPort(theBusiness().workspace, port.id);
    if (!done.ok) {
      session.say({ kind: 'error', title: 'Not called off', detail: done.message });
      return;
    }
    theBusiness().didForGood(
      `Called off bringing over ${theBusiness().number(port.e164)}`,
      'The carrier was told. Ask for it again if it was a mistake.',
    );
    if (number)
      theBusiness().edit(`Do not bring over ${theBusiness().number(port.e164)}`, [
        { do: 'number.remove', id: number.id },
      ]);
    session.say({
      kind: 'info',
      title: `${theBusiness().number(port.e164)} stays with ${last.facts.provider}`,
    });
  }
</script>

<article class="card">
  <h2>{theBusiness().number(port.e164)} <span class="soft">from {last.facts.provider}</span></h2>
  <ProgressIndicator spaceEqually currentIndex={standing.passed.length - 1} preventChangeOnClick>
    {#each steps as stage (stage)}
      <ProgressStep
        label={stage[0]!.toUpperCase() + stage.slice(1)}
        secondaryLabel={when(stage)}
        complete={standing.passed.some((s) => s.stage === stage) &&
          stage !== 'refused' &&
          stage !== 'cancelled'}
        invalid={stage === 'refused' || stage === 'cancelled'}
      />
    {/each}
  </ProgressIndicator>
  {#if standing.stage === 'cancelled'}
    <p>You called it off. The number stays with {last.facts.provider}.</p>
  {:else if standing.stage === 'moved'}
    <p>The number is here. {number ? goesNow(number, system, theBusiness().paired, minute) : ''}</p>
    <p>The old line has ended by itself; nothing is left to cancel.</p>
  {:else}
    <p>
      <b
        >Callers still reach {last.facts.provider}{standing.movesAt
          ? ` until ${momentText(standing.movesAt, theBusiness().zone)}`
          : ''}.</b
      >
      {#if number?.planId}From then on: {goesNow(number, system, theBusiness().paired, minute)}
      {:else if number}<a href="/numbers#{number.id}">Say where its calls go</a> before it arrives.{/if}
    </p>
    {#if standIn}
      <p>
        <b>{theBusiness().number(standIn.e164)}</b> ({standIn.label}) stands in: have the old line forwarded
        to it until then.
      </p>
    {/if}
    {#if standing.stage === 'refused' && standing.refusal}
      <p class="problem" role="alert">Refused: {standing.refusal.reason}</p>
      {#if correcting}
        <form onsubmit={(e) => void again(e)}>
          <PortFacts {facts} {problem} change={(f) => (facts = f)} />
          <div class="row">
            <Button size="small" type="submit">Send it again</Button>
            <Button size="small" kind="ghost" on:click={() => (correcting = false)}>Not now</Button>
          </div>
        </form>
      {:else}<Button size="small" on:click={correct}>Put it right</Button>{/if}
    {/if}
    <button class="linkish small" type="button" onclick={() => void cancel()}
      >Call it off<span class="visually-hidden">&nbsp;for {theBusiness().number(port.e164)}</span></button
    >
  {/if}
</article>

<style>
  article :global(.bx--progress) {
    margin: 12px 0 26px;
  }
  p {
    margin: 8px 0;
  }
  .problem {
    color: var(--alarm);
  }
  form {
    max-width: 420px;
  }
  .row {
    display: flex;
    gap: 8px;
    margin: 12px 0;
  }
</style>
