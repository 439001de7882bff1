<script lang="ts">
  import { Button, Select, TextInput } from 'carbon-components-svelte';
  import { goto } from '$app/navigation';
  import { explainPlan } from '$core/answering';
  import { beginAs, KINDS, usualAnswer, type Answers } from '$core/begin';
  import { NO_FILTER, rowsOf } from '$core/coverage';
  import { addDays, localTime, momentOf } from '$core/hours';
  import { asAllPaired, emptyStanding } from '$core/system';
  import Lanes from '../coverage/Lanes.svelte';
  import SelectItem from '../fields/SelectItem.svelte';
  import { freshId } from '../ids';
  import { Remembered } from '../remembered.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** A kind of business to begin as: a few questions, and the week that they would give before anything is made. */
  const system = $derived(theBusiness().system);
  const asked = new Remembered(`begin-as:${theBusiness().id}`, {
    kind: KINDS[0]!.id,
    numberId: '',
    answers: {} as Record<string, Answers>,
  });
  const kind = $derived(KINDS.find((k) => k.id === asked.value.kind) ?? KINDS[0]!);
  const answers = $derived(asked.value.answers[kind.id] ?? {});
  const numbers = $derived(Object.values(system.numbers));
  /** The number that is answered so: one without a plan first. */
  const numberId = $derived(
    system.numbers[asked.value.numberId]
      ? asked.value.numberId
      : ((numbers.find((n) => !n.planId) ?? numbers[0])?.id ?? null),
  );
  const answer = (id: string, text: string) =>
    (asked.value = {
      ...asked.value,
      answers: { ...asked.value.answers, [kind.id]: { ...answers, [id]: text } },
    });
  const begun = $derived(beginAs(kind, answers, system, numberId, { today: theBusiness().today, freshId }));
  const problems = $derived<Record<string, string>>(begun.ok ? {} : begun.problems);
  /** What is empty is not wrong before anybody has tried to go on. */
  let tried = $state(false);
  const shown = (id: string) => (tried || answers[id] !== undefined ? (problems[id] ?? '') : '');

  const zone = $derived(system.business.timeZone);
  const first = $derived(
    addDays(theBusiness().today, 1 - localTime(zone, momentOf(zone, theBusiness().today, 720)).day),
  );
  const starts = $derived(Array.from({ length: 8 }, (_, i) => momentOf(zone, addDays(first, i), 0)));
  const rows = $derived.by(() => {
    if (!begun.ok) return [];
    const trial = { ...begun.system, numbers: { [begun.numberId]: begun.system.numbers[begun.numberId]! } };
    return rowsOf(trial, asAllPaired(trial, emptyStanding()), NO_FILTER, starts[0]!, starts[7]!);
  });
  const plan = $derived(begun.ok ? begun.system.plans[begun.planId]! : null);
  const newcomers = $derived(
    begun.ok ? Object.values(begun.system.people).filter((p) => !system.people[p.id]) : [],
  );

  async function make(event: Event) {
    event.preventDefault();
    tried = true;
    if (!begun.ok) return;
    const { planId } = begun;
    const done = theBusiness().edit(begun.edit.words, begun.edit.commands, { withNotice: true });
    if (!done.ok) return;
    await goto(`/answering/${planId}`);
  }
</script>

<h1>Begin as a kind of business</h1>
<p class="sub">
  Choose the one that is nearest. Nothing is made before you say so; everything can be changed afterwards, and
  one undo takes it away.
</p>
<div class="columns">
  <form onsubmit={make} aria-label={kind.name}>
    <fieldset>
      <legend>Which is nearest?</legend>
      {#each KINDS as k (k.id)}
        <label class:chosen={k.id === kind.id}>
          <input
            type="radio"
            name="kind"
            value={k.id}
            checked={k.id === kind.id}
            onchange={() => {
              asked.value = { ...asked.value, kind: k.id };
              tried = false;
            }}
          />
          <span><b>{k.name}</b> <span class="soft small">{k.says}</span></span>
        </label>
      {/each}
    </fieldset>
    <div class="questions">
      {#each kind.questions as q (`${kind.id} ${q.id}`)}
        {#if q.kind === 'choice'}
          <Select
            size="sm"
            labelText={q.ask}
            helperText={q.help}
            selected={answers[q.id] ?? q.choices[0]![0]}
            on:update={(e) =>
              e.detail !== (answers[q.id] ?? q.choices[0]![0]) && answer(q.id, String(e.detail))}
          >
            {#each q.choices as [value, text] (value)}<SelectItem {value} {text} />{/each}
          </Select>
        {:else}
          <TextInput
            size="sm"
            labelText={q.ask}
            helperText={q.help}
            value={answers[q.id] ?? usualAnswer(q, system)}
            invalid={!!shown(q.id)}
            invalidText={shown(q.id)}
            on:input={(e) => answer(q.id, String(e.detail ?? ''))}
          />
        {/if}
      {/each}
      {#if numbers.length}
        <Select
          size="sm"
          labelText="Which number is answered so?"
          helperText="A plan that it has now stays, without this number."
          selected={numberId ?? ''}
          on:update={(e) =>
            e.detail !== numberId && (asked.value = { ...asked.value, numberId: String(e.detail) })}
        >
          {#each numbers as n (n.id)}<SelectItem
              value={n.id}
              text="{n.label}{n.planId ? `, now ${system.plans[n.planId]?.name}` : ''}"
            />{/each}
        </Select>
      {/if}
      <Button type="submit">Make it so</Button>
    </div>
  </form>
  <section aria-label="What it would be" data-testid="would-be">
    <h2>The week that it would give</h2>
    {#if begun.ok && plan}
      <p class="sub">
        {begun.holds
          ? 'Every unanswered call to this number, as if everybody had paired a phone.'
          : 'Every unanswered call, once you have a number and everybody has paired a phone.'}
      </p>
      <Lanes
        {rows}
        {starts}
        {first}
        today={theBusiness().today}
        now={theBusiness().minute}
        unnumbered={!begun.holds}
      />
      <h3>The plan, in words</h3>
      <p class="plan">{explainPlan(plan, begun.system).split('\n').slice(2).join('\n')}</p>
      {#if newcomers.length}
        <h3>Who is added</h3>
        <p>
          {newcomers.map((p) => `${p.name} (${p.extension})`).join(', ')}: their e-mail addresses come next,
          in People.
        </p>
      {/if}
    {:else}
      <div class="empty">
        <h3>Not yet</h3>
        <p>
          {Object.values(problems)[0] === 'Name somebody.'
            ? 'Name who answers, and the week stands here.'
            : Object.values(problems)[0]}
        </p>
      </div>
    {/if}
  </section>
</div>

<style>
  .columns {
    grid-template-columns: 380px minmax(0, 1fr);
    align-items: start;
  }
  fieldset {
    border: 1px solid var(--rule);
    background: var(--sheet);
    margin: 0 0 14px;
    padding: 4px 0;
  }
  legend {
    margin-left: 12px;
    padding: 0 4px;
    font-weight: 650;
  }
  label {
    display: grid;
    grid-template-columns: 18px 1fr;
    gap: 8px;
    padding: 5px 14px;
    cursor: pointer;
    font-size: var(--text-body);
  }
  label.chosen {
    background: var(--copper-wash);
  }
  input[type='radio'] {
    accent-color: var(--copper);
    margin: 3px 0 0;
  }
  .questions {
    display: grid;
    gap: 12px;
  }
  h3 {
    font-size: var(--text-lead);
    margin: 14px 0 4px;
  }
  .plan {
    white-space: pre-wrap;
  }
</style>
