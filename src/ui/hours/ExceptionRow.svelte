<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import { kindsOf, readSpans, timesOf, writeSpans } from '$core/hours';
  import type { Hours, HoursException } from '$core/system';
  import EditField from '../fields/EditField.svelte';
  import { dateText } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import { removeException, setException, timesInWords } from './edits';
  import SelectItem from '../fields/SelectItem.svelte';

  let { hours, exception }: { hours: Hours; exception: HoursException } = $props();
  const when = $derived.by(() => {
    const { when } = exception;
    if (when.on === 'range') return `${dateText(when.from)} to ${dateText(when.to)}`;
    if (when.on === 'yearly')
      return when.from === when.to ? `every year on ${when.from}` : `every year, ${when.from} to ${when.to}`;
    const next = when.dates.find((d) => d >= theBusiness().today) ?? when.dates.at(-1)!;
    return `${dateText(next)}${when.dates.length > 1 ? ` and ${when.dates.length - 1} more` : ''}`;
  });
  const perDay = $derived(exception.times.some((t) => t.day !== null));
  /** What those days are; empty is closed. */
  const kind = $derived(exception.times[0]?.kind ?? '');
  const kinds = $derived([...new Set([...kindsOf(hours), 'Holiday', ...(kind ? [kind] : [])])]);
  const isAllDay = $derived(exception.times.every((t) => t.from === 0 && t.to === 1440));

  function keep(text: string): string | undefined {
    const read = readSpans(text);
    if (!read.ok) return read.message;
    if (read.spans.length && !kind) return 'It is closed then. Say first what those times are, beside it.';
    const times = timesOf(read.spans, kind);
    return setException(hours, { ...exception, times }, `${exception.name} ${text || kind || 'closed'}`);
  }
  function be(next: string) {
    if (next === kind) return;
    const times = next ? timesOf(isAllDay ? [] : exception.times, next) : [];
    setException(hours, { ...exception, times }, `${exception.name} is ${next || 'closed'}`);
  }
</script>

<div class="row">
  <span><b>{exception.name}</b> <small class="soft">{when}</small></span>
  <button
    class="linkish small"
    type="button"
    aria-label="Remove {exception.name}"
    onclick={() => removeException(hours, exception)}>Remove</button
  >
  {#if perDay}
    <span class="small soft">{timesInWords(exception.times)}</span>
  {:else}
    <EditField
      hideLabel
      label="Times on {exception.name}"
      placeholder={kind ? 'all day' : 'closed'}
      value={isAllDay ? '' : writeSpans(exception.times)}
      {keep}
    />
    <Select
      size="sm"
      hideLabel
      labelText="What {exception.name} is"
      selected={kind}
      on:update={(e) => be(String(e.detail))}
    >
      <SelectItem value="" text="closed" />
      {#each kinds as k (k)}<SelectItem value={k} text={k} />{/each}
    </Select>
  {/if}
</div>

<style>
  .row {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 2px 8px;
    padding: 5px 0;
    border-bottom: 1px solid var(--rule);
    font-size: var(--text-body);
  }
  small {
    display: block;
  }
</style>
