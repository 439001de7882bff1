<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import { testInWords } from '$core/answering';
  import type { CallerStep, CallerTest, Plan, System } from '$core/system';
  import EditField from '../../fields/EditField.svelte';
  import { setStep } from '../edits';
  import BranchRows from './BranchRows.svelte';
  import SelectItem from '../../fields/SelectItem.svelte';

  let { plan, step, system }: { plan: Plan; step: CallerStep; system: System } = $props();
  type Branch = CallerStep['branches'][number];
  const has = (is: CallerTest['is']) => step.branches.some((b) => b.test.is === is);
  const lists = $derived(Object.values(system.lists));
  const missing = $derived<{ says: string; branch: Branch }[]>(
    (
      [
        ...lists
          .filter((l) => !step.branches.some((b) => b.test.is === 'listed' && b.test.listId === l.id))
          .map((l) => [`Callers on the list ${l.name}`, { is: 'listed', listId: l.id }]),
        ...(has('known') ? [] : [['Contacts', { is: 'known' }]]),
        ['A country or area', { is: 'from', prefix: '+1' }],
        ...(has('hidden') ? [] : [['Hidden numbers', { is: 'hidden' }]]),
        ...(has('suspected') ? [] : [['Suspected spam', { is: 'suspected' }]]),
        ...(has('blocked') ? [] : [['Blocked callers', { is: 'blocked' }]]),
      ] as [string, CallerTest][]
    ).map(([says, test]) => ({ says: `Add: ${says}`, branch: { test, steps: [] } })),
  );
  const set = (branches: Branch[]) => setStep(plan, { ...step, branches }, 'branch');
  const change = (i: number, test: CallerTest) =>
    set(step.branches.map((b, j) => (i === j ? { ...b, test } : b)));
  let adding = $state('');
</script>

<p class="small soft">
  The first branch the caller fits is taken. Who is a contact, listed or blocked stands under <a
    href="/answering/callers">Callers</a
  >.
</p>
<BranchRows branches={step.branches} name={(b) => testInWords(b.test, system)} onchange={set}>
  {#snippet settings(branch, i)}
    {#if branch.test.is === 'from'}
      <EditField
        label="Numbers that begin with"
        value={branch.test.prefix}
        helper="The country with its +, and as much of the area as you like: +1360"
        keep={(text) => change(i, { is: 'from', prefix: text.replace(/[\s()-]/g, '') })}
      />
    {/if}
  {/snippet}
</BranchRows>
<Select
  size="sm"
  labelText="Another branch"
  selected={adding}
  on:update={(e) => {
    const found = missing.find((m) => m.says === e.detail);
    if (found) set([...step.branches, found.branch]);
    adding = '';
  }}
>
  <SelectItem value="" text="Choose…" />
  {#each missing as m (m.says)}<SelectItem value={m.says} text={m.says.replace('Add: ', '')} />{/each}
</Select>
