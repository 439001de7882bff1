<script lang="ts">
  import { Button, Select } from 'carbon-components-svelte';
  import { copyDay, DAY_NAMES, daysInWords } from '$core/hours';
  import type { Hours } from '$core/system';
  import { setHours } from './edits';
  import SelectItem from '../fields/SelectItem.svelte';

  /** Gives other days of the week all the periods of one. */
  let { hours }: { hours: Hours } = $props();
  const ALL = [1, 2, 3, 4, 5, 6, 7];
  let from = $state(1);
  let chosen = $state('weekdays');
  const targets = $derived([
    { value: 'weekdays', days: ALL.filter((d) => d <= 5 && d !== from) },
    { value: 'all', days: ALL.filter((d) => d !== from) },
    ...ALL.filter((d) => d !== from).map((d) => ({ value: String(d), days: [d] })),
  ]);
  const to = $derived(targets.find((t) => t.value === chosen) ?? targets[0]!);

  function copy() {
    setHours(
      hours,
      { weekly: copyDay(hours.weekly, from, to.days) },
      `${daysInWords(to.days)} as ${DAY_NAMES[from - 1]}`,
    );
  }
</script>

<div class="copy">
  <Select
    size="sm"
    inline
    labelText="Copy"
    selected={String(from)}
    on:update={(e) => (from = Number(e.detail))}
  >
    {#each ALL as d (d)}<SelectItem value={String(d)} text={DAY_NAMES[d - 1]!} />{/each}
  </Select>
  <Select size="sm" inline labelText="to" selected={to.value} on:update={(e) => (chosen = String(e.detail))}>
    {#each targets as t (t.value)}<SelectItem
        value={t.value}
        text={t.value === 'all' ? 'all other days' : daysInWords(t.days)}
      />{/each}
  </Select>
  <Button size="small" kind="ghost" on:click={copy}>Copy the day</Button>
</div>

<style>
  .copy {
    display: flex;
    align-items: center;
  }
</style>
