<script lang="ts">
  import { Button, NumberInput, Select } from 'carbon-components-svelte';
  import { askedInWords } from '$core/answering';
  import { asksOfCalendar, readAs, usualTest } from '$core/asking';
  import type { AskedTest, AskStep, Plan, Question, System } from '$core/system';
  import AnswerTestFields from '../../fields/AnswerTestFields.svelte';
  import EditField from '../../fields/EditField.svelte';
  import SelectItem from '../../fields/SelectItem.svelte';
  import { freshId } from '../../ids';
  import { freeName, partedWords } from '../../parted';
  import { setStep } from '../edits';
  import BranchRows from './BranchRows.svelte';

  let { plan, step, system }: { plan: Plan; step: AskStep; system: System } = $props();
  type Branch = NonNullable<AskStep['branches']>[number];
  const BY: Record<Question['by'], string> = {
    voice: 'by voice',
    keys: 'on the keypad, ended with #',
    '1 to 5': 'by a number from 1 to 5',
    'yes or no': 'by yes or no',
    'own answers': 'by anything: told what your own answers say',
    'free times': 'by choosing a free time',
    appointment: 'by the code of an appointment: given back or moved',
  };
  /** What can be asked next, each once. */
  const READY: readonly Omit<Question, 'id'>[] = [
    { label: 'Name', says: 'What is your name, please?', by: 'voice' },
    { label: 'Reason', says: 'What are you calling about?', by: 'voice' },
    { label: 'Boat', says: 'What is the name of your boat?', by: 'voice' },
    {
      label: 'Call-back number',
      says: 'Which number shall we call you back on? End with the square key.',
      by: 'keys',
    },
    { label: 'Urgent', says: 'Is it urgent?', by: 'yes or no' },
    { label: 'Asked', says: 'What would you like to know?', by: 'own answers' },
    { label: 'Time', says: 'Which time suits you?', by: 'free times' },
    {
      label: 'Appointment',
      says: 'Please type or say the five digits of the code of your appointment.',
      by: 'appointment',
    },
  ];
  const asked = (until: number) =>
    step.questions.slice(0, until).map((q) => ({ label: q.label, by: readAs(q) }));
  const all = $derived(asked(step.questions.length));
  const free = $derived(READY.filter(({ label }) => !step.questions.some((q) => q.label === label)));
  const calendars = $derived(Object.values(system.calendars));
  const questions = (list: AskStep['questions']) => setStep(plan, { ...step, questions: list }, 'questions');
  const answers = (list: AskStep['answers']) => setStep(plan, { ...step, answers: list }, 'answers');
  const branches = (list: Branch[]) => setStep(plan, { ...step, branches: list }, 'branch');
  const points = (list: NonNullable<AskStep['points']>) => setStep(plan, { ...step, points: list }, 'points');
  const question = (i: number, change: Partial<Question>) =>
    questions(step.questions.map((q, j) => (i === j ? { ...q, ...change } : q)));
  const answer = (i: number, change: Partial<AskStep['answers'][number]>) =>
    answers(step.answers.map((a, j) => (i === j ? { ...a, ...change } : a)));
  /** What asked for it by its name asks for it by the new one. */
  function rename(i: number, label: string) {
    const was = step.questions[i]!.label;
    const named = <T extends { label: string }>(test: T): T =>
      test.label === was ? { ...test, label } : test;
    return setStep(
      plan,
      {
        ...step,
        questions: step.questions.map((q, j) => ({
          ...q,
          ...(j === i ? { label } : {}),
          ...(q.only ? { only: named(q.only) } : {}),
        })),
        ...(step.branches
          ? {
              branches: step.branches.map((b) =>
                b.test.is === 'points' ? b : { ...b, test: named(b.test) },
              ),
            }
          : {}),
        ...(step.points ? { points: step.points.map((p) => ({ ...p, test: named(p.test) })) } : {}),
      },
      'questions',
    );
  }
  const add = (q: Omit<Question, 'id'>) =>
    questions([
      ...step.questions,
      {
        ...q,
        id: freshId('question'),
        ...(asksOfCalendar(q) ? { calendarId: calendars.length === 1 ? calendars[0]!.id : null } : {}),
      },
    ]);
  function set(i: number, test: AskedTest) {
    return branches(step.branches!.map((b, j) => (i === j ? { ...b, test } : b)));
  }
  let adding = $state('');
  /** Why a question was not removed. */
  let problem = $state('');
</script>

{#each step.questions as q, i (q.id)}
  <fieldset>
    <legend>Question {i + 1}</legend>
    <EditField label="Note called" value={q.label} keep={(label) => rename(i, label)} />
    <EditField label="What is asked" many value={q.says} keep={(says) => question(i, { says })} />
    <Select
      size="sm"
      labelText="Answered"
      selected={q.by}
      on:update={(e) => {
        const by = e.detail as Question['by'];
        if (by !== q.by) question(i, { by });
      }}
    >
      {#each Object.entries(BY) as [by, says] (by)}<SelectItem value={by} text={says} />{/each}
    </Select>
    {#if asksOfCalendar(q)}
      <Select
        size="sm"
        labelText="Of which calendar"
        selected={q.calendarId ?? ''}
        on:update={(e) => {
          const calendarId = String(e.detail) || null;
          if (calendarId !== (q.calendarId ?? null)) question(i, { calendarId });
        }}
      >
        <SelectItem value="" text="Choose…" />
        {#each calendars as c (c.id)}<SelectItem value={c.id} text={c.name} />{/each}
      </Select>
      {#if !calendars.length}<a class="small" href="/by-itself/bookings">Make a calendar first</a>{/if}
    {:else if q.by === 'own answers'}
      <p class="small soft">
        <a href="/answering/answers"
          >{Object.keys(system.ownAnswers).length || 'No'} own answer{Object.keys(system.ownAnswers)
            .length === 1
            ? ''
            : 's'}</a
        >: told as long as the caller asks what it knows.
      </p>
    {/if}
    <AnswerTestFields
      label="Put"
      test={q.only ?? null}
      before={asked(i)}
      set={(only) => {
        const { only: _, ...rest } = q;
        return questions(
          step.questions.map((x, j) => (j === i ? { ...rest, ...(only ? { only } : {}) } : x)),
        );
      }}
    />
    <button
      class="linkish small"
      type="button"
      onclick={() => (problem = questions(step.questions.filter((x) => x.id !== q.id)) ?? '')}
      >Remove question {i + 1}</button
    >
  </fieldset>
{/each}
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
<div>
  {#each free as q (q.label)}
    <Button kind="ghost" size="small" on:click={() => add(q)}
      >{q.by === 'free times'
        ? 'Offer free times'
        : q.by === 'appointment'
          ? 'Give back or move an appointment'
          : q.by === 'own answers'
            ? 'Answer what they ask'
            : `Ask for ${q.label.toLowerCase()}`}</Button
    >
  {/each}
  <Button
    kind="ghost"
    size="small"
    on:click={() =>
      add({
        label: freeName(
          'Question',
          step.questions.map((q) => q.label),
        ),
        says: 'What else can we do?',
        by: 'voice',
      })}>Ask something else</Button
  >
</div>
{#if step.questions.length}
  <h4>After the last answer</h4>
  <p class="small soft">
    The first branch whose answer is so is taken; else the call goes on with the next step.
  </p>
  <BranchRows
    branches={step.branches ?? []}
    name={(b) => askedInWords(b.test, step.questions)}
    onchange={branches}
  >
    {#snippet settings(branch, i)}
      {@const { test } = branch}
      {#if test.is === 'points'}
        <NumberInput
          size="sm"
          hideSteppers
          labelText="Points at least"
          min={-1000}
          max={1000}
          value={test.n}
          on:change={(e) => {
            if (typeof e.detail === 'number' && e.detail !== test.n)
              set(i, { is: 'points', n: Math.round(e.detail) });
          }}
        />
      {:else}
        <AnswerTestFields
          label="Taken"
          {test}
          before={all}
          always={false}
          set={(next) => (next ? set(i, next) : undefined)}
        />
      {/if}
    {/snippet}
  </BranchRows>
  <Select
    size="sm"
    labelText="Another branch"
    selected={adding}
    on:update={(e) => {
      const what = String(e.detail);
      const of = all.find((a) => a.label === what);
      if (what === 'by points')
        branches([...(step.branches ?? []), { test: { is: 'points', n: 2 }, steps: [] }]);
      else if (of) branches([...(step.branches ?? []), { test: usualTest(of), steps: [] }]);
      adding = '';
    }}
  >
    <SelectItem value="" text="Choose…" />
    {#each all as a (a.label)}<SelectItem value={a.label} text="by {a.label}" />{/each}
    <SelectItem value="by points" text="by points" />
  </Select>
  {#if step.points?.length || step.branches?.some((b) => b.test.is === 'points')}
    <h4>Points</h4>
    {#each step.points ?? [] as p, i (i)}
      <fieldset>
        <legend>{p.points} for {askedInWords(p.test, step.questions)}</legend>
        <AnswerTestFields
          label="Counted"
          test={p.test}
          before={all}
          always={false}
          set={(test) =>
            test ? points(step.points!.map((x, j) => (j === i ? { ...x, test } : x))) : undefined}
        />
        <NumberInput
          size="sm"
          hideSteppers
          labelText="Points"
          min={-100}
          max={100}
          value={p.points}
          on:change={(e) => {
            if (typeof e.detail === 'number' && e.detail !== p.points)
              points(
                step.points!.map((x, j) => (j === i ? { ...x, points: Math.round(e.detail as number) } : x)),
              );
          }}
        />
        <button
          class="linkish small"
          type="button"
          onclick={() => points(step.points!.filter((_, j) => j !== i))}>Remove these points</button
        >
      </fieldset>
    {/each}
    <Button
      kind="ghost"
      size="small"
      on:click={() => points([...(step.points ?? []), { test: usualTest(all[0]!), points: 1 }])}
      >Count an answer</Button
    >
  {/if}
{/if}
{#each step.answers as a, i (i)}
  <fieldset>
    <legend>Simple answer {i + 1}</legend>
    <EditField
      label="Where the caller says one of"
      value={a.words.join(', ')}
      helper="Words or phrases, apart by commas"
      keep={(text) => answer(i, { words: partedWords(text) })}
    />
    <EditField label="They are told" many value={a.says} keep={(says) => answer(i, { says })} />
    <button class="linkish small" type="button" onclick={() => answers(step.answers.filter((x) => x !== a))}
      >Remove answer {i + 1}</button
    >
  </fieldset>
{/each}
<Button
  kind="ghost"
  size="small"
  on:click={() =>
    answers([
      ...step.answers,
      { words: ['opening hours', 'open'], says: 'We are open on weekdays from eight to five.' },
    ])}>Add a simple answer</Button
>
<p class="small soft">
  What is said is kept as notes on the call: whoever answers sees them, and so does whoever hears the message.
</p>

<style>
  fieldset {
    border: 1px solid var(--rule);
    padding: 8px 10px;
    display: grid;
    gap: 8px;
  }
  legend {
    font-size: var(--text-small);
    font-weight: 600;
    padding: 0 4px;
  }
  h4 {
    margin: 10px 0 0;
    font-size: var(--text-body);
    font-weight: 650;
  }
  .linkish {
    justify-self: start;
  }
</style>
