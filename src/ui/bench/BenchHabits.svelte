<script lang="ts">
  import { Button, NumberInput, Select, TextInput } from 'carbon-components-svelte';
  import { onMount } from 'svelte';
  import { readNumber } from '$core/numbering';
  import { habitInWords, OutsideHabits, type OutsideHabit } from '$standins/outside/outside';
  import { readHabits, writeHabits } from '$workspace';
  import { theBusiness } from '../window/session.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  /** What outside phones do that nobody sits at, when they are called from here. */
  const businessId = theBusiness().view.business.id;
  let habits = $state.raw<OutsideHabits>({});
  let number = $state('');
  let does = $state<OutsideHabit['does']>('answers');
  let after = $state(4);
  let problem = $state('');
  onMount(() => void readHabits(theBusiness().db, businessId).then((h) => (habits = h)));
  const KINDS: Record<OutsideHabit['does'], string> = {
    answers: 'answers',
    declines: 'declines',
    'own voicemail': 'has its own voicemail answer',
    busy: 'is busy',
    'not in service': 'is not in service',
  };
  const timed = $derived(does !== 'busy' && does !== 'not in service');

  async function store(next: OutsideHabits) {
    try {
      await writeHabits(theBusiness().db, businessId, next);
      habits = next;
      problem = '';
    } catch (error) {
      problem = error instanceof Error ? error.message : String(error);
    }
  }
  async function set(event: Event) {
    event.preventDefault();
    const read = readNumber(number, theBusiness().system.business.country);
    if (!read.ok) {
      problem = read.message;
      return;
    }
    const found = OutsideHabits.safeParse({
      ...habits,
      [read.number.e164]: timed ? { does, after } : { does },
    });
    if (!found.success) {
      problem = found.error.issues[0]?.message ?? 'That cannot be set.';
      return;
    }
    await store(found.data);
    if (!problem) number = '';
  }
</script>

<h3>When they are called</h3>
<p class="soft small">
  An outside number rings until somebody lifts it here or in its window; or it does what is set for it.
</p>
<ul class="slips" aria-label="What outside phones do">
  {#each Object.entries(habits) as [e164, habit] (e164)}
    <li>
      <b>{theBusiness().number(e164)}</b>
      {habitInWords(habit)}
      <button
        class="linkish small"
        type="button"
        aria-label="Let {theBusiness().number(e164)} ring"
        onclick={() => void store(Object.fromEntries(Object.entries(habits).filter(([n]) => n !== e164)))}
        >Let it ring</button
      >
    </li>
  {/each}
</ul>
<form onsubmit={set}>
  <TextInput
    size="sm"
    labelText="Outside number"
    bind:value={number}
    invalid={!!problem}
    invalidText={problem}
  />
  <Select size="sm" labelText="What it does" bind:selected={does}>
    {#each Object.entries(KINDS) as [value, text] (value)}<SelectItem {value} {text} />{/each}
  </Select>
  {#if timed}
    <NumberInput
      size="sm"
      hideSteppers
      labelText="After so many seconds of ringing"
      min={0}
      max={120}
      bind:value={after}
    />
  {/if}
  <Button size="small" kind="tertiary" type="submit">Set</Button>
</form>

<style>
  h3 {
    margin: 22px 0 6px;
  }
  form {
    display: grid;
    gap: 8px;
    justify-items: start;
  }
</style>
