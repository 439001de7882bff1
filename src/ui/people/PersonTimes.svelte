<script lang="ts">
  import { Button, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import type { Away, Person } from '$core/system';
  import { dateText } from '../format';
  import { session } from '../session.svelte';

  /** When somebody can be rung: their working hours, and the days they are away with whoever stands in. */
  let { person }: { person: Person } = $props();
  const id = untrack(() => person.id);
  const system = $derived(session.system!);
  const others = $derived(
    Object.values(system.people).filter((p) => p.id !== person.id && p.role !== 'shared room'),
  );
  const may = $derived(session.may('change the system'));
  const away = $derived([...person.away].sort((a, b) => (a.from < b.from ? -1 : 1)));
  let from = $state('');
  let to = $state('');
  let standIn = $state('');
  let problem = $state('');

  function add(event: Event) {
    event.preventDefault();
    if (!from) {
      problem = 'Choose the first day.';
      return;
    }
    const [first, last] = [from, to || from];
    const span: Away = { from: first, to: last, standInId: standIn || null };
    problem =
      session.keep(`${person.name} is away ${spanText(span)}`, [
        { do: 'person.set', id, change: { away: [...person.away, span] } },
      ]) ?? '';
    if (!problem) from = to = standIn = '';
  }
  const drop = (span: Away) =>
    session.edit(
      `${person.name} is not away ${spanText(span)}`,
      [{ do: 'person.set', id, change: { away: person.away.filter((a) => a !== span) } }],
      { undoable: true },
    );
  const spanText = (a: Away) =>
    a.from === a.to ? dateText(a.from) : `${dateText(a.from)} to ${dateText(a.to)}`;
  const setStandIn = (span: Away, standInId: string | null) =>
    standInId !== span.standInId &&
    session.edit(`Say who stands in for ${person.name}`, [
      {
        do: 'person.set',
        id,
        change: { away: person.away.map((a) => (a === span ? { ...a, standInId } : a)) },
      },
    ]);
</script>

<div class="card">
  <h2>When they can be rung</h2>
  {#if may}
    <Select
      size="sm"
      labelText="Working hours"
      selected={person.hoursId ?? ''}
      helperText={person.hoursId ? 'Outside them none of their phones rings.' : 'At any hour.'}
      on:update={(e) =>
        (e.detail || null) !== person.hoursId &&
        session.edit(`Change the working hours of ${person.name}`, [
          { do: 'person.set', id, change: { hoursId: String(e.detail) || null } },
        ])}
    >
      <SelectItem value="" text="any" />
      {#each Object.values(system.hours) as h (h.id)}<SelectItem value={h.id} text={h.name} />{/each}
    </Select>
  {:else}<p>Working hours: {system.hours[person.hoursId ?? '']?.name ?? 'any'}.</p>{/if}
  <h3>Away</h3>
  <ul aria-label="Days away">
    {#each away as a (a.from + a.to)}
      <li class:past={a.to < session.today}>
        <b>{spanText(a)}</b>
        <Select
          size="sm"
          hideLabel
          labelText="Who stands in"
          selected={a.standInId ?? ''}
          on:update={(e) => void setStandIn(a, String(e.detail) || null)}
        >
          <SelectItem value="" text="nobody stands in" />
          {#each others as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
        </Select>
        <button class="linkish small" type="button" onclick={() => drop(a)}
          >Remove<span class="visually-hidden">&nbsp;{spanText(a)}</span></button
        >
      </li>
    {:else}<li class="soft small">Never, as far as is known.</li>{/each}
  </ul>
  <form onsubmit={add}>
    <TextInput
      size="sm"
      type="date"
      labelText="From"
      bind:value={from}
      invalid={!!problem}
      invalidText={problem}
    />
    <TextInput size="sm" type="date" labelText="To" min={from} bind:value={to} />
    <Select size="sm" labelText="Stands in" bind:selected={standIn}>
      <SelectItem value="" text="nobody" />
      {#each others as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
    </Select>
    <Button size="small" type="submit" kind="tertiary">Add</Button>
  </form>
</div>

<style>
  h3 {
    margin-top: 16px;
  }
  ul {
    list-style: none;
    margin: 0 0 10px;
    padding: 0;
  }
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 150px auto;
    gap: 10px;
    align-items: center;
    padding: 4px 0;
    border-bottom: 1px solid var(--rule);
    font-size: 13.5px;
  }
  li.soft {
    display: block;
  }
  .past b {
    color: var(--ink-soft);
    font-weight: 400;
  }
  form {
    display: grid;
    grid-template-columns: 1fr 1fr minmax(0, 1.1fr) auto;
    gap: 10px;
    align-items: end;
  }
</style>
