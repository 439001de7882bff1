<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import type { AnswerTest, DialogueStep, DialogueStepOf, System } from '$core/system';
  import EditField from '../fields/EditField.svelte';
  import { partedWords } from '../parted';
  import SelectItem from '../fields/SelectItem.svelte';

  /** The fields of one step, and where it is done only with some answers. */
  let {
    step,
    before,
    system,
    set,
  }: {
    step: DialogueStep;
    /** What was asked before it. */
    before: readonly DialogueStepOf<'ask'>[];
    system: System;
    set: (next: DialogueStep) => string | undefined;
  } = $props();
  const people = $derived(Object.values(system.people));
  const only = $derived(step.only);
  const asked = $derived(before.find((b) => b.label === only?.label));
  /** A test that fits what was asked. */
  function fresh({ label, by }: DialogueStepOf<'ask'>): AnswerTest {
    if (by === '1 to 5') return { is: 'at most', label, n: 2 };
    return by === 'yes or no' ? { is: 'yes', label } : { is: 'has', label, words: ['urgent'] };
  }
</script>

{#if before.length}
  <Select
    size="sm"
    labelText="Done"
    selected={only?.label ?? ''}
    on:update={(e) => {
      const label = String(e.detail);
      if (label === (only?.label ?? '')) return;
      const of = before.find((b) => b.label === label);
      set({ ...step, only: of ? fresh(of) : null });
    }}
  >
    <SelectItem value="" text="always" />
    {#each before as b (b.id)}<SelectItem value={b.label} text="only where {b.label} is" />{/each}
  </Select>
  {#if only && (only.is === 'at least' || only.is === 'at most')}
    <Select
      size="sm"
      labelText="So"
      selected="{only.is} {only.n}"
      on:update={(e) => {
        const [, is, n] = /^(at least|at most) (\d)$/.exec(String(e.detail)) ?? [];
        if (is && (is !== only.is || Number(n) !== only.n))
          set({ ...step, only: { is: is as 'at least', label: only.label, n: Number(n) } });
      }}
    >
      {#each ['at most', 'at least'] as is (is)}
        {#each [1, 2, 3, 4, 5] as n (n)}<SelectItem value="{is} {n}" text="{is} {n}" />{/each}
      {/each}
    </Select>
  {:else if only && asked?.by === 'yes or no'}
    <Select
      size="sm"
      labelText="So"
      selected={only.is}
      on:update={(e) => {
        if (e.detail !== only.is) set({ ...step, only: { is: e.detail as 'yes', label: only.label } });
      }}
    >
      <SelectItem value="yes" text="yes" />
      <SelectItem value="no" text="no" />
    </Select>
  {:else if only?.is === 'has'}
    <EditField
      label="With one of the words"
      value={only.words.join(', ')}
      keep={(text) =>
        set({
          ...step,
          only: {
            ...only,
            words: partedWords(text),
          },
        })}
    />
  {/if}
{/if}
{#if step.kind === 'say'}
  <div class="wide">
    <EditField label="What it says" value={step.text} many keep={(text) => set({ ...step, text })} />
  </div>
{:else if step.kind === 'ask'}
  <div class="wide">
    <EditField label="What it asks" value={step.text} many keep={(text) => set({ ...step, text })} />
  </div>
  <Select
    size="sm"
    labelText="Answered by"
    selected={step.by}
    on:update={(e) => {
      const by = e.detail as typeof step.by;
      if (by !== step.by) set({ ...step, by });
    }}
  >
    <SelectItem value="words" text="words" />
    <SelectItem value="1 to 5" text="a number from 1 to 5" />
    <SelectItem value="yes or no" text="yes or no" />
  </Select>
  <EditField label="Kept as" value={step.label} keep={(label) => set({ ...step, label })} />
{:else if step.kind === 'book'}
  <Select
    size="sm"
    labelText="Of which calendar"
    selected={step.calendarId ?? ''}
    on:update={(e) => {
      const calendarId = String(e.detail) || null;
      if (calendarId !== step.calendarId) set({ ...step, calendarId });
    }}
  >
    <SelectItem value="" text="Choose…" />
    {#each Object.values(system.calendars) as c (c.id)}<SelectItem value={c.id} text={c.name} />{/each}
  </Select>
  {#if !Object.keys(system.calendars).length}<a class="small" href="/by-itself/bookings"
      >Make a calendar first</a
    >{/if}
  <EditField label="What stands before the times" value={step.text} keep={(text) => set({ ...step, text })} />
{:else}
  <Select
    size="sm"
    labelText="For"
    selected={step.personId ?? ''}
    on:update={(e) => {
      const personId = String(e.detail) || null;
      if (personId !== step.personId) set({ ...step, personId });
    }}
  >
    <SelectItem value="" text="anybody" />
    {#each people as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
  </Select>
  {#if step.kind === 'task'}
    <EditField label="What is to be done" value={step.text} keep={(text) => set({ ...step, text })} />
  {/if}
{/if}

<style>
  .wide {
    grid-column: 1 / -1;
  }
</style>
