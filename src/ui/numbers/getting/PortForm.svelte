<script lang="ts">
  import { Button, Select, TextInput } from 'carbon-components-svelte';
  import { hasArrived, newNumber } from '$core/system';
  import { firstPortDay, type PortFacts as Facts } from '$standins/carrier/porting';
  import { PRICE } from '$standins/carrier/stock';
  import { profileOf, PROFILES, readNumber, type NumberKind } from '$core/numbering';
  import { submitPort } from '$workspace';
  import { freshId } from '../../ids';
  import { Remembered } from '../../remembered.svelte';
  import { theBusiness } from '../../window/session.svelte';
  import PortFacts from './PortFacts.svelte';
  import SelectItem from '../../fields/SelectItem.svelte';

  const system = $derived(theBusiness().system);
  /** Numbers that calls come to already: one on its way cannot stand in. */
  const here = $derived(
    Object.values(system.numbers).filter((n) =>
      hasArrived(theBusiness().standing, n.e164, theBusiness().minute),
    ),
  );
  const first = $derived(firstPortDay(theBusiness().now, theBusiness().zone));
  const blank = (): { number: string; standIn: string; facts: Facts } => ({
    number: '',
    standIn: '',
    facts: { provider: '', accountNumber: '', pin: '', billName: '', billAddress: '', wantedOn: '' },
  });
  const form = new Remembered(`port ${theBusiness().view.business.id}`, blank());
  let problem = $state<{ field: string; message: string } | null>(null);
  let busy = $state(false);

  async function send(event: Event) {
    event.preventDefault();
    const { business } = system;
    const read = readNumber(form.value.number, business.country, business.outsideDigit);
    if (!read.ok) {
      problem = { field: 'e164', message: read.message };
      return;
    }
    const { e164, country, type } = read.number;
    if (!PROFILES.some((p) => p.country === country)) {
      problem = {
        field: 'e164',
        message: `The carrier cannot take over numbers of this country. It serves ${PROFILES.map((p) => p.name).join(', ')}.`,
      };
      return;
    }
    const held = Object.values(system.numbers).find((n) => n.e164 === e164);
    if (held) {
      problem = { field: 'e164', message: `You hold this number already, as “${held.label}”.` };
      return;
    }
    busy = true;
    const numberId = freshId('number');
    const wantedOn = form.value.facts.wantedOn || first;
    const done = await submitPort(
      theBusiness().workspace,
      { numberId, e164, zone: theBusiness().zone, standIn: form.value.standIn || null },
      { ...form.value.facts, wantedOn },
    );
    busy = false;
    if (!done.ok) {
      problem = { field: done.field ?? 'e164', message: done.message };
      return;
    }
    problem = null;
    theBusiness().didForGood(
      `Asked to bring over ${theBusiness().number(e164)}`,
      'The request is with the carrier. It is called off on its own card, under Bring numbers.',
    );
    const kind: NumberKind = type === 'TOLL_FREE' ? 'toll-free' : type === 'MOBILE' ? 'mobile' : 'geographic';
    const standIn = Object.values(system.numbers).find((n) => n.e164 === form.value.standIn);
    const sites = Object.keys(system.sites);
    theBusiness().edit(`Bring over ${theBusiness().number(e164)}`, [
      {
        do: 'number.add',
        value: newNumber({
          id: numberId,
          e164,
          country: country ?? business.country,
          label: `From ${form.value.facts.provider.trim()}`.slice(0, 80),
          kind,
          place: '',
          planId: standIn?.planId ?? null,
          siteId: sites.length === 1 ? sites[0]! : null,
          monthlyCents: PRICE[kind],
          currency: profileOf(country ?? business.country).currency,
        }),
      },
    ]);
    form.value = blank();
  }
</script>

<form class="card" onsubmit={(e) => void send(e)}>
  <h2>Ask for a number</h2>
  <div class="fields">
    <TextInput
      size="sm"
      labelText="The number to bring over"
      type="tel"
      value={form.value.number}
      invalid={problem?.field === 'e164'}
      invalidText={problem?.message ?? ''}
      on:input={(e) => (form.value = { ...form.value, number: String(e.detail ?? '') })}
    />
    <PortFacts
      facts={{ ...form.value.facts, wantedOn: form.value.facts.wantedOn || first }}
      {problem}
      change={(facts) => (form.value = { ...form.value, facts })}
    />
    <Select
      size="sm"
      labelText="Until then, a number of ours stands in"
      helperText="It takes calls you forward from the old line, with the same plan"
      selected={form.value.standIn}
      on:update={(e) => (form.value = { ...form.value, standIn: String(e.detail) })}
    >
      <SelectItem value="" text="none" />
      {#each here as n (n.id)}<SelectItem
          value={n.e164}
          text="{theBusiness().number(n.e164)}, {n.label}"
        />{/each}
    </Select>
    <Button size="small" type="submit" disabled={busy}>Send the request</Button>
  </div>
</form>
