<script lang="ts">
  import { Select, SelectItem, Toggle } from 'carbon-components-svelte';
  import { profileOf, ringsIn } from '$core/numbering';
  import type { Plan, RingStep, System } from '$core/system';
  import { count } from '../format';
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

  function choose(ids: readonly string[]) {
    const kept = step.targets.filter((t) => t.kind === 'phone' || ids.includes(t.id));
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
      none={step.targets.map((t) => system.phones[t.id]?.name).join(', ') || 'Choose people'}
      onchange={choose}
    />
  {:else}
    <p class="small soft">There is nobody to ring yet. <a href="/people">Add a person first</a>.</p>
  {/if}
  {#if step.targets.length > 1}
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
    label={step.pattern === 'in order' && step.targets.length > 1 ? 'Seconds each' : 'For how many seconds'}
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
