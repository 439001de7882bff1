<script lang="ts">
  import { OverflowMenu, OverflowMenuItem } from 'carbon-components-svelte';
  import Add from 'carbon-icons-svelte/lib/Add.svelte';
  import { stepInWords } from '$core/answering';
  import type { Plan, Step, StepList } from '$core/system';
  import { theBusiness } from '../window/session.svelte';
  import { addStep, copiedStep, putDown } from './edits';
  import { STEPS_OFFERED } from './kinds';

  interface Props {
    plan: Plan;
    place: StepList;
    index: number;
    onadd: (stepId: string) => void;
  }
  let { plan, place, index, onadd }: Props = $props();
  let copied = $state.raw<Step | undefined>(undefined);
  const words = $derived(copied ? stepInWords(copied, theBusiness().system) : undefined);

  function put() {
    const id = putDown(plan, place, index);
    if (id) onadd(id);
  }
</script>

<div class="add">
  <OverflowMenu aria-label="Add a step" size="sm" on:click={() => (copied = copiedStep())}>
    <span slot="menu" class="label"><Add /> Add a step</span>
    {#if words}
      <OverflowMenuItem on:click={put}
        ><b>Copied</b>&ensp;<span>{words.verb} {words.what}</span></OverflowMenuItem
      >
    {/if}
    {#each STEPS_OFFERED as k (k.kind)}
      <OverflowMenuItem on:click={() => onadd(addStep(plan, k.kind, place, index))}
        ><b>{k.name}</b>&ensp;<span>{k.does}</span></OverflowMenuItem
      >
    {/each}
  </OverflowMenu>
</div>

<style>
  .add {
    display: flex;
    align-items: center;
    margin: 2px 0 4px 62px;
  }
  .add :global(.bx--overflow-menu) {
    width: auto;
    height: 28px;
    min-height: 28px;
    padding: 0 8px;
  }
  .label {
    display: flex;
    align-items: center;
    gap: 6px;
    color: var(--copper);
    font-size: var(--text-body);
  }
  .add :global(.bx--overflow-menu-options) {
    width: 390px;
    max-height: 420px;
    overflow-y: auto;
  }
  .add :global(.bx--overflow-menu-options__btn) {
    max-width: none;
  }
  .add :global(b) {
    display: inline-block;
    width: 96px;
  }
</style>
