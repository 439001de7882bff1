<script lang="ts">
  import type { Plan, StepOf } from '$core/system';
  import RecordingField from '../../fields/RecordingField.svelte';
  import { setStep } from '../edits';

  let { plan, step }: { plan: Plan; step: StepOf<'play'> } = $props();
</script>

<RecordingField
  label="What the caller hears"
  recordingId={step.recordingId}
  about="in {plan.name}"
  onchoose={(recordingId) => setStep(plan, { ...step, recordingId }, 'recording')}
  attach={(recordingId) => ({ do: 'step.set', planId: plan.id, step: { ...step, recordingId } })}
/>
