<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import { addDays, localTime, momentOf, writeTime } from '$core/hours';
  import { fieldText, momentText, momentTyped } from '../format';
  import { here } from '../window/session.svelte';
  import SelectItem from '../fields/SelectItem.svelte';
  import WhenField from '../fields/WhenField.svelte';

  /** Until when something holds: until it is ended, or a moment, in the business's time. */
  let {
    label,
    until,
    onchange,
  }: { label: string; until: number | null; onchange: (until: number | null) => void } = $props();
  const HOUR = 3_600_000;
  const choices = $derived.by(() => {
    const { date } = localTime(here().zone, here().minute);
    const tonight = momentOf(here().zone, date, 18 * 60);
    return [
      { at: here().minute + HOUR, words: 'for an hour' },
      { at: here().minute + 2 * HOUR, words: 'for two hours' },
      ...(tonight > here().minute ? [{ at: tonight, words: `until ${writeTime(18 * 60)}` }] : []),
      { at: momentOf(here().zone, addDays(date, 1), 8 * 60), words: `until tomorrow, ${writeTime(8 * 60)}` },
    ];
  });
  let exact = $state(false);
  let typed = $state('');
  let problem = $state('');

  function choose(value: string) {
    problem = '';
    if (value === 'kept') return;
    exact = value === 'exact';
    if (exact) typed = fieldText(until ?? here().minute + HOUR, here().zone);
    else onchange(value ? Number(value) : null);
  }
  function read() {
    const got = momentTyped(typed, here().zone, here().now);
    problem = got.ok ? '' : got.message;
    if (!got.ok) return;
    exact = false;
    onchange(got.at);
  }
</script>

<div class="until">
  <Select
    size="sm"
    labelText={label}
    selected={exact ? 'exact' : until === null ? '' : 'kept'}
    on:change={(e: Event) => choose((e.target as HTMLSelectElement).value)}
  >
    <SelectItem value="" text="until I end it" />
    {#if until !== null}<SelectItem value="kept" text={momentText(until, here().zone)} />{/if}
    {#each choices as c (c.words)}<SelectItem value={String(c.at)} text={c.words} />{/each}
    <SelectItem value="exact" text="a day and a time…" />
  </Select>
  {#if exact}<WhenField
      hideLabel
      label="{label}: day and time"
      time
      bind:value={typed}
      {problem}
      onvalue={() => read()}
    />{/if}
</div>

<style>
  .until {
    display: grid;
    gap: 4px;
    max-width: 260px;
    margin-top: 8px;
  }
</style>
