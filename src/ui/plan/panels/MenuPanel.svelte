<script lang="ts">
  import { Select, Toggle } from 'carbon-components-svelte';
  import { keysOf } from '$core/answering';
  import type { MenuKey, MenuStep, Plan } from '$core/system';
  import RecordingField from '../../fields/RecordingField.svelte';
  import SecondsField from '../../fields/SecondsField.svelte';
  import { promiseKey } from '../../promises/edits';
  import { setStep } from '../edits';
  import BranchRows from './BranchRows.svelte';
  import SelectItem from '../../fields/SelectItem.svelte';

  let { plan, step }: { plan: Plan; step: MenuStep } = $props();
  const KEYS = [...'123456789*0#'];
  const does = $derived(keysOf(step));
  const free = $derived(KEYS.filter((k) => !does.has(k)));
  /** What a key does that leads into no branch. */
  const OWN = [
    ['nameKey', 'Key for spelling a name'],
    ['againKey', 'Key for hearing it again'],
    ['backKey', 'Key back to the menu before'],
  ] as const;
  const WORDS = {
    branch: 'a branch',
    names: 'names',
    again: 'hearing it again',
    back: 'going back',
  } as const;
  const NAMES: Partial<Record<MenuKey, string>> = { wrong: 'Wrong key', none: 'No key' };
  const name = (key: MenuKey) => NAMES[key] ?? `Key ${key}`;
  let problem = $state('');

  function set(change: Partial<MenuStep>, field: string) {
    problem = setStep(plan, { ...step, ...change }, field) ?? '';
    return problem || undefined;
  }
  const add = (key: MenuKey) => set({ branches: [...step.branches, { key, steps: [] }] }, 'branch');
</script>

<RecordingField
  label="What the menu says"
  recordingId={step.recordingId}
  about="in {plan.name}"
  onchoose={(recordingId) => setStep(plan, { ...step, recordingId }, 'recording')}
  attach={(recordingId) => ({ do: 'step.set', planId: plan.id, step: { ...step, recordingId } })}
/>
<div class="pad" role="group" aria-label="Keys with a branch">
  {#each KEYS as key (key)}
    {@const branch = step.branches.find((b) => b.key === key)}
    <button
      type="button"
      class:on={does.has(key)}
      disabled={does.has(key)}
      aria-label={branch
        ? `Key ${key} has a branch`
        : does.has(key)
          ? `Key ${key} is for ${WORDS[does.get(key)!]}`
          : `Add a branch for key ${key}`}
      onclick={() => add(key as MenuKey)}><b>{key}</b><small>{does.get(key) ?? ''}</small></button
    >
  {/each}
</div>
<BranchRows
  branches={step.branches}
  name={(b) => name(b.key)}
  missing={(['wrong', 'none'] as const)
    .filter((k) => !step.branches.some((b) => b.key === k))
    .map((key) => ({ says: `Add a branch for ${name(key).toLowerCase()}`, branch: { key, steps: [] } }))}
  onchange={(branches) => set({ branches }, 'branch')}
>
  {#snippet settings({ key })}
    {#if key !== 'wrong' && key !== 'none'}<button
        class="linkish small"
        type="button"
        aria-label="Promise that key {key} reaches a person"
        onclick={() => promiseKey(step.id, key)}>Promise that it reaches a person</button
      >{/if}
  {/snippet}
</BranchRows>
{#each OWN as [field, label] (field)}
  {@const key = step[field] ?? ''}
  <Select
    size="sm"
    labelText={label}
    selected={key}
    on:update={(e) => e.detail !== key && set({ [field]: String(e.detail) || null }, field)}
  >
    <SelectItem value="" text="none" />
    {#each [...free, ...(key ? [key] : [])] as k (k)}<SelectItem value={k} text={k} />{/each}
  </Select>
{/each}
<Toggle
  size="sm"
  labelText="Extensions dialled here"
  labelA="are wrong keys"
  labelB="put the caller through"
  toggled={step.dialExtension}
  on:toggle={(e) => {
    if (e.detail.toggled !== step.dialExtension) set({ dialExtension: e.detail.toggled }, 'dial');
  }}
/>
<SecondsField
  label="Seconds waited for a key"
  value={step.seconds}
  max={60}
  onchange={(seconds) => setStep(plan, { ...step, seconds }, 'seconds')}
/>
<SecondsField
  label="Times it is played"
  value={step.tries}
  max={5}
  helper="Then the call goes on: to the branch for wrong or no key, to “otherwise”, or to the next step."
  onchange={(tries) => setStep(plan, { ...step, tries }, 'tries')}
/>
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}

<style>
  .pad {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: 4px;
    max-width: 210px;
  }
  .pad button {
    border: 1px solid var(--rule);
    background: var(--sheet);
    color: var(--ink);
    padding: 4px 0;
    cursor: pointer;
    display: grid;
    line-height: 1.2;
    height: 38px;
    align-content: center;
  }
  .pad button:disabled {
    cursor: default;
  }
  .pad .on {
    background: var(--copper-wash);
    border-color: var(--copper);
  }
  .pad small {
    font-size: var(--text-tiny);
    color: var(--ink-soft);
  }
</style>
