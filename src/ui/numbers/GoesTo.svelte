<script lang="ts">
  import { Button, Select } from 'carbon-components-svelte';
  import { tick } from 'svelte';
  import { goto } from '$app/navigation';
  import { assignNumber } from '$core/answering';
  import { listed } from '$core/calls';
  import type { NumberHeld } from '$core/system';
  import { freshId } from '../ids';
  import PeopleField from '../fields/PeopleField.svelte';
  import { session, theBusiness } from '../window/session.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  /** Gives a number to a person, to several, or to a plan, in one step each. */
  let { number }: { number: NumberHeld } = $props();
  const system = $derived(theBusiness().system);
  const people = $derived(Object.values(system.people));
  let choosing = $state(false);
  let several = $state<string[]>([]);
  let renewed = $state(0);

  function assign(ids: string[]) {
    const names = listed(ids.flatMap((id) => system.people[id]?.name ?? []));
    theBusiness().edit(`${number.label} rings ${names}`, assignNumber(system, number.id, ids, freshId), {
      withNotice: true,
    });
    choosing = false;
    several = [];
  }
  async function choose(value: string) {
    const [kind, id] = [value.slice(0, value.indexOf(':')), value.slice(value.indexOf(':') + 1)];
    if (kind === 'person') assign([id]);
    else if (kind === 'plan' && id !== number.planId)
      theBusiness().edit(`${number.label} has the plan ${system.plans[id]!.name}`, [
        { do: 'number.set', id: number.id, change: { planId: id } },
      ]);
    else if (kind === 'new') {
      const planId = freshId('plan');
      theBusiness().edit(`Start a plan for ${number.label}`, [
        { do: 'plan.add', value: { id: planId, name: number.label, steps: [] } },
        { do: 'number.set', id: number.id, change: { planId } },
      ]);
      session.say({
        kind: 'info',
        title: `${number.label} has a plan of its own, without a step yet`,
        detail: 'Begin it here; until then its callers are cut off.',
      });
      await goto(`/answering/${planId}`);
      return;
    } else if (kind === 'several') choosing = true;
    // The list goes back to what holds now, whatever was chosen in it.
    await tick();
    renewed++;
  }
</script>

{#key `${number.planId} ${renewed}`}
  <Select
    size="sm"
    hideLabel
    labelText="Where calls to {number.label} go"
    selected={number.planId ? `plan:${number.planId}` : 'none:'}
    on:change={(e: Event) => void choose((e.target as HTMLSelectElement).value)}
  >
    {#if !number.planId}<SelectItem value="none:" text="nowhere yet" />{/if}
    <optgroup label="Answering plan">
      {#each Object.values(system.plans) as p (p.id)}<SelectItem value="plan:{p.id}" text={p.name} />{/each}
      <SelectItem value="new:" text="a new plan" />
    </optgroup>
    <optgroup label="Straight to">
      {#each people as p (p.id)}<SelectItem
          value="person:{p.id}"
          text="{p.name}, then their voicemail"
        />{/each}
      {#if people.length > 1}<SelectItem value="several:" text="several people together…" />{/if}
    </optgroup>
  </Select>
{/key}
{#if choosing}
  <div class="several">
    <PeopleField
      label="Whose phones all ring"
      people={system.people}
      chosen={several}
      none="choose people"
      onchange={(ids) => (several = ids)}
    />
    <div class="row">
      <Button size="small" disabled={several.length < 2} on:click={() => assign(several)}>Share it</Button>
      <Button size="small" kind="ghost" on:click={() => (choosing = false)}>Not now</Button>
    </div>
  </div>
{/if}

<style>
  .several {
    margin-top: 8px;
  }
  .row {
    display: flex;
    gap: 8px;
    margin-top: 8px;
  }
</style>
