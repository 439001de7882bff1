<script lang="ts">
  import { tick } from 'svelte';
  import { arrivalTimes, branchInWords } from '$core/answering';
  import type { Finding } from '$core/findings';
  import { allSteps, listsOf, type Plan, type Step, type StepList as Place, type System } from '$core/system';
  import { count } from '../format';
  import AddStep from './AddStep.svelte';
  import { copyStep, cutStep, cutting, letGo, putDown } from './clipboard.svelte';
  import { levelStep, moveStep, removeStep } from './edits';
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
  async function kept(step: Step, act: () => void) {
    const focus = document.activeElement?.getAttribute('data-focus');
    act();
    onselect(step.id);
    await focusOn(focus ?? `step-${step.id}`);
  }
  async function focusOn(key: string) {
    await tick();
    document.querySelector<HTMLElement>(`[data-focus="${key}"]`)?.focus();
  }
  /** What is removed hands the keyboard on: to the step after it, before it, or the branch it was in. */
  async function remove(step: Step, index: number) {
    const next = steps[index + 1] ?? steps[index - 1];
    removeStep(plan, step);
    await focusOn(
      next ? `step-${next.id}` : place ? `branch-${branchKey(place.parentId, place.branch)}` : 'add',
    );
  }
  /** Leads to the settings of a step. */
  async function settings(step: Step) {
    onselect(step.id);
    await tick();
    document
      .querySelector<HTMLElement>('[data-step-panel] :is(input:not([type=hidden]), select, button, textarea)')
      ?.focus();
  }
  /** A step is inserted after this one. */
  let inserting = $state<string | null>(null);
  function put(at: Place, index: number) {
    const id = putDown(plan, at, index);
    if (!id) return;
    onselect(id);
    void focusOn(`step-${id}`);
  }
  const MOVES: Readonly<Record<string, (step: Step) => void>> = {
    ArrowUp: (step) => moveStep(plan, step, -1),
    ArrowDown: (step) => moveStep(plan, step, 1),
    ArrowLeft: (step) => levelStep(plan, step, 'out'),
    ArrowRight: (step) => levelStep(plan, step, 'in'),
  };
  function onkeydown(event: KeyboardEvent, step: Step, index: number) {
    const held = event.ctrlKey || event.metaKey;
    const { key } = event;
    if (event.altKey && MOVES[key]) void kept(step, () => MOVES[key]!(step));
    else if (key === 'Delete') void remove(step, index);
    else if (key === 'Enter') void settings(step);
    else if (key === 'Insert') inserting = step.id;
    else if (held && key === 'x') cutStep(plan, step);
    else if (held && key === 'v') put(place, index + 1);
    else if (held && key === 'c' && !getSelection()?.toString()) copyStep(step);
    else if (key === 'Escape' && letGo()) void 0;
    else return;
    event.preventDefault();
  }
  /** On a branch: what was copied is put at its beginning. */
  function onbranch(event: KeyboardEvent, at: Place) {
    if (!(event.ctrlKey || event.metaKey) || event.key !== 'v') return;
    event.preventDefault();
    put(at, 0);
  }
  function fold(key: string) {
    if (!folded.delete(key)) folded.add(key);
  }
  const inside = (list: readonly Step[]) => count([...allSteps(list)].length, 'step');
</script>

<ol {@attach draggable(() => plan, place)}>
  {#each steps as step, i (step.id)}
    <li data-step={step.id} class:cut={cutting.stepId === step.id}>
      <StepLine
        {step}
        {system}
        at={times.get(step.id) ?? 0}
        selected={selected === step.id}
        wrong={findings.find((f) => f.place.kind === 'plan' && f.place.stepId === step.id)?.title}
        onselect={() => onselect(step.id)}
        onkeydown={(e) => onkeydown(e, step, i)}
        onmove={(by) => void kept(step, () => moveStep(plan, step, by))}
        oninsert={() => (inserting = step.id)}
        onremove={() => void remove(step, i)}
      />
      {#each listsOf(step) as [branch, list] (branch)}
        {@const key = branchKey(step.id, branch)}
        <div class="br" class:alt={branch !== 0}>
          <button
            class="tag"
            type="button"
            data-focus="branch-{key}"
            aria-expanded={!folded.has(key)}
            onclick={() => fold(key)}
            onkeydown={(e) => onbranch(e, { parentId: step.id, branch })}
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
      {#if inserting === step.id}
        <AddStep
          {plan}
          {place}
          index={i + 1}
          now
          onadd={onselect}
          onclose={() => {
            inserting = null;
            void focusOn(`step-${step.id}`);
          }}
        />
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
    min-height: 6px;
  }
  /* Where a step is dragged to: an empty branch takes one too. */
  :global(body.dragging-step) ol:empty,
  :global(body.dragging-step) ol:has(> :global(.sortable-drag):only-child) {
    min-height: 30px;
    margin: 2px 10px 4px 64px;
    outline: 2px dashed var(--copper);
    outline-offset: -2px;
  }
  li.cut > :global(.step) {
    opacity: 0.45;
  }
  ol :global(> .lands) {
    background: var(--copper-wash);
    outline: 2px solid var(--copper);
    outline-offset: -2px;
    max-height: 40px;
    overflow: hidden;
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
