<script lang="ts">
  import Add from 'carbon-icons-svelte/lib/Add.svelte';
  import ArrowDown from 'carbon-icons-svelte/lib/ArrowDown.svelte';
  import ArrowUp from 'carbon-icons-svelte/lib/ArrowUp.svelte';
  import Draggable from 'carbon-icons-svelte/lib/Draggable.svelte';
  import TrashCan from 'carbon-icons-svelte/lib/TrashCan.svelte';
  import { detailInWords, stepInWords } from '$core/answering';
  import type { Step, System } from '$core/system';

  interface Props {
    step: Step;
    system: System;
    /** Seconds after arrival. */
    at: number;
    selected: boolean;
    wrong: string | undefined;
    onselect: () => void;
    onkeydown: (event: KeyboardEvent) => void;
    onmove: (by: -1 | 1) => void;
    oninsert: () => void;
    onremove: () => void;
  }
  let { step, system, at, selected, wrong, onselect, onkeydown, onmove, oninsert, onremove }: Props =
    $props();
  const words = $derived(stepInWords(step, system));
  const detail = $derived(detailInWords(step, system));
  const name = $derived(`${words.verb} ${words.what}`);
</script>

<div class="step {step.kind}" class:sel={selected} data-testid="step">
  <span class="at"
    ><span class="grip" aria-hidden="true"><Draggable /></span>{Math.round(at * 10) / 10} s</span
  >
  <button
    type="button"
    class="what"
    data-focus="step-{step.id}"
    aria-pressed={selected}
    onclick={onselect}
    {onkeydown}
  >
    <span class="line"><b>{words.verb}</b> {words.what}</span>
    {#if detail}<span class="d">{detail}</span>{/if}
    {#if step.note}<span class="d note">{step.note}</span>{/if}
    {#if wrong}<span class="wrong">{wrong}</span>{/if}
  </button>
  <span class="tools">
    <button type="button" data-focus="up-{step.id}" aria-label="Move up: {name}" onclick={() => onmove(-1)}
      ><ArrowUp /></button
    >
    <button type="button" data-focus="down-{step.id}" aria-label="Move down: {name}" onclick={() => onmove(1)}
      ><ArrowDown /></button
    >
    <button type="button" aria-label="Insert a step after: {name}" onclick={oninsert}><Add /></button>
    <button type="button" aria-label="Remove: {name}" onclick={onremove}><TrashCan /></button>
  </span>
</div>

<style>
  .step {
    display: grid;
    grid-template-columns: 54px 1fr auto;
    gap: 0 10px;
    padding: 6px 10px 6px 0;
    align-items: start;
  }
  .at {
    display: flex;
    justify-content: flex-end;
    gap: 2px;
    color: var(--ink-soft);
    font-size: var(--text-small);
    padding-top: 3px;
    white-space: nowrap;
  }
  .grip {
    cursor: grab;
    opacity: 0;
    display: flex;
    touch-action: none;
  }
  .step:hover .grip,
  .step:focus-within .grip,
  .sel .grip {
    opacity: 1;
  }
  .what {
    padding: 1px 0 1px 14px;
    border: 0;
    border-left: 3px solid var(--rule);
    background: none;
    text-align: left;
    font-size: var(--text-lead);
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
    font-size: var(--text-body);
  }
  .note {
    font-style: italic;
  }
  .wrong {
    color: var(--alarm);
  }
  .sel {
    background: var(--copper-wash);
  }
  .play .what,
  .menu .what,
  .ask .what {
    border-left-color: var(--menu);
  }
  .hours .what,
  .caller .what,
  .share .what,
  .goto .what {
    border-left-color: var(--copper);
  }
  .ring .what,
  .queue .what {
    border-left-color: var(--group);
  }
  .forward .what {
    border-left-color: var(--outside);
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
</style>
