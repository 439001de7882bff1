<script lang="ts">
  import { Button, NumberInput, Select } from 'carbon-components-svelte';
  import { writeRota } from '$core/formats/ical';
  import {
    addDays,
    dayNumber,
    dateOf,
    localTime,
    momentOfDay,
    onDuty,
    shiftsOf,
    swapsFrom,
    writeTime,
  } from '$core/hours';
  import { usersOf, type Rota } from '$core/system';
  import { saveText } from '../files/download';
  import EditField from '../fields/EditField.svelte';
  import TimeField from '../fields/TimeField.svelte';
  import { dateText, localText, momentText } from '../format';
  import { FileReading } from '../files/file-reader.svelte';
  import ReadingFile from '../files/ReadingFile.svelte';
  import { theBusiness } from '../window/session.svelte';
  import { setRota } from './edits';
  import SelectItem from '../fields/SelectItem.svelte';
  import WhenField from '../fields/WhenField.svelte';
  import WholeWords from '../drawn/WholeWords.svelte';

  let { rota }: { rota: Rota } = $props();
  /** So many days of the rota are shown. */
  const SHOWN_DAYS = 56;
  const system = $derived(theBusiness().system);
  const people = $derived(Object.values(system.people).filter((p) => p.role !== 'shared room'));
  const zone = $derived(rota.timeZone ?? theBusiness().zone);
  const nameOf = (id: string | null) => (id ? (system.people[id]?.name ?? 'somebody removed') : 'Nobody');
  const now = $derived(onDuty(rota, theBusiness().zone, theBusiness().minute));
  const start = $derived(dayNumber(theBusiness().today));
  const shifts = $derived(
    shiftsOf(rota, theBusiness().zone, momentOfDay(zone, start, 0), momentOfDay(zone, start + SHOWN_DAYS, 0)),
  );
  const whole = SHOWN_DAYS * 86_400_000;
  const usedBy = $derived(usersOf(system, 'rota', rota.id));
  let swap = $state({ from: '', to: '', personId: '' });
  let problem = $state('');
  let notes = $state<string[]>([]);
  let input = $state<HTMLInputElement>();

  const turns = (next: (string | null)[], words: string) => setRota(rota, { turns: next }, words);
  function addSwap(event: Event) {
    event.preventDefault();
    if (!swap.from || !swap.to) {
      problem = 'Give a beginning and an end.';
      return;
    }
    const { from, to } = swap;
    const personId = swap.personId || null;
    problem =
      setRota(
        rota,
        { swaps: [...rota.swaps, { from, to, personId }] },
        `${nameOf(personId)} from ${localText(from)}`,
      ) ?? '';
    if (!problem) swap = { from: '', to: '', personId: '' };
  }
  function save() {
    const from = momentOfDay(zone, start, 0);
    const text = writeRota(rota, nameOf, { zone, now: theBusiness().now }, from, from + 366 * 86_400_000);
    saveText(`${rota.name}.ics`, 'text/calendar', text);
  }
  const reading = new FileReading();
  /** Events named after somebody become swaps; the rest is said. */
  async function read(file: File | undefined) {
    if (!file) return;
    if (input) input.value = '';
    const { today } = theBusiness();
    const [here, until] = [zone, addDays(today, 366)];
    const result = await reading.calendar(file, here, today, until);
    if (!result) return;
    if (!result.ok) {
      problem = result.message;
      return;
    }
    const { swaps, unknown } = swapsFrom(result.events, people);
    notes = [
      ...result.notes,
      ...(unknown.length ? [`Nobody here is called ${unknown.slice(0, 5).join(', ')}: left out.`] : []),
    ];
    problem = swaps.length
      ? (setRota(rota, { swaps: [...rota.swaps, ...swaps] }, `${swaps.length} turns from a calendar`) ?? '')
      : 'No event in it is named after somebody here.';
  }
</script>

<section class="card" id={rota.id} aria-label={rota.name}>
  <div class="head">
    <EditField
      hideLabel
      label="Name of this rota"
      value={rota.name}
      keep={(name) => setRota(rota, { name }, `called “${name}”`)}
    />
    <span><b>On duty now: {nameOf(now)}</b></span>
    <span class="soft small">{usedBy.map((p) => p.name).join(', ') || 'no plan rings it'}</span>
    <button class="linkish small" type="button" onclick={save}>Save as a calendar</button>
    <button class="linkish small" type="button" onclick={() => input?.click()}>Read a calendar file</button>
    <input
      bind:this={input}
      class="visually-hidden"
      type="file"
      accept=".ics,text/calendar"
      aria-label="A calendar file for {rota.name}"
      tabindex="-1"
      onchange={(e) => void read(e.currentTarget.files?.[0])}
    />
    <ReadingFile {reading} />
    <button
      class="linkish small"
      type="button"
      onclick={() =>
        theBusiness().edit(`Remove the rota ${rota.name}`, [{ do: 'rota.remove', id: rota.id }], {
          withNotice: true,
        })}>Remove</button
    >
  </div>
  {#each notes as note (note)}<p class="small soft">{note}</p>{/each}
  <div class="time" role="img" aria-label="The next eight weeks of {rota.name}">
    {#each shifts as s (s.from)}
      <span
        class:none={!s.personId}
        class:swapped={s.swapped}
        style:left="{((s.from - shifts[0]!.from) / whole) * 100}%"
        style:width="{((s.to - s.from) / whole) * 100}%"
        title="{nameOf(s.personId)}, {momentText(s.from, zone)} to {momentText(s.to, zone)}"
        ><WholeWords text={nameOf(s.personId).split(' ')[0] ?? ''} /></span
      >
    {/each}
  </div>
  <div class="cols">
    <div class="fields">
      <h3>Turns, over and over</h3>
      <ol>
        {#each rota.turns as id, i (i)}
          <li>
            <Select
              size="sm"
              hideLabel
              labelText="Turn {i + 1}"
              selected={id ?? ''}
              on:update={(e) =>
                turns(
                  rota.turns.map((t, j) => (i === j ? String(e.detail) || null : t)),
                  `turn ${i + 1} ${nameOf(String(e.detail) || null)}`,
                )}
            >
              <SelectItem value="" text="Nobody" />
              {#each people as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
            </Select>
            <button
              class="linkish small"
              type="button"
              aria-label="Remove turn {i + 1}"
              onclick={() =>
                turns(
                  rota.turns.filter((_, j) => j !== i),
                  `without turn ${i + 1}`,
                )}>Remove</button
            >
          </li>
        {/each}
      </ol>
      <Button
        kind="ghost"
        size="small"
        on:click={() =>
          turns(
            [...rota.turns, people[rota.turns.length % Math.max(1, people.length)]?.id ?? null],
            'another turn',
          )}>Add a turn</Button
      >
    </div>
    <div class="fields">
      <h3>When they change</h3>
      <NumberInput
        size="sm"
        labelText="Days a turn lasts"
        min={1}
        max={28}
        value={rota.days}
        on:input={(e) => {
          if (typeof e.detail === 'number' && e.detail !== rota.days)
            problem = setRota(rota, { days: e.detail }, `${e.detail} days a turn`) ?? '';
        }}
      />
      <TimeField
        label="Hand over at"
        minute={rota.handover}
        keep={(handover) =>
          (problem = setRota(rota, { handover }, `hands over at ${writeTime(handover)}`) ?? '')}
      />
      <WhenField
        label="The first turn begins"
        value={rota.from}
        onvalue={(value) => {
          const from = value;
          problem = /^\d{4}-\d\d-\d\d$/.test(from)
            ? (setRota(rota, { from }, `begins ${dateText(from)}`) ?? '')
            : 'Give a day.';
        }}
      />
    </div>
    <form class="fields" onsubmit={addSwap} aria-label="Somebody else for a time">
      <h3>Somebody else for a time</h3>
      <WhenField label="From" time bind:value={swap.from} />
      <WhenField label="To" time bind:value={swap.to} />
      <Select size="sm" labelText="Who" bind:selected={swap.personId}>
        <SelectItem value="" text="Nobody" />
        {#each people as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
      </Select>
      <Button size="small" kind="tertiary" type="submit">Swap</Button>
      {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
    </form>
    <div>
      <h3>Swaps</h3>
      {#each rota.swaps.filter((s) => s.to >= dateOf(localTime(zone, theBusiness().minute).days)) as s, i (i)}
        <p class="small">
          {nameOf(s.personId)}, {localText(s.from)} to {localText(s.to)}
          <button
            class="linkish"
            type="button"
            aria-label="Take back the swap of {localText(s.from)}"
            onclick={() => setRota(rota, { swaps: rota.swaps.filter((x) => x !== s) }, 'a swap taken back')}
            >Take back</button
          >
        </p>
      {:else}<p class="small soft">None ahead.</p>{/each}
    </div>
  </div>
</section>

<style>
  .head {
    display: grid;
    grid-template-columns: 200px auto 1fr auto auto auto;
    gap: 14px;
    align-items: center;
  }
  .time {
    position: relative;
    height: 26px;
    margin: 10px 0;
    background: var(--ended-wash);
  }
  .time span {
    position: absolute;
    top: 0;
    bottom: 0;
    overflow: hidden;
    white-space: nowrap;
    padding: 0 4px;
    font-size: var(--text-small);
    line-height: 26px;
    background: var(--person-wash);
    color: var(--person);
    border-left: 1px solid var(--sheet);
  }
  .time .swapped {
    background: var(--menu-wash);
    color: var(--menu);
    font-style: italic;
  }
  .time .none {
    background: var(--alarm-wash);
    color: var(--alarm);
    font-weight: 650;
  }
  .cols {
    display: grid;
    grid-template-columns: 1.2fr 0.8fr 1fr 1fr;
    gap: 22px;
  }
  ol {
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 8px;
    align-items: center;
  }
  h3 {
    font-size: var(--text-body);
    font-weight: 650;
    margin: 0 0 4px;
  }
</style>
