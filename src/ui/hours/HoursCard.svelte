<script lang="ts">
  import { Button, Select, TextInput } from 'carbon-components-svelte';
  import { DAY_NAMES, kindsOf, localTime, readSpans, writeSpans } from '$core/hours';
  import { writeHours } from '$core/formats/ical';
  import { usersOf, type Hours } from '$core/system';
  import { saveText } from '../files/download';
  import CopyDay from './CopyDay.svelte';
  import EditField from '../fields/EditField.svelte';
  import { count } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import { exceptionsOf, setHours } from './edits';
  import Override from './Override.svelte';
  import WeekStrip from './WeekStrip.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  let { hours }: { hours: Hours } = $props();
  const system = $derived(theBusiness().system);
  /** What was typed and could not be read yet, by kind and day, with what is wrong. */
  let wrong = $state<Record<string, { text: string; message: string }>>({});
  let newKind = $state('');
  /** Kinds the set was just given that have no hours yet, and so are not in the document. */
  let added = $state<string[]>([]);

  const weekKinds = $derived(kindsOf({ ...hours, exceptions: [] }));
  const kinds = $derived([...new Set([...weekKinds, ...added, ...(weekKinds.length ? [] : ['Open'])])]);
  const spansOf = (kind: string, day: number) => hours.weekly.filter((p) => p.kind === kind && p.day === day);
  const usedBy = $derived(usersOf(system, 'hours', hours.id));
  const askedBy = $derived(usedBy.filter((u) => u.kind !== 'promise'));
  const promises = $derived(usedBy.length - askedBy.length);
  const zones = $derived([
    ...new Set([
      system.business.timeZone,
      ...Object.values(system.sites).map((s) => s.timeZone),
      ...(hours.timeZone ? [hours.timeZone] : []),
    ]),
  ]);

  function type(kind: string, day: number, text: string) {
    const key = `${kind}/${day}`;
    const read = readSpans(text);
    if (!read.ok) {
      wrong[key] = { text, message: read.message };
      return;
    }
    const others = hours.weekly.filter((p) => p.kind !== kind || p.day !== day);
    const weekly = [...others, ...read.spans.map((s) => ({ day, ...s, kind }))];
    const words = `${kind} on ${DAY_NAMES[day - 1]} ${writeSpans(read.spans) || 'closed'}`;
    const message = setHours(hours, { weekly }, words);
    if (message === undefined) delete wrong[key];
    else wrong[key] = { text, message };
  }
  function addKind(event: Event) {
    event.preventDefault();
    const kind = newKind.trim();
    if (kind && !kinds.includes(kind)) added = [...added, kind];
    newKind = '';
  }
  function remove() {
    const breaks = usedBy.length ? ` (used by ${usedBy.map((p) => p.name).join(', ')})` : '';
    theBusiness().edit(`Remove ${hours.name}${breaks}`, [{ do: 'hours.remove', id: hours.id }], {
      withNotice: true,
    });
  }
  function save() {
    const zone = hours.timeZone ?? theBusiness().zone;
    const text = writeHours(
      hours,
      { zone, now: theBusiness().now },
      localTime(zone, theBusiness().now).date,
      366,
    );
    saveText(`${hours.name}.ics`, 'text/calendar', text);
  }
</script>

<section class="card" id={hours.id} aria-label={hours.name}>
  <div class="head">
    <EditField
      hideLabel
      label="Name of these hours"
      value={hours.name}
      keep={(name) => setHours(hours, { name }, `called “${name}”`)}
    />
    <Override {hours} />
    <button class="linkish small" type="button" onclick={remove}>Remove</button>
  </div>
  <p class="small soft about">
    {askedBy.length ? `Asked by ${askedBy.map((p) => p.name).join(', ')}.` : 'No plan asks them.'}
    {promises ? `${count(promises, 'promise')} about them.` : ''}
    <a href="/hours/year?set={hours.id}"
      >{exceptionsOf(hours).length
        ? count(exceptionsOf(hours).length, 'exception')
        : 'Holidays and other exceptions'}</a
    >
    <button class="linkish" type="button" onclick={save}>Save as a calendar</button>
  </p>
  <WeekStrip {hours} {kinds} />
  <table>
    <thead>
      <tr
        ><th scope="col">Kind</th>{#each DAY_NAMES as d (d)}<th scope="col">{d}</th>{/each}</tr
      >
    </thead>
    <tbody>
      {#each kinds as kind (kind)}
        <tr>
          <th scope="row">{kind}</th>
          {#each DAY_NAMES as d, i (d)}
            {@const key = `${kind}/${i + 1}`}
            <td>
              <TextInput
                size="sm"
                hideLabel
                labelText="{kind}, {d}"
                placeholder="closed"
                value={wrong[key]?.text ?? writeSpans(spansOf(kind, i + 1))}
                invalid={!!wrong[key]}
                invalidText={wrong[key]?.message ?? ''}
                on:change={(e) => type(kind, i + 1, String(e.detail ?? ''))}
              />
            </td>
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
  <div class="foot">
    <form onsubmit={addKind}>
      <TextInput
        size="sm"
        hideLabel
        labelText="Another kind of period"
        placeholder="Another kind, such as Lunch"
        bind:value={newKind}
      />
      <Button size="small" kind="ghost" type="submit">Add kind</Button>
    </form>
    <CopyDay {hours} />
    {#if zones.length > 1}
      <Select
        size="sm"
        inline
        labelText="Clock of"
        selected={hours.timeZone ?? ''}
        on:update={(e) =>
          setHours(
            hours,
            { timeZone: String(e.detail) || null },
            e.detail ? `in ${e.detail}` : 'in the zone of the business',
          )}
      >
        <SelectItem value="" text="the business" />
        {#each zones as z (z)}<SelectItem value={z} text={z} />{/each}
      </Select>
    {/if}
  </div>
</section>

<style>
  .head {
    display: grid;
    grid-template-columns: 220px 1fr auto;
    align-items: center;
    gap: 14px;
  }
  .about {
    margin: 6px 0;
  }
  .about a,
  .about button {
    margin-left: 10px;
  }
  table {
    border-collapse: collapse;
    width: 100%;
    table-layout: fixed;
  }
  th {
    text-align: left;
    font-weight: 600;
    font-size: var(--text-body);
    padding: 2px 4px;
    overflow-wrap: anywhere;
  }
  thead th {
    color: var(--ink-soft);
    font-weight: 400;
  }
  td {
    padding: 2px 3px;
    vertical-align: top;
  }
  td :global(.bx--text-input) {
    padding: 0 6px;
    font-size: var(--text-small);
    letter-spacing: 0;
  }
  thead th:first-child {
    width: 88px;
  }
  .foot {
    display: flex;
    justify-content: space-between;
    margin-top: 8px;
  }
  form {
    display: flex;
    gap: 8px;
    width: 340px;
  }
</style>
