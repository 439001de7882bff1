<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import { kindsOf } from '$core/hours';
  import type { HoursStep, Plan, System } from '$core/system';
  import { setStep } from '../edits';
  import BranchRows from './BranchRows.svelte';
  import SelectItem from '../../fields/SelectItem.svelte';

  let { plan, step, system }: { plan: Plan; step: HoursStep; system: System } = $props();
  /** Kinds of period that the chosen hours have and the step has no branch for. */
  const missing = $derived.by(() => {
    const hours = step.hoursId ? system.hours[step.hoursId] : undefined;
    if (!hours) return [];
    return kindsOf(hours)
      .filter((k) => !step.branches.some((b) => b.period === k))
      .map((period) => ({ says: `Add a branch for ${period}`, branch: { period, steps: [] } }));
  });

  function choose(hoursId: string | null) {
    const kinds = hoursId ? kindsOf(system.hours[hoursId]!) : [];
    const kept = step.branches.filter((b) => b.steps.length || kinds.includes(b.period));
    const fresh = kinds
      .filter((k) => !kept.some((b) => b.period === k))
      .map((period) => ({ period, steps: [] }));
    setStep(plan, { ...step, hoursId, branches: [...kept, ...fresh] }, 'hours');
  }
</script>

<Select labelText="Hours" selected={step.hoursId ?? ''} on:update={(e) => choose(String(e.detail) || null)}>
  <SelectItem value="" text="Choose…" />
  {#each Object.values(system.hours) as h (h.id)}<SelectItem value={h.id} text={h.name} />{/each}
</Select>
{#if !Object.keys(system.hours).length}<p class="small soft">
    There are no hours yet. <a href="/hours">Write them first</a>.
  </p>{/if}
<BranchRows
  branches={step.branches}
  name={(b) => b.period}
  {missing}
  onchange={(branches) => setStep(plan, { ...step, branches }, 'branch')}
/>
<p class="small soft">A branch that runs out goes on with the step after this one.</p>
