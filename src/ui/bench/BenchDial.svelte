<script lang="ts">
  import { Button, Select, TextInput } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import { ending, outcomeOf, phoneName, sentence } from '$core/calls';
  import { callerLock } from '$exchange';
  import { freshId } from '../ids';
  import CallerSound from '../phone/sounds/CallerSound.svelte';
  import { heardInWords } from '$core/phone';
  import Keypad from '../phone/Keypad.svelte';
  import { hold } from '$exchange';
  import { Line } from '../phone/line.svelte';
  import { theBusiness } from '../window/session.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  /** Dials on one of the business's own phones, as somebody at a desk would; the call is real. */
  const line = new Line(theBusiness().view.business.id);
  const system = $derived(theBusiness().view.inForce.system);
  const phones = $derived(
    Object.values(system.phones).filter(
      (p) => p.number === null && theBusiness().standing.registrations[p.id],
    ),
  );
  let phoneId = $state('');
  let digits = $state('');
  let callId = $state('');
  let problem = $state('');
  let release = () => {};
  const phone = $derived(phones.find((p) => p.id === phoneId) ?? phones[0]);
  const live = $derived(line.calls.find((c) => c.request.id === callId));
  const logged = $derived(theBusiness().view.calls.find((c) => c.id === callId));

  async function dial(event: Event) {
    event.preventDefault();
    problem = /^[\d*#+\s()-]+$/.test(digits) ? '' : 'Digits, * and # only.';
    if (problem || !phone) return;
    release();
    callId = freshId('call');
    await new Promise<void>((resolve) => (release = hold(callerLock(callId), resolve)));
    await line.act({
      kind: 'place',
      request: {
        id: callId,
        at: theBusiness().workspace.now(),
        from: { kind: 'phone', phoneId: phone.id },
        to: { kind: 'digits', digits },
        behaviour: null,
      },
    });
  }
  onDestroy(() => {
    release();
    line.close();
  });
</script>

<h3>Dial on one of your phones</h3>
{#if phone}
  <form onsubmit={(e) => void dial(e)}>
    <Select size="sm" labelText="Phone" selected={phone.id} on:update={(e) => (phoneId = String(e.detail))}>
      {#each phones as p (p.id)}<SelectItem value={p.id} text={phoneName(system, p.id)} />{/each}
    </Select>
    <TextInput
      size="sm"
      labelText="Digits"
      type="tel"
      bind:value={digits}
      invalid={!!problem}
      invalidText={problem}
    />
    <Button size="small" type="submit">Dial</Button>
  </form>
  {#if live?.phase === 'inbox'}
    <CallerSound call={live} {system} />
    <p role="status" data-testid="desk-hears">
      {heardInWords(live, system, theBusiness().now, theBusiness().view.messages)}
    </p>
    <Keypad onpress={(key) => void line.act({ kind: 'press', callId, key })} />
  {/if}
  {#if live && live.phase !== 'over'}
    <p>
      {live.phase === 'inbox'
        ? ''
        : live.phase === 'ringing'
          ? 'It rings.'
          : live.phase === 'talking'
            ? 'They talk.'
            : 'The call goes on.'}
      <Button
        size="small"
        kind="danger-tertiary"
        on:click={() => void line.act({ kind: 'hang up', callId, by: 'caller' })}>Hang up</Button
      >
    </p>
  {:else if logged}
    {@const ended = outcomeOf(logged.trace)}
    <p role="status">
      {sentence(logged.trace, system, 'past') || (ended ? ending(ended.outcome, system) : '')}
    </p>
  {/if}
{:else}<p>No phone of yours is paired yet.</p>{/if}

<style>
  h3 {
    margin: 22px 0 6px;
  }
  form {
    display: grid;
    grid-template-columns: 1fr 110px auto;
    gap: 8px;
    align-items: end;
  }
  p {
    margin: 8px 0 0;
  }
</style>
