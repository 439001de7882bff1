<script lang="ts">
  import { Button, Select } from 'carbon-components-svelte';
  import { QueueWay, type Plan, type QueueStep, type System } from '$core/system';
  import { startQueue } from '../../queues/edits';
  import { setStep } from '../edits';
  import BranchRows from './BranchRows.svelte';
  import SelectItem from '../../fields/SelectItem.svelte';

  let { plan, step, system }: { plan: Plan; step: QueueStep; system: System } = $props();
  const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1);
  const missing = $derived(
    QueueWay.options
      .filter((way) => !step.branches.some((b) => b.way === way))
      .map((way) => ({ says: `Add a branch: ${way}`, branch: { way, steps: [] } })),
  );
</script>

<Select
  labelText="Queue"
  selected={step.queueId ?? ''}
  on:update={(e) => setStep(plan, { ...step, queueId: String(e.detail) || null }, 'queue')}
>
  <SelectItem value="" text="Choose…" />
  {#each Object.values(system.queues) as q (q.id)}<SelectItem value={q.id} text={q.name} />{/each}
</Select>
{#if step.queueId}
  <p class="small">
    <a href="/answering/queues#{step.queueId}">Who serves it, how long somebody waits, what they hear</a>
  </p>
{:else}
  <Button
    size="small"
    kind="tertiary"
    on:click={() =>
      startQueue(plan.name, (queueId) => [{ do: 'step.set', planId: plan.id, step: { ...step, queueId } }])}
    >Start a queue for {plan.name}</Button
  >
{/if}
<BranchRows
  branches={step.branches}
  name={(b) => capital(b.way)}
  {missing}
  onchange={(branches) => setStep(plan, { ...step, branches }, 'branch')}
/>
<p class="small soft">Where there is no branch for it, the call goes on with the next step.</p>
