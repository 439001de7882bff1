<script lang="ts">
  import { Button, TextInput } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { readNumber } from '$core/numbering';
  import { isProved, type Phone } from '$core/system';
  import { PROOF_LIFE_MS } from '$standins/proof/proof';
  import { giveCode, proveByCode } from '$workspace';
  import EditField from '../fields/EditField.svelte';
  import { durationText, momentText } from '../format';
  import { session, theBusiness } from '../window/session.svelte';

  /** An outside phone that rings for somebody: its number, and the proof that it is theirs. */
  let { phone }: { phone: Phone } = $props();
  const id = untrack(() => phone.id);
  const proved = $derived(isProved(theBusiness().standing, phone));
  const proof = $derived(
    theBusiness().view.dealings.proofs.findLast((p) => p.phoneId === phone.id && p.number === phone.number),
  );
  const waiting = $derived(
    proof?.state === 'open' && theBusiness().now - proof.sentAt < PROOF_LIFE_MS ? proof : undefined,
  );
  let code = $state('');
  let problem = $state('');

  function renumber(text: string): string | undefined {
    const { business } = theBusiness().system;
    const read = readNumber(text, business.country, business.outsideDigit);
    if (!read.ok) return read.message;
    const own = Object.values(theBusiness().system.numbers).find((n) => n.e164 === read.number.e164);
    if (own) return `That is your own ${own.label}: calls would come back to it.`;
    return theBusiness().keep(`Link ${theBusiness().number(read.number.e164)}`, [
      { do: 'phone.set', id, change: { number: read.number.e164 } },
    ]);
  }
  async function send(by: 'text' | 'call') {
    code = '';
    const random = crypto.getRandomValues(new Uint32Array(1))[0]! / 2 ** 32;
    const done = await proveByCode(theBusiness().workspace, phone, by, random);
    problem = done.ok ? '' : done.message;
  }
  async function give(event: Event) {
    event.preventDefault();
    const done = await giveCode(theBusiness().workspace, phone, code);
    problem = done.ok ? '' : done.message;
    if (done.ok)
      session.say({
        kind: 'success',
        title: `${theBusiness().number(phone.number!)} is proved: calls may be sent to it`,
      });
  }
</script>

<EditField
  label="Its number"
  value={phone.number ? theBusiness().number(phone.number) : ''}
  keep={renumber}
/>
{#if proved}
  <p class="small">
    Proved {momentText(theBusiness().standing.proved[phone.id]!.at, theBusiness().zone)}: calls may be sent to
    it.
  </p>
{:else}
  <p class="small warn">Not proved yet: no call is sent to it before its owner gives back a code.</p>
  {#if waiting}
    <form onsubmit={(e) => void give(e)}>
      <TextInput
        size="sm"
        labelText="Code from the {waiting.by}"
        inputmode="numeric"
        autocomplete="one-time-code"
        helperText="sent to {theBusiness().number(waiting.number)}, good for {durationText(
          waiting.sentAt + PROOF_LIFE_MS - theBusiness().now,
        )} more"
        bind:value={code}
        invalid={!!problem}
        invalidText={problem}
      />
      <Button size="small" type="submit">Prove it</Button>
    </form>
  {:else if problem}<p class="small warn" role="alert">{problem}</p>
  {:else if proof?.state === 'open'}<p class="small warn">The last code has expired.</p>{/if}
  <div class="row">
    <Button size="small" kind="tertiary" on:click={() => void send('text')}
      >{waiting ? 'Text a new code' : 'Text a code'}</Button
    >
    <Button size="small" kind="ghost" on:click={() => void send('call')}>Call with a code</Button>
  </div>
{/if}

<style>
  p {
    margin: 6px 0;
  }
  .warn {
    color: var(--alarm);
  }
  form {
    display: grid;
    gap: 8px;
    justify-items: start;
    margin-bottom: 8px;
  }
  form > :global(:first-child) {
    width: 100%;
  }
  .row {
    display: flex;
    gap: 8px;
  }
</style>
