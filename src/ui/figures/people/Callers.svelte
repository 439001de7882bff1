<script lang="ts">
  import { NumberInput, Select } from 'carbon-components-svelte';
  import { writeHour } from '$core/hours';
  import type { System } from '$core/system';
  import SelectItem from '../../fields/SelectItem.svelte';
  import { COUNTS_OF_WEEKS, WEEKS_BACK, type AskedOfPeople } from './asked';

  /** Who calls, through which system, and what is aimed at. */
  interface Props {
    asked: AskedOfPeople;
    system: System;
    /** What is wrong, by field. */
    problems: Readonly<Record<string, string>>;
    onchange: (change: Partial<AskedOfPeople>) => void;
  }
  let { asked, system, problems, onchange }: Props = $props();
  const typed = $derived(asked.typed);
  const type = (change: Partial<AskedOfPeople['typed']>) => onchange({ typed: { ...typed, ...change } });
  const numbers = $derived(Object.values(system.numbers).filter((n) => n.planId));
  const HOURS = Array.from({ length: 25 }, (_, h) => h);
  /** What a number field holds; empty is none. */
  const typedNumber = (value: unknown): number | null =>
    value === null || value === '' || value === undefined ? null : Number(value);
</script>

<div class="ask" role="group" aria-label="Who calls">
  <Select
    size="sm"
    labelText="Callers"
    selected={asked.from}
    on:update={(e) => onchange({ from: e.detail as AskedOfPeople['from'] })}
  >
    <SelectItem value="log" text="as in the log" />
    <SelectItem value="typed" text="as I type" />
  </Select>
  {#if asked.from === 'log'}
    <Select
      size="sm"
      labelText="Of the log"
      selected={asked.weeksBack}
      on:update={(e) => onchange({ weeksBack: Number(e.detail) })}
    >
      {#each WEEKS_BACK as weeks (weeks)}<SelectItem value={weeks} text="the last {weeks} weeks" />{/each}
    </Select>
    <Select
      size="sm"
      labelText="Lines"
      selected={asked.numberId}
      on:update={(e) => onchange({ numberId: String(e.detail) })}
    >
      <SelectItem value="" text="all lines" />
      {#each numbers as number (number.id)}<SelectItem value={number.id} text={number.label} />{/each}
    </Select>
    <NumberInput
      size="sm"
      labelText="More callers, %"
      min={-95}
      max={900}
      value={asked.more}
      invalid={!!problems['more']}
      invalidText={problems['more'] ?? ''}
      on:change={(e) => onchange({ more: Number(typedNumber(e.detail) ?? 0) })}
    />
  {:else}
    <Select
      size="sm"
      labelText="The line they call"
      selected={typed.numberId}
      invalid={!!problems['e164']}
      invalidText={problems['e164'] ?? ''}
      on:update={(e) => type({ numberId: String(e.detail) })}
    >
      <SelectItem value="" text="choose" />
      {#each numbers as number (number.id)}<SelectItem value={number.id} text={number.label} />{/each}
    </Select>
    <NumberInput
      size="sm"
      labelText="Callers an hour"
      value={typed.perHour}
      allowEmpty
      invalid={!!problems['perHour']}
      invalidText={problems['perHour'] ?? ''}
      on:change={(e) => type({ perHour: typedNumber(e.detail) })}
    />
    <Select
      size="sm"
      labelText="From"
      selected={typed.from}
      on:update={(e) => type({ from: Number(e.detail) })}
    >
      {#each HOURS.slice(0, 24) as hour (hour)}<SelectItem value={hour} text={writeHour(hour)} />{/each}
    </Select>
    <Select
      size="sm"
      labelText="To"
      selected={typed.to}
      invalid={!!problems['to']}
      invalidText={problems['to'] ?? ''}
      on:update={(e) => type({ to: Number(e.detail) })}
    >
      {#each HOURS.slice(1) as hour (hour)}<SelectItem value={hour} text={writeHour(hour)} />{/each}
    </Select>
    <NumberInput
      size="sm"
      labelText="They talk, s"
      value={typed.talk}
      allowEmpty
      invalid={!!problems['talk']}
      invalidText={problems['talk'] ?? ''}
      on:change={(e) => type({ talk: typedNumber(e.detail) })}
    />
    <NumberInput
      size="sm"
      labelText="They wait, s (empty: for ever)"
      value={typed.patience}
      allowEmpty
      invalid={!!problems['patience']}
      invalidText={problems['patience'] ?? ''}
      on:change={(e) => type({ patience: typedNumber(e.detail) })}
    />
    <NumberInput
      size="sm"
      labelText="Whoever is rung lifts, %"
      value={typed.lifts}
      allowEmpty
      invalid={!!problems['lifts']}
      invalidText={problems['lifts'] ?? ''}
      on:change={(e) => type({ lifts: typedNumber(e.detail) })}
    />
  {/if}
</div>
<div class="ask" role="group" aria-label="What is run">
  <Select
    size="sm"
    labelText="Through"
    selected={asked.of}
    on:update={(e) => onchange({ of: e.detail as AskedOfPeople['of'] })}
  >
    <SelectItem value="in force" text="what is in force" />
    <SelectItem value="draft" text="the draft" />
  </Select>
  <NumberInput
    size="sm"
    labelText="Missed at most, %"
    min={1}
    max={90}
    value={asked.missed}
    invalid={!!problems['missed']}
    invalidText={problems['missed'] ?? ''}
    on:change={(e) => onchange({ missed: Number(typedNumber(e.detail) ?? 0) })}
  />
  <Select
    size="sm"
    labelText="A usual week"
    selected={asked.count}
    on:update={(e) => onchange({ count: Number(e.detail) })}
  >
    {#each COUNTS_OF_WEEKS as weeks (weeks)}<SelectItem value={weeks} text="{weeks} times" />{/each}
  </Select>
</div>

<style>
  .ask {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 12px;
    align-items: start;
    margin: 6px 0;
  }
  .ask :global(.bx--form-item) {
    flex: 0 1 auto;
  }
  .ask :global(.bx--number) {
    max-width: 190px;
  }
</style>
