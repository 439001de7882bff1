<script lang="ts">
  import { Button, InlineLoading, Select } from 'carbon-components-svelte';
  import { SvelteMap } from 'svelte/reactivity';
  import { kindsOf, localTime } from '$core/hours';
  import type { Hours, HoursException } from '$core/system';
  import { dateText } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import { addExceptions, exceptionsOf } from './edits';
  import { askHolidays, type Holiday, type HolidayList } from './holidays';
  import SelectItem from '../fields/SelectItem.svelte';

  /** Public holidays of a country and region, with a choice for each. */
  let { hours }: { hours: Hours } = $props();
  let region = $state('');
  let list = $state.raw<HolidayList | null>(null);
  let problem = $state('');
  let loading = $state(false);
  let all = $state(false);
  type Choice = 'closed' | 'shorter' | 'own' | 'ignore';
  const CHOICES: [Choice, string][] = [
    ['closed', 'Closed'],
    ['shorter', 'Open 9-12'],
    ['own', 'A kind of its own, for a greeting'],
    ['ignore', 'As any other day'],
  ];
  const choices = new SvelteMap<string, Choice>();
  const { country } = $derived(theBusiness().system.business);
  const here = (h: Holiday) =>
    exceptionsOf(hours).some((e) => e.holiday?.country === country && e.name === h.name);
  const next = (h: Holiday) => h.dates.find((d) => d >= theBusiness().today);
  const shown = $derived(
    (list?.holidays ?? []).filter((h) => next(h) && (all || h.kind === 'public') && !here(h)),
  );
  const choiceOf = (h: Holiday): Choice =>
    choices.get(`${h.kind} ${h.name}`) ?? (h.kind === 'public' ? 'closed' : 'ignore');
  const chosen = $derived(shown.filter((h) => choiceOf(h) !== 'ignore'));

  async function look() {
    loading = true;
    problem = '';
    const year = Number(localTime(theBusiness().zone, theBusiness().now).date.slice(0, 4));
    const answer = await askHolidays(country, region, year);
    loading = false;
    if ('message' in answer) problem = answer.message;
    else list = answer;
  }
  function add() {
    const open = kindsOf(hours)[0] ?? 'Open';
    const timesFor = (choice: Choice): HoursException['times'] =>
      choice === 'shorter'
        ? [{ day: null, from: 540, to: 720, kind: open }]
        : choice === 'own'
          ? [{ day: null, from: 0, to: 1440, kind: 'Holiday' }]
          : [];
    const added = chosen.map((h) => ({
      name: h.name,
      when: { on: 'dates' as const, dates: h.dates.filter((d) => d >= theBusiness().today) },
      times: timesFor(choiceOf(h)),
      holiday: { country, region, rule: h.rule.slice(0, 120) },
    }));
    problem = addExceptions(hours, added, `${added.length} public holidays`) ?? '';
  }
</script>

<div class="fields">
  <div class="ask">
    {#if list?.regions.length}
      <Select size="sm" labelText="Region" bind:selected={region} on:change={() => void look()}>
        <SelectItem value="" text="the whole country" />
        {#each list.regions as r (r.code)}<SelectItem value={r.code} text={r.name} />{/each}
      </Select>
    {/if}
    {#if !list}
      <Button size="small" kind="tertiary" disabled={loading} on:click={() => void look()}
        >Public holidays of {country}</Button
      >
    {/if}
    {#if loading}<InlineLoading description="Looking them up" />{/if}
  </div>
  {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
  {#if list}
    <ul>
      {#each shown as h (`${h.kind} ${h.name}`)}
        <li>
          <span><b>{h.name}</b> <span class="soft">{dateText(next(h)!)}</span></span>
          <Select
            size="sm"
            hideLabel
            labelText="What to do on {h.name}"
            selected={choiceOf(h)}
            on:update={(e) => {
              const choice = CHOICES.find(([c]) => c === e.detail)?.[0];
              if (choice) choices.set(`${h.kind} ${h.name}`, choice);
            }}
          >
            {#each CHOICES as [value, text] (value)}<SelectItem {value} {text} />{/each}
          </Select>
        </li>
      {:else}<li class="soft">All of them are there already.</li>{/each}
    </ul>
    <div class="ask">
      <Button size="small" disabled={!chosen.length} on:click={add}
        >Add {chosen.length === 1 ? '1 holiday' : `${chosen.length} holidays`}, ten years ahead</Button
      >
      <button class="linkish small" type="button" onclick={() => (all = !all)}
        >{all ? 'Only days off for everybody' : 'Other days too'}</button
      >
    </div>
  {/if}
</div>

<style>
  .ask {
    display: flex;
    gap: 12px;
    align-items: end;
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
    max-height: 300px;
    overflow-y: auto;
  }
  li {
    display: grid;
    grid-template-columns: 1fr 150px;
    gap: 8px;
    align-items: center;
    padding: 3px 0;
    border-bottom: 1px solid var(--rule);
    font-size: var(--text-body);
  }
</style>
