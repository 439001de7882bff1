<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import type { DialogueStep, DialogueStepOf, System } from '$core/system';
  import AnswerTestFields from '../fields/AnswerTestFields.svelte';
  import EditField from '../fields/EditField.svelte';
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
</script>

<AnswerTestFields label="Done" test={step.only} {before} set={(only) => set({ ...step, only })} />
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
