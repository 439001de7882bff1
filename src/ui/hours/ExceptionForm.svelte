<script lang="ts">
  import { Button, Checkbox, Select, TextInput } from 'carbon-components-svelte';
  import { kindsOf, readSpans, timesOf } from '$core/hours';
  import type { Hours, OnDates } from '$core/system';
  import { addExceptions } from './edits';
  import { dateText } from '../format';
  import SelectItem from '../fields/SelectItem.svelte';
  import WhenField from '../fields/WhenField.svelte';

  /** Other times on some days: closed, shorter, or of a kind of their own. */
  let { hours, days, ondone }: { hours: Hours; days: { from: string; to: string }; ondone: () => void } =
    $props();
  let name = $state('');
  let from = $state('');
  let to = $state('');
  let yearly = $state(false);
  let spans = $state('');
  /** The kind of period those days are; empty is closed. */
  let kind = $state('');
  let problem = $state<{ field: string; message: string } | null>(null);
  const kinds = $derived([...new Set([...kindsOf(hours), 'Holiday'])]);
  $effect(() => {
    from = days.from;
    to = days.to;
  });
  const wrong = (field: string) => (problem?.field === field ? problem.message : '');

  function add(event: Event) {
    event.preventDefault();
    const read = readSpans(spans);
    problem = !name.trim()
      ? { field: 'name', message: 'Give it a name.' }
      : !from || !to
        ? { field: 'from', message: 'Give the first and the last day.' }
        : from > to
          ? { field: 'to', message: 'It ends before it begins.' }
          : !read.ok
            ? { field: 'spans', message: read.message }
            : read.spans.length && !kind
              ? { field: 'kind', message: 'Say what those times are; closed has none.' }
              : null;
    if (problem || !read.ok) return;
    const when: OnDates = yearly
      ? { on: 'yearly', from: from.slice(5), to: to.slice(5) }
      : from === to
        ? { on: 'dates', dates: [from] }
        : { on: 'range', from, to };
    const times = timesOf(read.spans, kind);
    const message = addExceptions(
      hours,
      [{ name: name.trim(), when, times, holiday: null }],
      `${name.trim()}, ${dateText(from)}${to === from ? '' : ` to ${dateText(to)}`}`,
    );
    problem = message === undefined ? null : { field: 'name', message };
    if (problem) return;
    name = spans = kind = '';
    ondone();
  }
</script>

<form class="fields" onsubmit={add} aria-label="Other times on some days">
  <TextInput
    size="sm"
    labelText="What it is"
    placeholder="Regatta, stocktaking, summer"
    bind:value={name}
    invalid={!!wrong('name')}
    invalidText={wrong('name')}
  />
  <div class="two">
    <WhenField label="First day" bind:value={from} problem={wrong('from')} />
    <WhenField label="Last day" bind:value={to} problem={wrong('to')} />
  </div>
  <Checkbox labelText="Every year" bind:checked={yearly} />
  <div class="two">
    <TextInput
      size="sm"
      labelText="Times on those days"
      placeholder={kind ? 'all day' : 'none: closed'}
      bind:value={spans}
      invalid={!!wrong('spans')}
      invalidText={wrong('spans')}
    />
    <Select
      size="sm"
      labelText="They are"
      selected={kind}
      invalid={!!wrong('kind')}
      invalidText={wrong('kind')}
      on:update={(e) => (kind = String(e.detail))}
    >
      <SelectItem value="" text="closed" />
      {#each kinds as k (k)}<SelectItem value={k} text={k} />{/each}
    </Select>
  </div>
  <Button size="small" type="submit">Add it</Button>
</form>

<style>
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 8px;
  }
</style>
