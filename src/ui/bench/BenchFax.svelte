<script lang="ts">
  import { Button, Select, TextInput } from 'carbon-components-svelte';
  import { onMount } from 'svelte';
  import { NEW_CALLER } from '$core/calls';
  import { readNumber } from '$core/numbering';
  import { FaxHabit, type FaxFile, type FaxHabits } from '$standins/carrier/faxing';
  import { keepPapers, readFaxHabits, receiveFax, writeFaxHabits } from '$workspace';
  import SelectItem from '../fields/SelectItem.svelte';
  import { pagesOf } from '../faxes/pdf';
  import { theBusiness } from '../window/session.svelte';

  /** A fax machine outside: it sends to a number of the business, and does with faxes what is set. */
  const numbers = $derived(Object.values(theBusiness().view.inForce.system.numbers));
  let from = $state(theBusiness().number(NEW_CALLER));
  let to = $state('');
  let papers = $state.raw<{ file: FaxFile; pages: number } | null>(null);
  let said = $state<{ field: string; message: string } | null>(null);
  let sent = $state(false);
  const number = $derived(
    numbers.find((n) => n.e164 === to) ?? numbers.find((n) => n.faxMailboxId) ?? numbers[0],
  );
  /** Null until it was read: what is chosen before that would go by what is not so. */
  let habits = $state.raw<FaxHabits | null>(null);
  onMount(() => void readFaxHabits(theBusiness().db, theBusiness().id).then((h) => (habits = h)));
  const WORDS: Record<FaxHabit, string> = {
    'takes them': 'takes faxes',
    'no fax there': 'is no fax',
    busy: 'is busy',
    'not answered': 'does not answer',
    'breaks off': 'breaks off half-way',
  };

  async function choose(chosen: File | undefined) {
    if (!chosen) return;
    const { db, id } = theBusiness();
    const bytes = new Uint8Array(await chosen.arrayBuffer());
    const kept = await keepPapers(db, id, chosen.name, bytes, pagesOf);
    said = kept.ok ? null : { field: 'file', message: kept.message };
    if (kept.ok) papers = { file: kept.file, pages: kept.pages };
  }
  async function send(event: Event) {
    event.preventDefault();
    sent = false;
    const read = readNumber(from, theBusiness().system.business.country);
    if (!read.ok) return (said = { field: 'from', message: read.message });
    if (!papers) return (said = { field: 'file', message: 'Choose a picture or a PDF.' });
    const done = await receiveFax(theBusiness().workspace, {
      from: read.number.e164,
      to: number!.e164,
      ...papers,
    });
    said = done.ok ? null : { field: 'file', message: done.message };
    sent = done.ok;
    if (done.ok) papers = null;
  }
  async function set(habit: FaxHabit) {
    const read = readNumber(from, theBusiness().system.business.country);
    if (!read.ok) return (said = { field: 'from', message: read.message });
    const next = { ...habits, [read.number.e164]: habit };
    await writeFaxHabits(theBusiness().db, theBusiness().id, next);
    habits = next;
  }
  const habit = $derived.by(() => {
    const read = readNumber(from, theBusiness().system.business.country);
    return (read.ok && habits?.[read.number.e164]) || 'takes them';
  });
</script>

{#if number && habits}
  <h3>Fax one of your numbers</h3>
  <form onsubmit={(e) => void send(e)} aria-label="A fax from outside">
    <TextInput
      size="sm"
      labelText="The fax machine outside"
      type="tel"
      bind:value={from}
      invalid={said?.field === 'from'}
      invalidText={said?.message ?? ''}
    />
    <Select
      size="sm"
      labelText="When it is faxed, it"
      selected={habit}
      on:update={(e) => {
        if (e.detail !== habit) void set(e.detail as FaxHabit);
      }}
    >
      {#each FaxHabit.options as value (value)}<SelectItem {value} text={WORDS[value]} />{/each}
    </Select>
    <Select size="sm" labelText="It faxes" selected={number.e164} on:update={(e) => (to = String(e.detail))}>
      {#each numbers as n (n.id)}<SelectItem value={n.e164} text={n.label} />{/each}
    </Select>
    <label class="small">
      What it faxes
      <input
        type="file"
        onchange={(e) => {
          const input = e.currentTarget;
          void choose(input.files?.[0]).then(() => (input.value = ''));
        }}
      />
    </label>
    {#if papers}<span class="small" role="status">{papers.file.name} goes.</span>{/if}
    {#if said?.field === 'file'}<span class="wrong small" role="alert">{said.message}</span>{/if}
    <Button size="small" type="submit">Fax it</Button>
    {#if sent}<p class="small" role="status">It is there: <a href="/messages/faxes">Faxes</a>.</p>{/if}
  </form>
{/if}

<style>
  h3 {
    margin: 22px 0 6px;
  }
  form {
    display: grid;
    gap: 8px;
    justify-items: start;
  }
  label {
    display: grid;
    gap: 4px;
  }
  .wrong {
    color: var(--alarm);
  }
</style>
