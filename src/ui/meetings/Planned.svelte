<script lang="ts">
  import { Button, NumberInput, TextArea, TextInput } from 'carbon-components-svelte';
  import { tick } from 'svelte';
  import { momentOf } from '$core/hours';
  import { whyNotFree, type Guest, type Meeting } from '$core/meetings';
  import { zoneOf, type MeetingRoom } from '$core/system';
  import { changeMeeting, dialOf, planMeeting, wayIn } from '$workspace';
  import PeopleField from '../fields/PeopleField.svelte';
  import WhenField from '../fields/WhenField.svelte';
  import { fieldText, momentText } from '../format';
  import { partedWords } from '../parted';
  import { Remembered } from '../remembered.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** Meetings that are planned in a room: who is asked, who has time, and what they have answered. */
  let { room }: { room: MeetingRoom } = $props();
  const inForce = $derived(theBusiness().view.inForce.system);
  const zone = $derived(theBusiness().zone);
  const all = $derived(theBusiness().view.meetings);
  const mine = $derived(
    all
      .filter((m) => m.roomId === room.id && m.to > theBusiness().minute)
      .toSorted((a, b) => a.from - b.from),
  );
  interface Typed {
    /** The meeting that is changed; empty is a new one. */
    id: string;
    name: string;
    note: string;
    when: string;
    minutes: number;
    people: string[];
    others: string;
  }
  const EMPTY: Typed = { id: '', name: '', note: '', when: '', minutes: 30, people: [], others: '' };
  // svelte-ignore state_referenced_locally
  const typed = new Remembered<Typed>(`meeting in ${room.id}`, EMPTY);
  const set = (change: Partial<Typed>) => (typed.value = { ...typed.value, ...change });
  let open = $state(false);
  let problem = $state<{ field?: string | undefined; message: string } | null>(null);
  let sending = $state(false);

  const span = $derived.by(() => {
    const match = /^(\d{4}-\d\d-\d\d)T(\d\d):(\d\d)/.exec(typed.value.when);
    if (!match) return null;
    const from = momentOf(zone, match[1]!, Number(match[2]) * 60 + Number(match[3]));
    return { from, to: from + typed.value.minutes * 60_000 };
  });
  /** What speaks against it, by person; and what the time is where they are. */
  const busy = $derived(
    typed.value.people.flatMap((id) => {
      const person = inForce.people[id];
      if (!person || !span) return [];
      const theirs = zoneOf(person, inForce);
      const why = whyNotFree(id, inForce, all, span.from, span.to, typed.value.id || undefined);
      const there = theirs === zone ? '' : `${momentText(span.from, theirs)} where they are`;
      return why.length || there ? [{ name: person.name, why, there }] : [];
    }),
  );
  /** Colleagues and others as they are asked; those who were keep their answers. */
  function guests(before: readonly Guest[]): Guest[] {
    const asked = [
      ...typed.value.people.flatMap((id) => {
        const p = inForce.people[id];
        return p ? [{ personId: id, name: p.name, address: p.email }] : [];
      }),
      ...partedWords(typed.value.others).map((address) => ({ personId: null, name: address, address })),
    ];
    return asked.map((g) => ({
      answer: 'asked' as const,
      ...before.find((b) => b.address.toLowerCase() === g.address.toLowerCase()),
      ...g,
    }));
  }
  async function send(event: Event) {
    event.preventDefault();
    if (sending) return;
    problem = null;
    if (!span) return void (problem = { field: 'from', message: 'Say when it is.' });
    const { id, name, note } = typed.value;
    const before = all.find((m) => m.id === id);
    const planned = { name, note, ...span, guests: guests(before?.guests ?? []) };
    sending = true;
    let done;
    try {
      done = before
        ? await changeMeeting(theBusiness().workspace, inForce, id, planned)
        : await planMeeting(theBusiness().workspace, inForce, { ...planned, roomId: room.id });
    } finally {
      // What could not be stored is told for the whole window; the form can be sent again.
      sending = false;
    }
    if (!done.ok) return void (problem = done);
    typed.value = EMPTY;
    open = false;
    theBusiness().say({
      kind: 'success',
      title: `${done.meeting.name}: ${done.meeting.guests.length} asked by mail`,
    });
    await tick();
    document.getElementById(`plan-${room.id}`)?.focus();
  }
  function edit(m: Meeting) {
    typed.value = {
      id: m.id,
      name: m.name,
      note: m.note,
      when: fieldText(m.from, zone),
      minutes: Math.round((m.to - m.from) / 60_000),
      people: m.guests.flatMap((g) => g.personId ?? []),
      others: m.guests.flatMap((g) => (g.personId ? [] : g.address)).join(', '),
    };
    open = true;
  }
  async function callOff(m: Meeting) {
    const done = await changeMeeting(theBusiness().workspace, inForce, m.id, { state: 'called off' });
    if (!done.ok) return theBusiness().say({ kind: 'error', title: done.message });
    theBusiness().say({ kind: 'info', title: `${m.name} is called off; everybody is told by mail` });
  }
  const WORDS = { asked: 'not answered', accepted: 'comes', declined: 'does not come', tentative: 'perhaps' };
  const HOUR_MS = 3_600_000;
  /** A new one is at the next full hour, as long as nobody says otherwise. */
  function plan() {
    const next = Math.ceil((theBusiness().minute + 1) / HOUR_MS) * HOUR_MS;
    if (!typed.value.when) set({ when: fieldText(next, zone) });
    open = true;
  }
</script>

<h3>Planned</h3>
{#if mine.length}
  <ul>
    {#each mine as m (m.id)}
      <li data-testid="planned" class:off={m.state === 'called off'}>
        <b>{m.name}</b> · {momentText(m.from, zone)}
        {#if m.state === 'called off'}<span class="small soft">called off</span>
        {:else}
          <button class="linkish small" type="button" onclick={() => edit(m)}
            >Change it<span class="visually-hidden"> {m.name}</span></button
          >
          <button class="linkish small" type="button" onclick={() => void callOff(m)}
            >Call it off<span class="visually-hidden"> {m.name}</span></button
          >
          <div class="small soft">
            {m.guests.map((g) => `${g.name}: ${WORDS[g.answer]}`).join(' · ')}
          </div>
        {/if}
      </li>
    {/each}
  </ul>
{:else}<p class="soft">Nothing is planned.</p>{/if}
{#if !open}
  <Button id="plan-{room.id}" size="small" kind="ghost" on:click={plan}>Plan a meeting</Button>
{:else}
  <form onsubmit={(e) => void send(e)} aria-label={typed.value.id ? 'Change a meeting' : 'Plan a meeting'}>
    <TextInput
      size="sm"
      labelText="What it is about"
      value={typed.value.name}
      on:input={(e) => set({ name: String(e.detail ?? '') })}
      invalid={problem?.field === 'name'}
      invalidText={problem?.message ?? ''}
    />
    <WhenField
      label="When"
      time
      value={typed.value.when}
      onvalue={(when) => set({ when })}
      problem={problem?.field === 'from' ? problem.message : ''}
    />
    <NumberInput
      size="sm"
      hideSteppers
      labelText="Minutes"
      min={5}
      max={1440}
      value={typed.value.minutes}
      on:input={(e) => {
        if (typeof e.detail === 'number' && e.detail >= 5 && e.detail <= 1440)
          set({ minutes: Math.round(e.detail) });
      }}
    />
    <PeopleField
      label="Colleagues"
      people={inForce.people}
      chosen={typed.value.people}
      none="choose people"
      onchange={(people) => set({ people })}
    />
    <TextInput
      size="sm"
      labelText="From outside: mail addresses, apart by commas"
      value={typed.value.others}
      on:input={(e) => set({ others: String(e.detail ?? '') })}
      invalid={problem?.field === 'guests' || problem?.field === 'address'}
      invalidText={problem?.message ?? ''}
    />
    <div class="wide">
      <TextArea
        rows={2}
        labelText="What else is said"
        value={typed.value.note}
        on:input={(e) => set({ note: (e.target as HTMLTextAreaElement).value })}
      />
    </div>
    {#if busy.length}<ul class="wide small" aria-label="Who has no time">
        {#each busy as b (b.name)}<li>
            <b>{b.name}</b>: {[...b.why, b.there].filter(Boolean).join(', ')}
          </li>{/each}
      </ul>{/if}
    <p class="wide small soft">
      {inForce.rooms[room.id]
        ? `They are told: ${wayIn(inForce, inForce.rooms[room.id]!, false)}`
        : 'The room is in the draft only: put it in force first.'}
      {#if !dialOf(inForce, room.id)}No number leads there: nobody from outside can dial in.{/if}
    </p>
    {#if problem && !['name', 'from', 'guests', 'address'].includes(problem.field ?? '')}<p
        class="wide problem"
        role="alert"
      >
        {problem.message}
      </p>{/if}
    <div class="wide row">
      <Button size="small" type="submit" disabled={sending}
        >{typed.value.id ? 'Change it and tell everybody' : 'Ask them'}</Button
      >
      <Button
        size="small"
        kind="ghost"
        on:click={() => {
          typed.value = EMPTY;
          open = false;
        }}>Leave it</Button
      >
    </div>
  </form>
{/if}

<style>
  h3 {
    margin: 10px 0 4px;
  }
  ul {
    list-style: none;
    padding: 0;
    margin: 0 0 6px;
  }
  li {
    border-bottom: 1px solid var(--rule);
    padding: 5px 0;
    overflow-wrap: anywhere;
  }
  .off {
    color: var(--ink-soft);
  }
  form {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
    gap: 8px 14px;
  }
  .wide {
    grid-column: 1 / -1;
  }
  .row {
    display: flex;
    gap: 10px;
  }
</style>
