<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import type { EndStep, Plan } from '$core/system';
  import RecordingField from '../../fields/RecordingField.svelte';
  import { setStep } from '../edits';
  import SelectItem from '../../fields/SelectItem.svelte';

  let { plan, step }: { plan: Plan; step: EndStep } = $props();
  const HOWS: [EndStep['how'], string][] = [
    ['plain', 'Hang up'],
    ['busy', 'Busy tone'],
    ['message', 'A last word, then hang up'],
  ];
</script>

<Select
  labelText="How"
  selected={step.how}
  on:update={(e) => {
    const how = HOWS.find(([h]) => h === e.detail)?.[0];
    if (how) setStep(plan, { ...step, how }, 'how');
  }}
>
  {#each HOWS as [how, text] (how)}<SelectItem value={how} {text} />{/each}
</Select>
{#if step.how === 'message'}
  <RecordingField
    label="What is said"
    recordingId={step.recordingId ?? null}
    about="in {plan.name}"
    onchoose={(recordingId) => setStep(plan, { ...step, recordingId }, 'recording')}
    attach={(recordingId) => ({ do: 'step.set', planId: plan.id, step: { ...step, recordingId } })}
  />
{/if}
