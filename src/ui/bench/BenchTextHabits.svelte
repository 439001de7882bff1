<script lang="ts">
  import { Button, Select, TextInput } from 'carbon-components-svelte';
  import { onMount } from 'svelte';
  import { readNumber } from '$core/numbering';
  import { TextHabit, type TextHabits } from '$standins/carrier/texting';
  import { readTextHabits, writeTextHabits } from '$workspace';
  import SelectItem from '../fields/SelectItem.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** What outside phones make of texts: how the carrier fails is decided here. */
  const businessId = theBusiness().view.business.id;
  let habits = $state.raw<TextHabits>({});
  let number = $state('');
  let does = $state<TextHabit>('calls only');
  let problem = $state('');
  onMount(() => void readTextHabits(theBusiness().db, businessId).then((h) => (habits = h)));
  const WORDS: Record<TextHabit, string> = {
    'takes them': 'takes them',
    'calls only': 'takes calls only (a landline)',
    'not in service': 'is not in service',
    'blocks them': 'has a network that blocks them',
    'words only': 'takes words, no pictures or files',
    'is off': 'is off for days',
  };

  async function store(next: TextHabits) {
    try {
      await writeTextHabits(theBusiness().db, businessId, next);
      habits = next;
      problem = '';
    } catch (error) {
      problem = error instanceof Error ? error.message : String(error);
    }
  }
  async function set(event: Event) {
    event.preventDefault();
    const read = readNumber(number, theBusiness().system.business.country);
    if (!read.ok) return (problem = read.message);
    await store({ ...habits, [read.number.e164]: does });
    if (!problem) number = '';
  }
</script>

<h3>When they are texted</h3>
<p class="soft small">
  A number carries one part a second, and refuses when a minute of them waits. Landlines of countries that
  tell them apart take none. Files are carried up to 1 MB together.
</p>
<ul class="slips" aria-label="What outside phones make of texts">
  {#each Object.entries(habits) as [e164, habit] (e164)}
    <li>
      <b>{theBusiness().number(e164)}</b>
      {WORDS[habit]}
      <button
        class="linkish small"
        type="button"
        aria-label="Let {theBusiness().number(e164)} take texts as usual"
        onclick={() => void store(Object.fromEntries(Object.entries(habits).filter(([n]) => n !== e164)))}
        >As usual</button
      >
    </li>
  {/each}
</ul>
<form onsubmit={(e) => void set(e)}>
  <TextInput
    size="sm"
    labelText="Outside number that is texted"
    bind:value={number}
    invalid={!!problem}
    invalidText={problem}
  />
  <Select size="sm" labelText="What its phone does with texts" bind:selected={does}>
    {#each TextHabit.options as value (value)}<SelectItem {value} text={WORDS[value]} />{/each}
  </Select>
  <Button size="small" kind="tertiary" type="submit">Set for texts</Button>
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
