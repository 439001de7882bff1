<script lang="ts">
  import { Button, Select } from 'carbon-components-svelte';
  import { withOwn, type Away, type Person } from '$core/system';
  import { dateText } from '../format';
  import Origin from '../reach/Origin.svelte';
  import { sendFromHere, type Send } from '../reach/settings.svelte';
  import { here } from '../window/session.svelte';
  import SelectItem from '../fields/SelectItem.svelte';
  import WhenField from '../fields/WhenField.svelte';

  /** The days somebody is away, and who stands in. It holds at once. */
  let { person: given, send = sendFromHere }: { person: Person; send?: Send } = $props();
  const system = $derived(withOwn(here().settable, here().standing.own));
  const person = $derived(system.people[given.id] ?? given);
  const others = $derived(
    Object.values(system.people).filter((p) => p.id !== person.id && p.role !== 'shared room'),
  );
  const away = $derived([...person.away].sort((a, b) => (a.from < b.from ? -1 : 1)));
  let from = $state('');
  let to = $state('');
  let standIn = $state('');
  let problem = $state('');

  const set = (words: string, spans: Away[]) =>
    send(words, [{ kind: 'person', personId: person.id, values: { away: spans } }]);
  const isSpan = (a: Away) => (b: Away) => a.from === b.from && a.to === b.to;

  function add(event: Event) {
    event.preventDefault();
    const last = to || from;
    problem = !from ? 'Choose the first day.' : last < from ? 'It ends before it begins.' : '';
    if (!problem && person.away.length >= 50) problem = 'At most 50 absences.';
    if (problem) return;
    const span: Away = { from, to: last, standInId: standIn || null };
    void set(`${person.name} is away ${spanText(span)}`, [
      ...person.away.filter((a) => !isSpan(span)(a)),
      span,
    ]);
    from = to = standIn = '';
  }
  const drop = (span: Away) =>
    void set(
      `${person.name} is not away ${spanText(span)}`,
      person.away.filter((a) => !isSpan(span)(a)),
    );
  const spanText = (a: Away) =>
    a.from === a.to ? dateText(a.from) : `${dateText(a.from)} to ${dateText(a.to)}`;
  const setStandIn = (span: Away, standInId: string | null) =>
    standInId !== span.standInId &&
    void set(
      `Say who stands in for ${person.name}`,
      person.away.map((a) => (isSpan(span)(a) ? { ...a, standInId } : a)),
    );
</script>

<h3>Away</h3>
<ul aria-label="Days away">
  {#each away as a (a.from + a.to)}
    <li class:past={a.to < here().today}>
      <b>{spanText(a)}</b>
      <Select
        size="sm"
        hideLabel
        labelText="Who stands in"
        selected={a.standInId ?? ''}
        on:update={(e) => setStandIn(a, String(e.detail) || null)}
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
<Origin stamp={here().standing.own?.people[person.id]?.away} />
<form onsubmit={add}>
  <WhenField label="From" bind:value={from} {problem} />
  <WhenField label="To" bind:value={to} />
  <Select size="sm" labelText="Stands in" bind:selected={standIn}>
    <SelectItem value="" text="nobody" />
    {#each others as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
  </Select>
  <Button size="small" type="submit" kind="tertiary">Add</Button>
</form>

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
    font-size: var(--text-body);
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
  @media (max-width: 600px) {
    form {
      grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    }
    li {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
