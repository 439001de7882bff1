<script lang="ts">
  import { Button, Select, TextInput } from 'carbon-components-svelte';
  import { readNumber } from '$core/numbering';
  import type { FaxFile } from '$standins/carrier/faxing';
  import { keepPapers, sendFax } from '$workspace';
  import SelectItem from '../fields/SelectItem.svelte';
  import { count } from '../format';
  import { Remembered } from '../remembered.svelte';
  import { theBusiness } from '../window/session.svelte';
  import { pagesOf } from './pdf';

  /** A picture or PDF goes to a fax machine outside. */
  const business = $derived(theBusiness());
  const numbers = $derived(Object.values(business.view.inForce.system.numbers));
  const form = new Remembered<{ from: string; to: string; papers: { file: FaxFile; pages: number } | null }>(
    `new fax ${theBusiness().id}`,
    { from: '', to: '', papers: null },
  );
  const set = (change: Partial<typeof form.value>) => (form.value = { ...form.value, ...change });
  const from = $derived(
    numbers.find((n) => n.e164 === form.value.from)?.e164 ??
      numbers.find((n) => n.faxMailboxId)?.e164 ??
      numbers[0]?.e164 ??
      '',
  );
  let problem = $state<{ field: string; message: string } | null>(null);
  async function choose(file: File | undefined) {
    if (!file) return;
    problem = null;
    try {
      const bytes = new Uint8Array(await file.arrayBuffer());
      const kept = await keepPapers(business.db, business.id, file.name, bytes, pagesOf);
      if (kept.ok) set({ papers: { file: kept.file, pages: kept.pages } });
      else problem = { field: 'file', message: kept.message };
    } catch (error) {
      problem = { field: 'file', message: error instanceof Error ? error.message : String(error) };
    }
  }
  async function send(event: Event) {
    event.preventDefault();
    const { papers, to } = form.value;
    const read = readNumber(to, business.system.business.country, business.system.business.outsideDigit);
    if (!read.ok) return (problem = { field: 'to', message: read.message });
    if (!papers) return (problem = { field: 'file', message: 'Choose a picture or a PDF.' });
    const done = await sendFax(business.workspace, {
      from,
      to: read.number.e164,
      ...$state.snapshot(papers),
    });
    problem = done.ok ? null : { field: done.field ?? 'file', message: done.message };
    if (done.ok) set({ to: '', papers: null });
  }
</script>

<form onsubmit={(e) => void send(e)} aria-label="Send a fax">
  <h2>Send a fax</h2>
  <Select size="sm" labelText="From" selected={from} on:update={(e) => set({ from: String(e.detail) })}>
    {#each numbers as n (n.id)}<SelectItem
        value={n.e164}
        text="{n.label}, {business.number(n.e164)}"
      />{/each}
  </Select>
  <TextInput
    size="sm"
    type="tel"
    labelText="To the fax number"
    value={form.value.to}
    invalid={problem?.field === 'to'}
    invalidText={problem?.message ?? ''}
    on:input={(e) => set({ to: String(e.detail ?? '') })}
  />
  <label class="small">
    A picture or PDF
    <input
      type="file"
      accept=".pdf,image/*"
      onchange={(e) => {
        const input = e.currentTarget;
        void choose(input.files?.[0]).then(() => (input.value = ''));
      }}
    />
  </label>
  {#if form.value.papers}
    <p class="small" role="status">
      {form.value.papers.file.name}, {count(form.value.papers.pages, 'page')}
      <button class="linkish small" type="button" onclick={() => set({ papers: null })}>Another file</button>
    </p>
  {/if}
  {#if problem?.field === 'file'}<p class="problem small" role="alert">{problem.message}</p>{/if}
  <Button size="small" type="submit">Send the fax</Button>
</form>

<style>
  form {
    display: grid;
    gap: 8px;
    margin-top: 18px;
  }
  label {
    display: grid;
    gap: 4px;
  }
  .problem {
    color: var(--alarm);
    margin: 0;
  }
</style>
