<script lang="ts">
  import { explainPlan } from '$core/answering';
  import { usersOf, type Plan, type System } from '$core/system';
  import { saveText } from '../files/download';
  import EditField from '../fields/EditField.svelte';
  import { freshId } from '../ids';
  import { theBusiness } from '../window/session.svelte';
  import { copyOf } from './kinds';
  import PlanFiles from './PlanFiles.svelte';

  /** What a plan is called, how it is reached, and what can be made of it. */
  let {
    plan,
    system,
    onremove,
    oncopy,
  }: {
    plan: Plan;
    system: System;
    onremove: () => void;
    oncopy: (planId: string) => void;
  } = $props();
  const from = $derived(usersOf(system, 'plan', plan.id).filter((u) => u.kind === 'plan'));
  const set = (change: Partial<Omit<Plan, 'id'>>, words: string) =>
    theBusiness().keep(words, [{ do: 'plan.set', id: plan.id, change }]);
  let explained = $state('');

  function copy() {
    const id = freshId('plan');
    const value: Plan = { id, name: `${plan.name} (copy)`.slice(0, 80), steps: plan.steps.map(copyOf) };
    theBusiness().edit(`Copy the plan ${plan.name}`, [{ do: 'plan.add', value }]);
    oncopy(id);
  }
  async function explain() {
    const text = explainPlan(plan, system);
    try {
      await navigator.clipboard.writeText(text);
      explained = 'Copied: paste it into a mail.';
    } catch {
      saveText(`${plan.name}.txt`, 'text/plain', text);
      explained = 'Saved as a file.';
    }
  }
</script>

<div class="fields">
  <EditField
    label="Name of the plan"
    value={plan.name}
    keep={(name) => set({ name }, `Call a plan “${name}”`)}
  />
  <EditField
    label="Extension"
    value={plan.extension ?? ''}
    placeholder="none"
    helper="Dialled inside, it is what callers get."
    keep={(text) => set({ extension: text || null }, `${plan.name}: extension ${text || 'none'}`)}
  />
  {#if from.length}
    <p class="small soft">
      Reached from {#each from as p, i (p.id)}{i ? ', ' : ''}<a href="/answering/{p.id}">{p.name}</a>{/each}.
    </p>
  {/if}
  <p class="acts small">
    <a href="/answering/{plan.id}/picture">See it as a picture</a>
    <button class="linkish" type="button" onclick={() => void explain()}>Explain it in words</button>
    <button class="linkish" type="button" onclick={copy}>Copy the plan</button>
    <button class="linkish" type="button" onclick={onremove}>Remove this plan</button>
  </p>
  {#if explained}<p class="small soft" role="status">{explained}</p>{/if}
  <PlanFiles {plan} {system} />
</div>

<style>
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 14px;
  }
</style>
