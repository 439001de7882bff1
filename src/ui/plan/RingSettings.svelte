<script lang="ts">
  import { MultiSelect, Select, SelectItem, Toggle } from 'carbon-components-svelte';
  import { profileOf, ringsIn } from '$core/numbering';
  import type { Plan, RingStep, System } from '$core/system';
  import { count } from '../format';
  import { named } from '../named';
  import PeopleField from '../PeopleField.svelte';
  import SecondsField from '../SecondsField.svelte';
  import { setStep } from './edits';

  let { plan, step, system }: { plan: Plan; step: RingStep; system: System } = $props();
  // By way of the collection, which an edit of a step leaves as it is: a list of hundreds is not made anew for it.
  const everybody = $derived(system.people);
  const chosen = $derived(step.targets.filter((t) => t.kind === 'person').map((t) => t.id));
  const country = $derived(profileOf(system.business.country));
  const rings = $derived(count(ringsIn(step.seconds, country.ringback), 'ring'));
  const one = $derived(step.targets.length === 1 && step.targets[0]!.kind === 'person');

  const groups = $derived(Object.values(system.groups));
  const chosenGroups = $derived(step.targets.filter((t) => t.kind === 'group').map((t) => t.id));
  const several = $derived(step.targets.length > 1 || chosenGroups.length > 0);
  function chooseGroups(ids: readonly string[]) {
    if (ids.length === chosenGroups.length && ids.every((id) => chosenGroups.includes(id))) return;
    const kept = step.targets.filter((t) => t.kind !== 'group' || ids.includes(t.id));
    const added = ids
      .filter((id) => !chosenGroups.includes(id))
      .map((id) => ({ kind: 'group' as const, id }));
    setStep(plan, { ...step, targets: [...kept, ...added], followReach: false }, 'who');
  }
  function choose(ids: readonly string[]) {
    const kept = step.targets.filter((t) => t.kind !== 'person' || ids.includes(t.id));
    const added = ids.filter((id) => !chosen.includes(id)).map((id) => ({ kind: 'person' as const, id }));
    setStep(
      plan,
      {
        ...step,
        targets: [...kept, ...added],
        followReach: step.followReach && kept.length + added.length === 1,
      },
      'who',
    );
  }
</script>

<div class="fields">
  {#if Object.keys(everybody).length}
    <PeopleField
      label="Who"
      size="lg"
      people={everybody}
      {chosen}
      none={step.targets.length ? 'nobody by name' : 'Choose people'}
      onchange={choose}
    />
  {:else}
    <p class="small soft">There is nobody to ring yet. <a href="/people">Add a person first</a>.</p>
  {/if}
  {#if groups.length}
    <div {@attach named('Groups')}>
      <MultiSelect
        size="sm"
        labelText="Groups"
        label={chosenGroups.map((id) => system.groups[id]?.name ?? '').join(', ') || 'none'}
        items={groups.map((g) => ({ id: g.id, text: g.name }))}
        selectedIds={chosenGroups}
        sortItem={() => 0}
        on:select={(e) => chooseGroups(e.detail.selectedIds.map(String))}
      />
    </div>
  {/if}
  {#if several}
    <Select
      labelText="How"
      selected={step.pattern}
      on:update={(e) =>
        setStep(plan, { ...step, pattern: e.detail === 'in order' ? 'in order' : 'together' }, 'pattern')}
    >
      <SelectItem value="together" text="All together" />
      <SelectItem value="in order" text="One after the other" />
    </Select>
  {/if}
  <SecondsField
    label={step.pattern === 'in order' && several ? 'Seconds each' : 'For how many seconds'}
    value={step.seconds}
    helper="{rings} in {country.name}"
    onchange={(seconds) => setStep(plan, { ...step, seconds }, 'seconds')}
  />
  {#if one}
    <Toggle
      size="sm"
      labelText="Their own forwarding"
      labelA="left alone: the call stays in this plan"
      labelB="followed"
      toggled={step.followReach}
      on:toggle={(e) => {
        if (e.detail.toggled !== step.followReach)
          setStep(plan, { ...step, followReach: e.detail.toggled }, 'reach');
      }}
    />
  {/if}
</div>
