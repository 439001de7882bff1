<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import { greetingWhenInWords } from '$core/answering';
  import { addDays, kindsOf } from '$core/hours';
  import type { Greeting, GreetingWhen, Mailbox, System } from '$core/system';
  import Listen from '../recordings/Listen.svelte';
  import { theBusiness } from '../window/session.svelte';
  import { setGreetings } from './edits';
  import SelectItem from '../fields/SelectItem.svelte';
  import WhenField from '../fields/WhenField.svelte';

  /** A greeting made for an occasion: when it plays, and which recording. */
  interface Props {
    mailbox: Mailbox;
    greeting: Greeting;
    system: System;
    /** It plays at this moment. */
    now: boolean;
  }
  let { mailbox, greeting, system, now }: Props = $props();
  let problem = $state('');
  const { when } = $derived(greeting);
  const recording = $derived(greeting.recordingId ? system.recordings[greeting.recordingId] : undefined);
  const periods = $derived([...new Set(Object.values(system.hours).flatMap(kindsOf))]);
  const lists = $derived(Object.values(system.lists));

  /** All that a greeting can be for, each with what it begins as. */
  const choices = $derived<[string, GreetingWhen][]>([
    ['when all are on calls', { on: 'occasion', occasion: 'busy' }],
    ['when nobody answered', { on: 'occasion', occasion: 'not answered' }],
    ['when closed', { on: 'occasion', occasion: 'closed' }],
    ['on a holiday', { on: 'occasion', occasion: 'holiday' }],
    ['while everybody who hears it is away', { on: 'away' }],
    ...periods.map((p): [string, GreetingWhen] => [`during ${p}`, { on: 'period', period: p }]),
    ...lists.map((l): [string, GreetingWhen] => [`for callers on ${l.name}`, { on: 'list', listId: l.id }]),
    ['on some days', { on: 'dates', from: theBusiness().today, to: addDays(theBusiness().today, 7) }],
  ]);
  const key = (w: GreetingWhen) => (w.on === 'dates' ? 'dates' : JSON.stringify(w));
  const own = $derived(choices.some(([, w]) => key(w) === key(when)));

  function set(change: Partial<Greeting>) {
    const greetings = (mailbox.greetings ?? []).map((g) => (g.id === greeting.id ? { ...g, ...change } : g));
    const words = `greeting ${greetingWhenInWords(change.when ?? when, system)}`;
    problem = setGreetings(mailbox, greetings, words) ?? '';
  }
  const remove = () =>
    setGreetings(
      mailbox,
      (mailbox.greetings ?? []).filter((g) => g.id !== greeting.id),
      `no greeting of its own ${greetingWhenInWords(when, system)}`,
    );
</script>

<div class="greeting" class:now data-testid="greeting">
  <Select
    size="sm"
    hideLabel
    labelText="When it plays"
    selected={key(when)}
    on:update={(e) => {
      const next = choices.find(([, w]) => key(w) === e.detail)?.[1];
      if (next && key(next) !== key(when)) set({ when: next });
    }}
  >
    {#if !own}<SelectItem value={key(when)} text={greetingWhenInWords(when, system)} />{/if}
    {#each choices as [words, w] (key(w))}<SelectItem value={key(w)} text={words} />{/each}
  </Select>
  <Select
    size="sm"
    hideLabel
    labelText="What it says, {greetingWhenInWords(when, system)}"
    selected={greeting.recordingId ?? ''}
    on:update={(e) => {
      if (e.detail !== (greeting.recordingId ?? '')) set({ recordingId: String(e.detail) || null });
    }}
  >
    <SelectItem value="" text="Choose a recording…" />
    {#each Object.values(system.recordings) as r (r.id)}<SelectItem value={r.id} text={r.name} />{/each}
  </Select>
  <span class="acts">
    {#if now}<b class="mark">plays now</b>{/if}
    {#if recording}<Listen {recording} />{/if}
    <button
      class="linkish small"
      type="button"
      aria-label="Remove the greeting {greetingWhenInWords(when, system)}"
      onclick={remove}>Remove</button
    >
  </span>
  {#if when.on === 'dates'}
    <div class="dates">
      <WhenField
        label="From"
        value={when.from}
        onvalue={(value) => set({ when: { ...when, from: value } })}
      />
      <WhenField
        label="To, with this day"
        value={when.to}
        onvalue={(value) => set({ when: { ...when, to: value } })}
      />
    </div>
  {/if}
  {#if problem}<p class="problem small" role="alert">{problem}</p>{/if}
</div>

<style>
  .greeting {
    display: grid;
    grid-template-columns: 1fr 1fr 180px;
    gap: 6px 10px;
    align-items: center;
    padding: 6px 0;
    border-bottom: 1px solid var(--rule);
  }
  .acts {
    display: flex;
    gap: 10px;
    justify-content: flex-end;
  }
  .mark {
    font-size: var(--text-small);
    color: var(--message);
  }
  .dates {
    grid-column: 1 / 4;
    display: grid;
    grid-template-columns: 160px 160px;
    gap: 10px;
  }
  p {
    grid-column: 1 / 4;
  }
</style>
