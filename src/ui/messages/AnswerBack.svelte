<script lang="ts">
  import { Button, Select, TextInput } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { phoneName } from '$core/calls';
  import { accountsOn } from '$core/system';
  import { deliveryOf } from '$standins/carrier/texting';
  import { here, session, theBusiness } from '../window/session.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  /** Calls or texts somebody back: from which phone, with which number. */
  let {
    number,
    own,
    back = true,
    answered,
  }: {
    number: string;
    /** The phone this window is, which is offered first. */
    own?: string | undefined;
    /** They called or wrote before. */
    back?: boolean;
    answered: () => Promise<void>;
  } = $props();
  const system = $derived(here().inForce);
  /** One's own phones: on a phone those of its person, elsewhere those of whoever works at this window. */
  const who = $derived(own ? (system.phones[own]?.personId ?? '') : theBusiness().actor);
  const phones = $derived(
    Object.values(system.phones).filter(
      (p) =>
        p.number === null &&
        here().standing.registrations[p.id] &&
        (who === null || accountsOn(p).includes(who)),
    ),
  );
  const numbers = $derived(here().texting.lines);
  let open = $state<'call' | 'text' | null>(null);
  let phoneId = $state(untrack(() => own ?? ''));
  let fromId = $state('');
  let text = $state('');
  let problem = $state('');
  const phone = $derived(phones.find((p) => p.id === phoneId) ?? phones[0]);
  const from = $derived(
    numbers.find((n) => n.id === fromId) ??
      numbers.find((n) => n.e164 === system.business.defaultCallerId) ??
      numbers[0],
  );

  async function call(event: Event) {
    event.preventDefault();
    if (!phone) return;
    if (phone.id !== own)
      session.say({ kind: 'info', title: `${phoneName(system, phone.id)} rings: lift it` });
    const { out, words } = await here().deeds.call(phone.id, number);
    session.say({ kind: out ? 'success' : 'error', title: `${phoneName(system, phone.id)}: ${words}` });
    if (!out) return;
    open = null;
    await answered();
  }
  async function send(event: Event) {
    event.preventDefault();
    if (!from) return;
    const sent = await here().deeds.text({ from: from.e164, to: number, text });
    problem = sent.ok ? '' : sent.message;
    if (!sent.ok) return;
    session.say({
      kind: 'success',
      title: `Texted ${here().number(number)}`,
      ...(deliveryOf(sent.text, here().texting.requests, here().now).state === 'held'
        ? { detail: 'The carrier holds it back until texting is approved.' }
        : {}),
    });
    text = '';
    open = null;
    await answered();
  }
</script>

<button
  class="linkish small"
  type="button"
  aria-expanded={open === 'call'}
  onclick={() => (open = open === 'call' ? null : 'call')}
  >{back ? 'Call back' : 'Call'}<span class="visually-hidden">&nbsp;{here().number(number)}</span></button
>
<button
  class="linkish small"
  type="button"
  aria-expanded={open === 'text'}
  onclick={() => (open = open === 'text' ? null : 'text')}
  >{back ? 'Text back' : 'Text'}<span class="visually-hidden">&nbsp;{here().number(number)}</span></button
>
{#if open === 'call'}
  {#if phone}
    <form class="call" onsubmit={(e) => void call(e)}>
      <Select size="sm" labelText="From" selected={phone.id} on:update={(e) => (phoneId = String(e.detail))}>
        {#each phones as p (p.id)}<SelectItem value={p.id} text={phoneName(system, p.id)} />{/each}
      </Select>
      <Button size="small" type="submit">Call {here().number(number)}</Button>
    </form>
  {:else}<p class="small">No phone of yours is paired: there is nothing to call from.</p>{/if}
{:else if open === 'text'}
  {#if from}
    <form onsubmit={(e) => void send(e)}>
      <Select size="sm" labelText="From" selected={from.id} on:update={(e) => (fromId = String(e.detail))}>
        {#each numbers as n (n.id)}<SelectItem value={n.id} text="{n.label} {here().number(n.e164)}" />{/each}
      </Select>
      <TextInput size="sm" labelText="Text" bind:value={text} invalid={!!problem} invalidText={problem} />
      <Button size="small" type="submit">Send</Button>
    </form>
  {:else}<p class="small">No number of yours takes texts.</p>{/if}
{/if}

<style>
  form {
    flex-basis: 100%;
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.6fr) auto;
    gap: 8px;
    align-items: end;
    margin: 6px 0;
  }
  form.call {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  p {
    flex-basis: 100%;
    margin: 4px 0;
  }
</style>
