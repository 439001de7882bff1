<script lang="ts">
  import { Button, InlineLoading, Select, TextArea, TextInput } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import { momentOf } from '$core/hours';
  import { profileOf } from '$core/numbering';
  import { allStopped, FIELDS, unknownFields } from '$core/texting';
  import { textCents } from '$standins/carrier/prices';
  import { needsApproval, textingStanding } from '$standins/carrier/approval';
  import { carriesTexts } from '$standins/carrier/texting';
  import { startRound } from '$workspace';
  import type { Made, RoundMaker, Wanted } from '../../workers/rounds.worker';
  import SelectItem from '../fields/SelectItem.svelte';
  import WhenField from '../fields/WhenField.svelte';
  import { count, momentText } from '../format';
  import { Newest } from '../asked/newest';
  import { Remembered } from '../remembered.svelte';
  import { theBusiness } from '../window/session.svelte';
  import RoundLines from './RoundLines.svelte';

  const system = $derived(theBusiness().system);
  const lines = $derived(Object.values(theBusiness().view.inForce.system.numbers).filter(carriesTexts));
  const FRESH = {
    name: '',
    fromId: '',
    who: 'contacts',
    listId: '',
    file: '',
    text: '',
    when: '',
    consent: '',
  };
  const typed = new Remembered(`round ${theBusiness().id}`, FRESH);
  const f = $derived(typed.value);
  const set = (change: Partial<typeof FRESH>) => (typed.value = { ...typed.value, ...change });
  const from = $derived(lines.find((n) => n.id === f.fromId) ?? lines[0]);
  const lists = $derived(Object.values(system.lists));
  const start = $derived.by(() => {
    const [, date, hours, minutes] = /^(\d{4}-\d\d-\d\d)T(\d\d):(\d\d)/.exec(f.when) ?? [];
    return date ? momentOf(theBusiness().zone, date, Number(hours) * 60 + Number(minutes)) : null;
  });
  const maker = new Newest<RoundMaker>(
    () => new Worker(new URL('../../workers/rounds.worker.ts', import.meta.url), { type: 'module' }),
  );
  onDestroy(() => maker.stop());
  let made = $state.raw<Made | null>(null);
  let working = $state(false);
  /** What is shown is not of the fields as they are now: nothing is sent by it. */
  let stale = $state(true);
  let problem = $state<{ field?: string; message: string } | null>(null);
  let seen = $state(false);
  const stopped = $derived([
    ...allStopped(theBusiness().view.texts, theBusiness().view.dealings.wishes ?? []),
  ]);
  $effect(() => {
    const wanted: Wanted = {
      text: f.text,
      from: from?.e164 ?? '',
      start: start ?? theBusiness().minute,
      source:
        f.who === 'file'
          ? { from: 'file', text: f.file }
          : { from: 'contacts', listIds: f.listId ? [f.listId] : [] },
      consent: f.who === 'file' ? f.consent : '',
      stopped,
    };
    const asked = system;
    stale = true;
    // Nothing is worked out while a word is being typed.
    const timer = setTimeout(() => {
      working = true;
      void maker
        .ask((remote) => remote.make(wanted, asked))
        .then((done) => {
          if (done) {
            made = done;
            stale = false;
          }
          working = false;
        })
        .catch((error: unknown) => {
          working = false;
          problem = { message: error instanceof Error ? error.message : String(error) };
        });
    }, 200);
    return () => clearTimeout(timer);
  });
  const approved = $derived(
    !from ||
      !needsApproval(from.e164) ||
      textingStanding(theBusiness().view.dealings.texting, theBusiness().minute).stage === 'approved',
  );
  const price = $derived(
    new Intl.NumberFormat('en-US', {
      style: 'currency',
      currency: profileOf(system.business.country).currency,
    }).format(textCents(made?.parts ?? 0, 0) / 100),
  );
  const strangers = $derived(
    unknownFields(f.text).filter(
      (field) => !made?.columns.some((c) => field.toLowerCase().startsWith(`{${c}`)),
    ),
  );
  async function go(event: Event) {
    event.preventDefault();
    problem = null;
    if (!f.name.trim()) return (problem = { field: 'name', message: 'Give it a name.' });
    if (!f.text.trim()) return (problem = { field: 'text', message: 'Write what it says.' });
    if (f.when && (start === null || start < theBusiness().now - 60_000))
      return (problem = { field: 'when', message: 'That time is over.' });
    if (!made?.goes) return (problem = { field: 'who', message: 'Nobody would get it: see why below.' });
    if (stale) return;
    if (!seen) return (problem = { field: 'seen', message: 'Look at what each gets first, below.' });
    const done = await startRound(
      theBusiness().workspace,
      { name: f.name, from: from!.e164, text: f.text, consent: f.who === 'file' ? f.consent : '' },
      made,
    );
    if (!done.ok) return (problem = done);
    typed.value = FRESH;
    seen = false;
    theBusiness().say({
      kind: 'success',
      title: `${done.round.name} goes: it can be paused and called off.`,
    });
  }
  async function take(file: File | undefined) {
    if (!file) return;
    if (file.size > 5_000_000)
      return (problem = { field: 'file', message: 'This file is larger than 5 MB.' });
    set({ file: await file.text() });
  }
</script>

<form class="card" aria-label="A text to many" onsubmit={(e) => void go(e)}>
  <h2>A text to many</h2>
  <div class="fields">
    <TextInput
      size="sm"
      labelText="What it is called"
      value={f.name}
      on:input={(e) => set({ name: String(e.detail ?? '') })}
      invalid={problem?.field === 'name'}
      invalidText={problem?.message ?? ''}
    />
    <Select
      size="sm"
      labelText="From"
      selected={from?.id ?? ''}
      on:update={(e) => set({ fromId: String(e.detail) })}
    >
      {#each lines as n (n.id)}<SelectItem value={n.id} text={n.label} />{/each}
    </Select>
    <Select
      size="sm"
      labelText="To"
      selected={f.who === 'file' ? 'file' : `list ${f.listId}`}
      on:update={(e) => {
        const value = String(e.detail);
        if (value === 'file') set({ who: 'file' });
        else set({ who: 'contacts', listId: value.slice(5) });
      }}
    >
      <SelectItem value="list " text="all contacts ({Object.keys(system.contacts).length})" />
      {#each lists as l (l.id)}<SelectItem value="list {l.id}" text="the list {l.name}" />{/each}
      <SelectItem value="file" text="a list of your own" />
    </Select>
    <WhenField
      label="When the first goes; empty is at once"
      time
      value={f.when}
      onvalue={(when) => set({ when })}
      problem={problem?.field === 'when' ? problem.message : ''}
    />
  </div>
  {#if f.who === 'file'}
    <div class="two">
      <div>
        <TextArea
          rows={4}
          labelText="Numbers and names, a line each, or a table with a column “number”"
          placeholder="(206) 555-0101, Ada Ferris"
          value={f.file}
          on:input={(e: Event) => set({ file: (e.target as HTMLTextAreaElement).value })}
          invalid={problem?.field === 'file'}
          invalidText={problem?.message ?? ''}
        />
        <label class="small">
          From a file (CSV)
          <input
            type="file"
            accept=".csv,text/csv,text/plain"
            onchange={(e) => {
              const input = e.currentTarget;
              void take(input.files?.[0]).then(() => (input.value = ''));
            }}
          />
        </label>
      </div>
      <TextArea
        rows={4}
        labelText="How and when they agreed to be texted"
        placeholder="On the spring form of 2026, line 4"
        helperText="It is kept with the round. Contacts have it on their own sheet."
        value={f.consent}
        on:input={(e: Event) => set({ consent: (e.target as HTMLTextAreaElement).value })}
      />
    </div>
  {/if}
  <TextArea
    rows={3}
    labelText="What it says"
    placeholder={'{business}: {first name|hello}, … Reply STOP to end texts.'}
    helperText="In braces: {[
      ...Object.keys(FIELDS).filter((field) => field !== 'me'),
      ...(made?.columns ?? []),
    ].join(', ')}; after a stroke what stands where nothing is known."
    value={f.text}
    on:input={(e: Event) => set({ text: (e.target as HTMLTextAreaElement).value })}
    invalid={problem?.field === 'text'}
    invalidText={problem?.message ?? ''}
  />
  {#if f.text && !/\bSTOP\b/.test(f.text)}<p class="small soft">
      It does not say how to end it: “Reply STOP to end texts.” is usual (CTIA messaging principles, from
      memory).
    </p>{/if}
  {#if strangers.length}<p class="problem">{strangers.join(', ')} is nothing that is filled in.</p>{/if}
  {#if !approved}<p class="problem" role="alert">
      Your business may not send texts from there yet: they would wait until it may, and then go late.
      <a href="/numbers/texting">Ask for it</a>
    </p>{/if}
  <div class="sum" aria-live="polite" data-testid="round-sum">
    {#if working && !made}
      <InlineLoading description="It is worked out." />
    {:else if made}
      <b>{count(made.goes, 'text')}</b> in {count(made.parts, 'part')}, {price}{made.first
        ? `; the first ${momentText(made.first, theBusiness().zone)}, the last ${momentText(made.last!, theBusiness().zone)}`
        : ''}.
      {#each made.leftOut as { why, n } (why)}<br /><span class="small">{n} not: {why}</span>{/each}
      {#if made.left}<br /><span class="problem">{made.left} more lines were not read: 10,000 at most.</span
        >{/if}
    {/if}
  </div>
  {#if made?.lines.length}<RoundLines lines={made.lines} onseen={() => (seen = true)} />{/if}
  {#if problem && ['seen', 'who', undefined].includes(problem.field)}<p class="problem" role="alert">
      {problem.message}
    </p>{/if}
  <Button size="small" type="submit" disabled={stale}>Send {made?.goes ?? 0}</Button>
</form>

<style>
  form {
    display: grid;
    gap: 10px;
  }
  .fields {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
    gap: 10px 14px;
  }
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 14px;
  }
</style>
