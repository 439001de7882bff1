<script lang="ts">
  import { tick } from 'svelte';
  import ArrowDown from 'carbon-icons-svelte/lib/ArrowDown.svelte';
  import ArrowUp from 'carbon-icons-svelte/lib/ArrowUp.svelte';
  import TrashCan from 'carbon-icons-svelte/lib/TrashCan.svelte';
  import { arrivalTimes, spokenSeconds, stepInWords } from '$core/answering';
  import type { Finding } from '$core/findings';
  import { periodInWords } from '$core/hours';
  import { profileOf, ringsIn } from '$core/numbering';
  import type { Plan, Step, StepList as Place, System } from '$core/system';
  import { count } from '../format';
  import AddStep from './AddStep.svelte';
  import { moveStep, removeStep } from './edits';
  import Self from './StepList.svelte';

  interface Props {
    plan: Plan;
    system: System;
    steps: Step[];
    place?: Place;
    selected: string | null;
    findings: Finding[];
    onselect: (stepId: string) => void;
  }
  let { plan, system, steps, place = null, selected, findings, onselect }: Props = $props();

  const times = $derived(arrivalTimes(plan, system));
  const seconds = (s: number) => `${Math.round(s * 10) / 10} s`;

  function detail(step: Step): string {
    if (step.kind === 'play') {
      const text = step.recordingId ? (system.recordings[step.recordingId]?.text ?? '') : '';
      return text ? `${seconds(spokenSeconds(text))} · ${text}` : 'Write what the caller is to hear.';
    }
    if (step.kind === 'ring') {
      const rings = ringsIn(step.seconds, profileOf(system.business.country).ringback);
      return step.targets.length ? `${count(rings, 'ring')} · skips anyone on a call` : 'Choose who is rung.';
    }
    if (step.kind === 'voicemail') {
      const greeting = step.mailboxId && system.mailboxes[step.mailboxId]?.greetingId;
      return greeting ? `greeting “${system.recordings[greeting]?.name}”` : 'the plain greeting';
    }
    return '';
  }
  const when = (step: Extract<Step, { kind: 'hours' }>, period: string) => {
    const hours = step.hoursId ? system.hours[step.hoursId] : undefined;
    return hours ? `${period} · ${periodInWords(hours, period)}` : period;
  };
  /** A step that moves keeps the keyboard. */
  async function move(step: Step, by: -1 | 1) {
    const kept = document.activeElement?.getAttribute('data-focus');
    moveStep(plan, step, by);
    onselect(step.id);
    await tick();
    if (kept) document.querySelector<HTMLElement>(`[data-focus="${kept}"]`)?.focus();
  }
  function onkeydown(event: KeyboardEvent, step: Step) {
    if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown'))
      void move(step, event.key === 'ArrowUp' ? -1 : 1);
    else if (event.key === 'Delete') removeStep(plan, step);
    else return;
    event.preventDefault();
  }
</script>

<ol>
  {#each steps as step (step.id)}
    {@const { verb, what } = stepInWords(step, system)}
    {@const wrong = findings.find((f) => f.place.kind === 'plan' && f.place.stepId === step.id)}
    <li>
      <div class="step {step.kind}" class:sel={selected === step.id} data-testid="step">
        <span class="at">{seconds(times.get(step.id) ?? 0)}</span>
        <button
          type="button"
          class="what"
          data-focus="step-{step.id}"
          aria-pressed={selected === step.id}
          onclick={() => onselect(step.id)}
          onkeydown={(e) => onkeydown(e, step)}
        >
          <span class="line"><b>{verb}</b> {what}</span>
          {#if detail(step)}<span class="d">{detail(step)}</span>{/if}
          {#if wrong}<span class="wrong">{wrong.title}</span>{/if}
        </button>
        <span class="tools">
          <button
            type="button"
            data-focus="up-{step.id}"
            aria-label="Move up: {verb} {what}"
            onclick={() => void move(step, -1)}><ArrowUp /></button
          >
          <button
            type="button"
            data-focus="down-{step.id}"
            aria-label="Move down: {verb} {what}"
            onclick={() => void move(step, 1)}><ArrowDown /></button
          >
          <button type="button" aria-label="Remove: {verb} {what}" onclick={() => removeStep(plan, step)}
            ><TrashCan /></button
          >
        </span>
      </div>
      {#if step.kind === 'hours'}
        {#each step.branches as branch, i (branch.period)}
          <div class="br" class:alt={i > 0}>
            <span class="tag">{when(step, branch.period)}</span>
            <Self
              {plan}
              {system}
              steps={branch.steps}
              place={{ parentId: step.id, branch: i }}
              {selected}
              {findings}
              {onselect}
            />
          </div>
        {/each}
        <div class="br alt">
          <span class="tag">Otherwise</span>
          <Self
            {plan}
            {system}
            steps={step.otherwise}
            place={{ parentId: step.id, branch: -1 }}
            {selected}
            {findings}
            {onselect}
          />
        </div>
      {/if}
    </li>
  {/each}
</ol>
<AddStep {plan} {place} index={steps.length} onadd={onselect} />

<style>
  ol {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  .step {
    display: grid;
    grid-template-columns: 54px 1fr auto;
    gap: 0 10px;
    padding: 6px 10px 6px 0;
    align-items: start;
  }
  .at {
    text-align: right;
    color: var(--ink-soft);
    font-size: 12px;
    padding-top: 3px;
  }
  .what {
    padding: 1px 0 1px 14px;
    border: 0;
    border-left: 3px solid var(--rule);
    background: none;
    text-align: left;
    font-size: 14px;
    color: var(--ink);
    cursor: pointer;
  }
  .line {
    display: block;
  }
  .d,
  .wrong {
    display: block;
    color: var(--ink-soft);
    font-size: 13px;
  }
  .wrong {
    color: var(--alarm);
  }
  .sel {
    background: var(--copper-wash);
  }
  .play .what {
    border-left-color: var(--menu);
  }
  .hours .what {
    border-left-color: var(--copper);
  }
  .ring .what {
    border-left-color: var(--group);
  }
  .voicemail .what {
    border-left-color: var(--message);
  }
  .end .what {
    border-left-color: var(--ended);
  }
  .tools {
    display: flex;
    opacity: 0.35;
  }
  .step:hover .tools,
  .step:focus-within .tools,
  .sel .tools {
    opacity: 1;
  }
  .tools button {
    border: 0;
    background: none;
    padding: 4px;
    cursor: pointer;
    color: var(--ink);
    display: flex;
  }
  .br {
    margin-left: 64px;
    border-left: 2px solid var(--copper);
  }
  .tag {
    display: inline-block;
    margin: 6px 0 2px -2px;
    padding: 2px 10px;
    background: var(--solid);
    color: var(--on-solid);
    font-size: 12.5px;
    font-weight: 600;
  }
  .br.alt {
    border-left-style: dashed;
  }
  .br.alt .tag {
    background: var(--sheet);
    color: var(--copper);
    border: 1px solid var(--copper);
  }
</style>
