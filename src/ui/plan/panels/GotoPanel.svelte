<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import type { GotoStep, Plan, System } from '$core/system';
  import { setStep } from '../edits';
  import SelectItem from '../../fields/SelectItem.svelte';

  let { plan, step, system }: { plan: Plan; step: GotoStep; system: System } = $props();
  const others = $derived(Object.values(system.plans).filter((p) => p.id !== plan.id));
</script>

<Select
  labelText="Plan"
  selected={step.planId ?? ''}
  on:update={(e) => setStep(plan, { ...step, planId: String(e.detail) || null }, 'plan')}
>
  <SelectItem value="" text="Choose…" />
  {#each others as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
</Select>
{#if step.planId}<p class="small"><a href="/answering/{step.planId}">Open that plan</a></p>{/if}
<p class="small soft">
  The call stays there. What several plans have in common is written once, and changed in one place.
</p>
