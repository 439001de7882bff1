<script lang="ts">
  import { Button, Checkbox, Select, TextArea, TextInput } from 'carbon-components-svelte';
  import { goto } from '$app/navigation';
  import { usualOutcomes } from '$core/call-lists';
  import { contactsOn, readReceivers, type Receiver } from '$core/rounds';
  import { callBacks } from '$core/calls';
  import { contactOf } from '$core/system';
  import { makeCallList } from '$workspace';
  import SelectItem from '../fields/SelectItem.svelte';
  import WhenField from '../fields/WhenField.svelte';
  import { count } from '../format';
  import { Remembered } from '../remembered.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** A new list of people to call. */
  const FRESH = {
    name: '',
    who: 'contacts',
    listId: '',
    file: '',
    script: '',
    selling: false,
    on: '',
    how: '',
  };
  const typed = new Remembered(`call list ${theBusiness().id}`, FRESH);
  const f = $derived(typed.value);
  const set = (change: Partial<typeof FRESH>) => (typed.value = { ...typed.value, ...change });
  const system = $derived(theBusiness().system);
  const waiting = $derived(callBacks(theBusiness().view.calls, theBusiness().view.messages, () => false));
  const receivers = $derived.by((): Receiver[] => {
    if (f.who === 'file') return readReceivers(f.file, system).receivers;
    if (f.who === 'back')
      return waiting.map(({ number }) => {
        const contact = contactOf(number, system.contacts);
        return { number, name: contact?.name ?? '', contact, fields: {}, wrong: '' };
      });
    return contactsOn(system, f.listId ? [f.listId] : []);
  });
  let problem = $state<{ field?: string; message: string } | null>(null);
  async function make(event: Event) {
    event.preventDefault();
    problem = null;
    if (f.selling && (!f.on || !f.how.trim()))
      return (problem = {
        field: 'registry',
        message: 'Say how and when it was held against the registry of those not to be called.',
      });
    const done = await makeCallList(
      theBusiness().workspace,
      {
        name: f.name,
        selling: f.selling,
        registry: f.selling ? { on: f.on, how: f.how } : null,
        script: f.script,
        outcomes: usualOutcomes(),
      },
      receivers,
    );
    if (!done.ok) return (problem = done);
    typed.value = FRESH;
    const not = done.not.reduce((n, x) => n + x.n, 0);
    theBusiness().say({
      kind: 'success',
      title: `${done.list.name} is there`,
      ...(not
        ? { detail: `${not} were not taken up: ${done.not.map((x) => `${x.n} ${x.why}`).join(' ')}` }
        : {}),
    });
    await goto(`/by-itself/lists/${done.list.id}`);
  }
</script>

<form class="card" aria-label="A new call list" onsubmit={(e) => void make(e)}>
  <h2>A new list</h2>
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
      labelText="Who is on it"
      selected={f.who === 'contacts' ? `list ${f.listId}` : f.who}
      on:update={(e) => {
        const value = String(e.detail);
        if (value === 'file' || value === 'back') set({ who: value });
        else set({ who: 'contacts', listId: value.slice(5) });
      }}
    >
      <SelectItem value="list " text="all contacts ({Object.keys(system.contacts).length})" />
      {#each Object.values(system.lists) as l (l.id)}<SelectItem
          value="list {l.id}"
          text="the list {l.name}"
        />{/each}
      <SelectItem value="back" text="those who wait to be called back ({waiting.length})" />
      <SelectItem value="file" text="a list of your own" />
    </Select>
  </div>
  {#if f.who === 'file'}
    <TextArea
      rows={4}
      labelText="Numbers and names, a line each, or a table with a column “number”"
      placeholder="(206) 555-0101, Ada Ferris"
      value={f.file}
      on:input={(e: Event) => set({ file: (e.target as HTMLTextAreaElement).value })}
    />
  {/if}
  <TextArea
    rows={3}
    labelText="What is said"
    placeholder="The spring lift begins on 1 March: does their boat come, and when?"
    value={f.script}
    on:input={(e: Event) => set({ script: (e.target as HTMLTextAreaElement).value })}
  />
  <Checkbox
    labelText="It is to sell something"
    checked={f.selling}
    on:check={(e) => {
      if (e.detail !== f.selling) set({ selling: e.detail });
    }}
  />
  {#if f.selling}
    <p class="small soft">
      Numbers in the registry of those not to be called may not be called to sell, nor by a list that was held
      against it more than 31 days ago (47 CFR 64.1200(c)(2), from memory; this is information, no advice).
    </p>
    <div class="fields">
      <WhenField label="Held against the registry on" value={f.on} onvalue={(on) => set({ on })} />
      <TextInput
        size="sm"
        labelText="How"
        placeholder="with the file of the registry, by Mei"
        value={f.how}
        on:input={(e) => set({ how: String(e.detail ?? '') })}
        invalid={problem?.field === 'registry'}
        invalidText={problem?.message ?? ''}
      />
    </div>
  {/if}
  {#if problem && !['name', 'registry'].includes(problem.field ?? '')}<p class="problem" role="alert">
      {problem.message}
    </p>{/if}
  <div>
    <Button size="small" type="submit">Make the list</Button>
    <span class="small soft">{count(receivers.length, 'person', 'people')}</span>
  </div>
</form>

<style>
  form {
    display: grid;
    gap: 10px;
  }
  .fields {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
    gap: 10px 14px;
  }
</style>
