<script lang="ts">
  import { tick } from 'svelte';
  import { arrivalTimes, branchInWords } from '$core/answering';
  import type { Finding } from '$core/findings';
  import { allSteps, listsOf, type Plan, type Step, type StepList as Place, type System } from '$core/system';
  import { count } from '../format';
  import AddStep from './AddStep.svelte';
  import { copyStep, moveStep, removeStep } from './edits';
  import { branchKey, draggable, folded } from './sheet.svelte';
  import StepLine from './StepLine.svelte';
  import Self from './StepList.svelte';

  interface Props {
    plan: Plan;
    system: System;
    steps: Step[];
    place?: Place;
    selected: string | null;
    findings: Finding[];
    /** Seconds at which a call reaches each step; worked out once, at the top. */
    times?: Map<string, number>;
    onselect: (stepId: string) => void;
  }
  let {
    plan,
    system,
    steps,
    place = null,
    selected,
    findings,
    times = arrivalTimes(plan, system),
    onselect,
  }: Props = $props();

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
    else if (event.key === 'c' && (event.ctrlKey || event.metaKey) && !getSelection()?.toString())
      copyStep(step);
    else return;
    event.preventDefault();
  }
  function fold(key: string) {
    if (!folded.delete(key)) folded.add(key);
  }
  const inside = (list: readonly Step[]) => count([...allSteps(list)].length, 'step');
</script>

<ol {@attach draggable(() => plan, place)}>
  {#each steps as step (step.id)}
    <li data-step={step.id}>
      <StepLine
        {step}
        {system}
        at={times.get(step.id) ?? 0}
        selected={selected === step.id}
        wrong={findings.find((f) => f.place.kind === 'plan' && f.place.stepId === step.id)?.title}
        onselect={() => onselect(step.id)}
        onkeydown={(e) => onkeydown(e, step)}
        onmove={(by) => void move(step, by)}
        onremove={() => removeStep(plan, step)}
      />
      {#each listsOf(step) as [branch, list] (branch)}
        {@const key = branchKey(step.id, branch)}
        <div class="br" class:alt={branch !== 0}>
          <button class="tag" type="button" aria-expanded={!folded.has(key)} onclick={() => fold(key)}
            >{branchInWords(step, branch, system)}{#if folded.has(key)}&nbsp;· {inside(list)}, folded{/if}</button
          >
          {#if !folded.has(key)}
            <Self
              {plan}
              {system}
              steps={list}
              place={{ parentId: step.id, branch }}
              {selected}
              {findings}
              {times}
              {onselect}
            />
          {/if}
        </div>
      {/each}
    </li>
  {/each}
</ol>
<AddStep {plan} {place} index={steps.length} onadd={onselect} />

<style>
  ol {
    list-style: none;
    margin: 0;
    padding: 0;
    min-height: 6px;
  }
  .br {
    margin-left: 64px;
    border-left: 2px solid var(--copper);
  }
  .br :global(.br) {
    margin-left: 46px;
  }
  .tag {
    display: inline-block;
    margin: 6px 0 2px -2px;
    padding: 2px 10px;
    background: var(--solid);
    color: var(--on-solid);
    border: 1px solid var(--solid);
    font: inherit;
    font-size: var(--text-small);
    font-weight: 600;
    cursor: pointer;
    text-align: left;
  }
  .br.alt {
    border-left-style: dashed;
  }
  .br.alt .tag {
    background: var(--sheet);
    color: var(--copper);
    border: 1px solid var(--copper);
  }
  .tag[aria-expanded='false'] {
    font-style: italic;
  }
</style>
