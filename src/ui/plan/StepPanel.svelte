<script lang="ts">
  import { stepInWords } from '$core/answering';
  import type { Component } from 'svelte';
  import type { Plan, Step, StepOf, System } from '$core/system';
  import EditField from '../fields/EditField.svelte';
  import { copyStep, cutStep } from './clipboard.svelte';
  import { setStep } from './edits';
  import MailboxField from './MailboxField.svelte';
  import MoveTo from './MoveTo.svelte';
  import AskPanel from './panels/AskPanel.svelte';
  import CallerPanel from './panels/CallerPanel.svelte';
  import EndPanel from './panels/EndPanel.svelte';
  import ForwardPanel from './panels/ForwardPanel.svelte';
  import GotoPanel from './panels/GotoPanel.svelte';
  import HoursPanel from './panels/HoursPanel.svelte';
  import MeetingPanel from './panels/MeetingPanel.svelte';
  import MenuPanel from './panels/MenuPanel.svelte';
  import NotifyPanel from './panels/NotifyPanel.svelte';
  import PlayPanel from './panels/PlayPanel.svelte';
  import QueuePanel from './panels/QueuePanel.svelte';
  import SharePanel from './panels/SharePanel.svelte';
  import RingSettings from './RingSettings.svelte';

  let { plan, step, system }: { plan: Plan; step: Step; system: System } = $props();
  let moving = $state(false);
  const title = $derived(stepInWords(step, system));

  /** Back to the step that is set here. */
  function onkeydown(event: KeyboardEvent) {
    if (event.key !== 'Escape' || event.defaultPrevented || isOpen(event)) return;
    document.querySelector<HTMLElement>(`[data-focus="step-${step.id}"]`)?.focus();
  }
  /** An open list takes the key for itself. */
  const isOpen = ({ target }: Event) =>
    (target as HTMLElement).closest('[aria-expanded=true], [role=listbox], [role=dialog]') !== null;

  /** The settings of each kind of step: one that is missing does not compile. */
  const PANELS: { [K in Step['kind']]: Component<{ plan: Plan; step: StepOf<K>; system: System }> } = {
    play: PlayPanel,
    ring: RingSettings,
    voicemail: MailboxField,
    end: EndPanel,
    hours: HoursPanel,
    caller: CallerPanel,
    menu: MenuPanel,
    queue: QueuePanel,
    share: SharePanel,
    ask: AskPanel,
    forward: ForwardPanel,
    goto: GotoPanel,
    meeting: MeetingPanel,
    notify: NotifyPanel,
  };
  const Panel = $derived(PANELS[step.kind] as Component<{ plan: Plan; step: Step; system: System }>);
</script>

<h2>{title.verb} {title.what}</h2>
<!-- svelte-ignore a11y_no_static_element_interactions (Escape leads back to the step) -->
<div class="fields" data-step-panel {onkeydown}>
  <Panel {plan} {step} {system} />
  <EditField
    label="Note"
    value={step.note ?? ''}
    placeholder="Why this step is here"
    keep={(note) => setStep(plan, { ...step, note: note || undefined }, 'note')}
  />
  <p class="acts">
    <button class="linkish small" type="button" onclick={() => (moving = true)}>Move to…</button>
    <button class="linkish small" type="button" onclick={() => cutStep(plan, step)}>Cut</button>
    <button class="linkish small" type="button" onclick={() => copyStep(step)}>Copy this step</button>
  </p>
</div>
{#if moving}<MoveTo {plan} {step} {system} onclose={() => (moving = false)} />{/if}

<style>
  .acts {
    display: flex;
    gap: 14px;
    margin: 0;
  }
</style>
