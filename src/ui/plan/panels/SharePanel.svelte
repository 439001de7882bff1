<script lang="ts">
  import { NumberInput, Select } from 'carbon-components-svelte';
  import type { Plan, ShareStep } from '$core/system';
  import { setStep } from '../edits';
  import BranchRows from './BranchRows.svelte';
  import SelectItem from '../../fields/SelectItem.svelte';

  let { plan, step }: { plan: Plan; step: ShareStep } = $props();
  /** Shares as typed, while they do not make 100 yet. */
  let typed = $state<number[] | null>(null);
  let problem = $state('');
  const shares = $derived(typed ?? step.branches.map((b) => b.share));

  function type(i: number, share: unknown) {
    if (typeof share !== 'number' || !Number.isFinite(share)) return;
    const next = shares.map((s, j) => (i === j ? share : s));
    // Of two the other follows.
    if (next.length === 2 && share >= 0 && share <= 100) next[1 - i] = 100 - share;
    take(next);
  }
  function take(next: number[]) {
    const branches = step.branches.map((b, i) => ({ ...b, share: next[i]! }));
    problem = setStep(plan, { ...step, branches }, 'share') ?? '';
    typed = problem ? next : null;
  }
  /** Branches that come or go share equally, until somebody says otherwise. */
  function set(branches: ShareStep['branches']) {
    const each = Math.floor(100 / Math.max(1, branches.length));
    const rest = 100 - each * branches.length;
    typed = null;
    problem =
      setStep(
        plan,
        { ...step, branches: branches.map((b, i) => ({ ...b, share: each + (i === 0 ? rest : 0) })) },
        'branch',
      ) ?? '';
  }
</script>

<Select
  labelText="How"
  selected={step.how}
  on:update={(e) => setStep(plan, { ...step, how: e.detail === 'in turn' ? 'in turn' : 'by shares' }, 'how')}
>
  <SelectItem value="by shares" text="By chance, in shares" />
  <SelectItem value="in turn" text="One after the other, equal turns" />
</Select>
<BranchRows
  branches={step.branches}
  name={(_, i) => `Way ${i + 1}`}
  missing={step.branches.length < 12 ? [{ says: 'Add a way', branch: { share: 0, steps: [] } }] : []}
  onchange={set}
>
  {#snippet settings(_, i)}
    {#if step.how === 'by shares'}
      <NumberInput
        size="sm"
        labelText="Share of way {i + 1}, in %"
        min={0}
        max={100}
        value={shares[i] ?? 0}
        on:input={(e) => type(i, e.detail)}
      />
    {/if}
  {/snippet}
</BranchRows>
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
