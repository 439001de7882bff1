<script lang="ts">
  import { Button, Select, SelectItem } from 'carbon-components-svelte';
  import { stepInWords } from '$core/answering';
  import { kindsOf } from '$core/hours';
  import type { Plan, Step, System } from '$core/system';
  import RecordingField from '../RecordingField.svelte';
  import MailboxField from './MailboxField.svelte';
  import { setStep } from './edits';
  import RingSettings from './RingSettings.svelte';

  let { plan, step, system }: { plan: Plan; step: Step; system: System } = $props();
  const title = $derived(stepInWords(step, system));
  /** Kinds of period that the chosen hours have and the step has no branch for. */
  const missing = $derived.by(() => {
    const hours = step.kind === 'hours' && step.hoursId ? system.hours[step.hoursId] : undefined;
    if (step.kind !== 'hours' || !hours) return [];
    return kindsOf(hours).filter((k) => !step.branches.some((b) => b.period === k));
  });
</script>

<h2>{title.verb} {title.what}</h2>
{#if step.kind === 'play'}
  <RecordingField
    label="What the caller hears"
    recordingId={step.recordingId}
    about="in {plan.name}"
    onchoose={(recordingId) => setStep(plan, { ...step, recordingId }, 'recording')}
    attach={(recordingId) => ({ do: 'step.set', planId: plan.id, step: { ...step, recordingId } })}
  />
{:else if step.kind === 'ring'}
  <RingSettings {plan} {step} {system} />
{:else if step.kind === 'voicemail'}
  <MailboxField {plan} {step} {system} />
{:else if step.kind === 'end'}
  <Select
    labelText="How"
    selected={step.how}
    on:update={(e) => setStep(plan, { ...step, how: e.detail === 'busy' ? 'busy' : 'plain' }, 'how')}
  >
    <SelectItem value="plain" text="Hang up" />
    <SelectItem value="busy" text="Busy tone" />
  </Select>
{:else if step.kind === 'hours'}
  <Select
    labelText="Hours"
    selected={step.hoursId ?? ''}
    on:update={(e) => {
      const hoursId = String(e.detail) || null;
      const kinds = hoursId ? kindsOf(system.hours[hoursId]!) : [];
      const kept = step.branches.filter((b) => b.steps.length || kinds.includes(b.period));
      const fresh = kinds
        .filter((k) => !kept.some((b) => b.period === k))
        .map((period) => ({ period, steps: [] }));
      setStep(plan, { ...step, hoursId, branches: [...kept, ...fresh] }, 'hours');
    }}
  >
    <SelectItem value="" text="Choose…" />
    {#each Object.values(system.hours) as h (h.id)}<SelectItem value={h.id} text={h.name} />{/each}
  </Select>
  {#if !Object.keys(system.hours).length}<p class="small soft">
      There are no hours yet. <a href="/hours">Write them first</a>.
    </p>{/if}
  {#each step.branches as branch (branch.period)}
    <div class="branch">
      <span>{branch.period}</span>
      <button
        class="linkish small"
        type="button"
        onclick={() =>
          setStep(plan, { ...step, branches: step.branches.filter((b) => b !== branch) }, 'branch')}
        >Remove branch</button
      >
    </div>
  {/each}
  {#each missing as period (period)}
    <Button
      kind="ghost"
      size="small"
      on:click={() =>
        setStep(plan, { ...step, branches: [...step.branches, { period, steps: [] }] }, 'branch')}
    >
      Add a branch for {period}
    </Button>
  {/each}
  <p class="small soft">A branch that runs out goes on with the step after this one.</p>
{/if}

<style>
  .branch {
    display: flex;
    justify-content: space-between;
    padding: 6px 0;
    border-bottom: 1px solid var(--rule);
  }
</style>
