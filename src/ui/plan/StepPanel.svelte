<script lang="ts">
  import { stepInWords } from '$core/answering';
  import type { Plan, Step, System } from '$core/system';
  import EditField from '../EditField.svelte';
  import RecordingField from '../RecordingField.svelte';
  import { copyStep, setStep } from './edits';
  import MailboxField from './MailboxField.svelte';
  import AskPanel from './panels/AskPanel.svelte';
  import CallerPanel from './panels/CallerPanel.svelte';
  import EndPanel from './panels/EndPanel.svelte';
  import ForwardPanel from './panels/ForwardPanel.svelte';
  import GotoPanel from './panels/GotoPanel.svelte';
  import HoursPanel from './panels/HoursPanel.svelte';
  import MenuPanel from './panels/MenuPanel.svelte';
  import NotifyPanel from './panels/NotifyPanel.svelte';
  import QueuePanel from './panels/QueuePanel.svelte';
  import SharePanel from './panels/SharePanel.svelte';
  import RingSettings from './RingSettings.svelte';

  let { plan, step, system }: { plan: Plan; step: Step; system: System } = $props();
  const title = $derived(stepInWords(step, system));
</script>

<h2>{title.verb} {title.what}</h2>
<div class="fields">
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
    <EndPanel {plan} {step} />
  {:else if step.kind === 'hours'}
    <HoursPanel {plan} {step} {system} />
  {:else if step.kind === 'caller'}
    <CallerPanel {plan} {step} {system} />
  {:else if step.kind === 'menu'}
    <MenuPanel {plan} {step} />
  {:else if step.kind === 'queue'}
    <QueuePanel {plan} {step} {system} />
  {:else if step.kind === 'share'}
    <SharePanel {plan} {step} />
  {:else if step.kind === 'ask'}
    <AskPanel {plan} {step} />
  {:else if step.kind === 'forward'}
    <ForwardPanel {plan} {step} {system} />
  {:else if step.kind === 'goto'}
    <GotoPanel {plan} {step} {system} />
  {:else if step.kind === 'notify'}
    <NotifyPanel {plan} {step} />
  {/if}
  <EditField
    label="Note"
    value={step.note ?? ''}
    placeholder="Why this step is here"
    keep={(note) => setStep(plan, { ...step, note: note || undefined }, 'note')}
  />
  <button class="linkish small" type="button" onclick={() => copyStep(step)}>Copy this step</button>
</div>

<style>
  .linkish {
    justify-self: start;
  }
</style>
