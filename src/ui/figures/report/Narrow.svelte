<script lang="ts">
  import { NumberInput, Select } from 'carbon-components-svelte';
  import { DAY_NAMES, writeHour } from '$core/hours';
  import {
    COMPARISONS,
    EVERYTHING,
    NAMED_SPANS,
    spanOf,
    type NamedSpan,
    type Comparison,
    type Filter,
    type Rules,
    type Span,
  } from '$core/traffic';
  import type { System } from '$core/system';
  import SelectItem from '../../fields/SelectItem.svelte';
  import WhenField from '../../fields/WhenField.svelte';

  /** Which calls a report is of, what it is compared with, and how it judges. */
  interface Props {
    /** A name, or '' for days of one's own. */
    named: NamedSpan | '';
    span: Span;
    compare: Comparison;
    filter: Filter;
    rules: Rules;
    today: string;
    system: System;
    /** Who may be asked for. */
    people: ReadonlySet<string> | null;
    /** What is wrong with the days; empty where nothing is. */
    problem: string;
    onchange: (change: {
      named?: NamedSpan | '';
      span?: Span;
      compare?: Comparison;
      filter?: Filter;
      rules?: Rules;
    }) => void;
  }
  let { named, span, compare, filter, rules, today, system, people, problem, onchange }: Props = $props();
  const narrow = (change: Partial<Filter>) => onchange({ filter: { ...filter, ...change } });
  const judge = (change: Partial<Rules>) => onchange({ rules: { ...rules, ...change } });
  const narrowed = $derived(JSON.stringify(filter) !== JSON.stringify(EVERYTHING));
  const asked = $derived(Object.values(system.people).filter((p) => !people || people.has(p.id)));
  const COMPARED: Record<Comparison, string> = {
    nothing: 'compared with nothing',
    'the span before': 'compared with the days before',
    'a year before': 'compared with a year before',
  };
  const OF: Record<Rules['of'], string> = {
    'offered but at once': 'of offered, without those at once',
    offered: 'of all offered',
    'answered or gave up': 'of answered and given up',
  };
  const HOURS = Array.from({ length: 25 }, (_, h) => h);
  const seconds = (typed: unknown, least: number, most: number, old: number) => {
    const n = Math.round(Number(typed));
    return Number.isFinite(n) && n >= least && n <= most ? n : old;
  };
</script>

<div class="ask" role="group" aria-label="Which calls">
  <Select
    size="sm"
    hideLabel
    labelText="Which days"
    selected={named}
    on:update={(e) => {
      const name = String(e.detail) as NamedSpan | '';
      onchange({ named: name, ...(name ? { span: spanOf(name, today) } : {}) });
    }}
  >
    {#each NAMED_SPANS as name (name)}<SelectItem value={name} text={name} />{/each}
    <SelectItem value="" text="days of your own" />
  </Select>
  <span class="days">
    <WhenField
      hideLabel
      label="First day"
      value={span.from}
      {problem}
      onvalue={(value) => value && onchange({ named: '', span: { ...span, from: value } })}
    />
    <span class="soft">to</span>
    <WhenField
      hideLabel
      label="Last day"
      value={span.to}
      onvalue={(value) => value && onchange({ named: '', span: { ...span, to: value } })}
    />
  </span>
  <Select
    size="sm"
    hideLabel
    labelText="Compared with"
    selected={compare}
    on:update={(e) => onchange({ compare: e.detail as Comparison })}
  >
    {#each COMPARISONS as c (c)}<SelectItem value={c} text={COMPARED[c]} />{/each}
  </Select>
</div>
<details open={narrowed}>
  <summary>Only some of them, and how they are judged</summary>
  <div class="ask" role="group" aria-label="Only some of them">
    <Select
      size="sm"
      hideLabel
      labelText="Which line"
      selected={filter.numberId}
      on:update={(e) => narrow({ numberId: String(e.detail) })}
    >
      <SelectItem value="" text="every line" />
      {#each Object.values(system.numbers) as n (n.id)}<SelectItem value={n.id} text={n.label} />{/each}
    </Select>
    <Select
      size="sm"
      hideLabel
      labelText="Who of us"
      selected={filter.personId}
      on:update={(e) => narrow({ personId: String(e.detail) })}
    >
      <SelectItem value="" text={people ? 'all you may see' : 'everybody of us'} />
      {#each asked as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
    </Select>
    {#each [{ key: 'groupId', label: 'Group', none: 'any group or none', of: system.groups }, { key: 'queueId', label: 'Queue', none: 'any queue or none', of: system.queues }, { key: 'siteId', label: 'Site', none: 'every site', of: system.sites }] as const as { key, label, none, of } (key)}
      {#if Object.keys(of).length}
        <Select
          size="sm"
          hideLabel
          labelText={label}
          selected={filter[key]}
          on:update={(e) => narrow({ [key]: String(e.detail) })}
        >
          <SelectItem value="" text={none} />
          {#each Object.values(of) as { id, name } (id)}<SelectItem value={id} text={name} />{/each}
        </Select>
      {/if}
    {/each}
    <Select
      size="sm"
      hideLabel
      labelText="Which callers"
      selected={filter.callers}
      on:update={(e) => narrow({ callers: e.detail as Filter['callers'] })}
    >
      <SelectItem value="all" text="whoever called" />
      <SelectItem value="new" text="who never called before" />
      <SelectItem value="known" text="who called before" />
      <SelectItem value="hidden" text="hidden numbers" />
    </Select>
    <span class="days">
      <Select
        size="sm"
        hideLabel
        labelText="From what hour"
        selected={filter.hours[0]}
        on:update={(e) =>
          narrow({ hours: [Number(e.detail), Math.max(Number(e.detail) + 1, filter.hours[1])] })}
      >
        {#each HOURS.slice(0, 24) as h (h)}<SelectItem value={h} text="from {writeHour(h)}" />{/each}
      </Select>
      <Select
        size="sm"
        hideLabel
        labelText="To what hour"
        selected={filter.hours[1]}
        on:update={(e) =>
          narrow({ hours: [Math.min(filter.hours[0], Number(e.detail) - 1), Number(e.detail)] })}
      >
        {#each HOURS.slice(1) as h (h)}<SelectItem value={h} text="to {writeHour(h)}" />{/each}
      </Select>
    </span>
    <span class="week" role="group" aria-label="Which weekdays">
      {#each DAY_NAMES as name, i (name)}
        <label
          ><input
            type="checkbox"
            checked={!filter.weekdays.length || filter.weekdays.includes(i + 1)}
            onchange={(e) => {
              const now = filter.weekdays.length ? filter.weekdays : [1, 2, 3, 4, 5, 6, 7];
              const next = e.currentTarget.checked ? [...now, i + 1] : now.filter((d) => d !== i + 1);
              narrow({ weekdays: next.length === 7 ? [] : next.sort() });
            }}
          />{name}</label
        >
      {/each}
    </span>
    {#if narrowed}<button class="linkish small" type="button" onclick={() => onchange({ filter: EVERYTHING })}
        >Take all of them</button
      >{/if}
  </div>
  <div class="ask judged" role="group" aria-label="How they are judged">
    <NumberInput
      size="sm"
      labelText="Answered in time, seconds"
      min={1}
      max={600}
      value={rules.within}
      on:change={(e) => judge({ within: seconds(e.detail, 1, 600, rules.within) })}
    />
    <NumberInput
      size="sm"
      labelText="Gave up at once, under seconds"
      min={0}
      max={60}
      value={rules.atOnce}
      on:change={(e) => judge({ atOnce: seconds(e.detail, 0, 60, rules.atOnce) })}
    />
    <Select
      size="sm"
      labelText="The share in time is"
      selected={rules.of}
      on:update={(e) => judge({ of: e.detail as Rules['of'] })}
    >
      {#each Object.entries(OF) as [value, text] (value)}<SelectItem {value} {text} />{/each}
    </Select>
  </div>
</details>

<style>
  .ask {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 12px;
    align-items: center;
    margin: 6px 0;
  }
  .ask :global(.bx--form-item) {
    flex: 0 1 auto;
  }
  .ask :global(.bx--select-input) {
    max-width: 290px;
  }
  .ask :global(input[type='date']) {
    width: 138px;
  }
  .judged {
    align-items: end;
  }
  .days {
    display: flex;
    gap: 8px;
    align-items: center;
  }
  .week {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 8px;
    font-size: var(--text-small);
  }
  .week label {
    display: inline-flex;
    gap: 3px;
    align-items: center;
  }
  summary {
    font-size: var(--text-small);
    color: var(--ink-soft);
    cursor: pointer;
  }
  @media print {
    details {
      display: none;
    }
  }
</style>
