<script lang="ts">
  import { NumberInput, Select, Toggle } from 'carbon-components-svelte';
  import { NAME_SECONDS, PATTERN_WORDS } from '$core/answering';
  import { profileOf, ringsIn } from '$core/numbering';
  import {
    flatTargets,
    Pattern,
    RingWay,
    targetName,
    type Plan,
    type RingStep,
    type System,
  } from '$core/system';
  import { count } from '../format';
  import SecondsField from '../fields/SecondsField.svelte';
  import { setStep } from './edits';
  import BranchRows from './panels/BranchRows.svelte';
  import RingWho from './RingWho.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  let { plan, step, system }: { plan: Plan; step: RingStep; system: System } = $props();
  const country = $derived(profileOf(system.business.country));
  const rings = $derived(count(ringsIn(step.seconds, country.ringback), 'ring'));
  const one = $derived(step.targets.length === 1 && step.targets[0]!.kind === 'person');
  const several = $derived(step.targets.length > 1 || step.targets.some((t) => t.kind === 'group'));
  const set = (change: Partial<RingStep>, field: string) => setStep(plan, { ...step, ...change }, field);
  const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1);
  const branches = $derived(step.branches ?? []);
  const missing = $derived(
    RingWay.options
      .filter((way) => !branches.some((b) => b.way === way))
      .map((way) => ({ says: `Add a branch: ${way}`, branch: { way, steps: [] } })),
  );
  const SHOWS: [NonNullable<RingStep['shows']>, string][] = [
    ['caller', "the caller's number"],
    ['number called', 'which number was called'],
    ['both', 'both'],
  ];
</script>

<RingWho
  targets={step.targets}
  {system}
  owner
  onchange={(targets) => set({ targets, followReach: step.followReach && targets.length === 1 }, 'who')}
/>
{#if several}
  <Select
    labelText="How"
    selected={step.pattern}
    on:update={(e) => {
      const pattern = Pattern.safeParse(e.detail);
      if (pattern.success) set({ pattern: pattern.data }, 'pattern');
    }}
  >
    {#each Pattern.options as p (p)}<SelectItem value={p} text={capital(PATTERN_WORDS[p])} />{/each}
  </Select>
  {#if step.pattern === 'by weight'}
    {#each flatTargets(step.targets, system) as t (t.id)}
      <NumberInput
        size="sm"
        labelText="Weight of {targetName(t, system)}"
        min={0}
        max={100}
        value={step.weights?.[t.id] ?? 1}
        on:input={(e) => {
          if (typeof e.detail === 'number' && e.detail !== (step.weights?.[t.id] ?? 1))
            set({ weights: { ...step.weights, [t.id]: e.detail } }, `weight ${t.id}`);
        }}
      />
    {/each}
  {/if}
{/if}
<SecondsField
  label={step.pattern !== 'together' && several ? 'Seconds each' : 'For how many seconds'}
  value={step.seconds}
  helper="{rings} in {country.name}"
  onchange={(seconds) => set({ seconds }, 'seconds')}
/>
{#if one}
  <Toggle
    size="sm"
    labelText="Their own forwarding"
    labelA="left alone: the call stays in this plan"
    labelB="followed"
    toggled={step.followReach}
    on:toggle={(e) => {
      if (e.detail.toggled !== step.followReach) set({ followReach: e.detail.toggled }, 'reach');
    }}
  />
{/if}
<details>
  <summary>More about how it rings</summary>
  <div class="fields">
    <Toggle
      size="sm"
      labelText="Somebody on a call"
      labelA="is passed over"
      labelB="is rung as well"
      toggled={step.ringBusy ?? false}
      on:toggle={(e) => {
        if (e.detail.toggled !== (step.ringBusy ?? false)) set({ ringBusy: e.detail.toggled }, 'busy');
      }}
    />
    <Toggle
      size="sm"
      labelText="Taking the call"
      labelA="by lifting"
      labelB="by lifting and pressing 1"
      toggled={step.confirm ?? false}
      on:toggle={(e) => {
        if (e.detail.toggled !== (step.confirm ?? false)) set({ confirm: e.detail.toggled }, 'confirm');
      }}
    />
    <Toggle
      size="sm"
      labelText="The caller's name"
      labelA="is not asked"
      labelB="is asked (about {NAME_SECONDS} s), and said to whoever lifts"
      toggled={step.askName ?? false}
      on:toggle={(e) => {
        if (e.detail.toggled !== (step.askName ?? false)) set({ askName: e.detail.toggled }, 'name');
      }}
    />
    <Select
      size="sm"
      labelText="Their phones show"
      selected={step.shows ?? 'both'}
      on:update={(e) => {
        const shows = SHOWS.find(([s]) => s === e.detail)?.[0];
        if (shows) set({ shows }, 'shows');
      }}
    >
      {#each SHOWS as [value, text] (value)}<SelectItem {value} {text} />{/each}
    </Select>
    <BranchRows
      {branches}
      name={(b) => capital(b.way)}
      {missing}
      onchange={(next) => set({ branches: next.length ? next : undefined }, 'branch')}
    />
  </div>
</details>

<style>
  summary {
    cursor: pointer;
    color: var(--copper);
    font-size: var(--text-body);
    padding: 4px 0;
  }
</style>
