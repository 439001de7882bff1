<script lang="ts">
  import { Button, Select } from 'carbon-components-svelte';
  import type { AskStep, Plan } from '$core/system';
  import EditField from '../../fields/EditField.svelte';
  import { freshId } from '../../ids';
  import { setStep } from '../edits';
  import SelectItem from '../../fields/SelectItem.svelte';

  let { plan, step }: { plan: Plan; step: AskStep } = $props();
  const READY: [string, string, 'voice' | 'keys'][] = [
    ['Name', 'What is your name, please?', 'voice'],
    ['Reason', 'What are you calling about?', 'voice'],
    ['Boat', 'What is the name of your boat?', 'voice'],
    ['Call-back number', 'Which number shall we call you back on? End with the square key.', 'keys'],
  ];
  const free = $derived(READY.filter(([label]) => !step.questions.some((q) => q.label === label)));
  const questions = (list: AskStep['questions']) => setStep(plan, { ...step, questions: list }, 'questions');
  const answers = (list: AskStep['answers']) => setStep(plan, { ...step, answers: list }, 'answers');
  const question = (i: number, change: Partial<AskStep['questions'][number]>) =>
    questions(step.questions.map((q, j) => (i === j ? { ...q, ...change } : q)));
  const answer = (i: number, change: Partial<AskStep['answers'][number]>) =>
    answers(step.answers.map((a, j) => (i === j ? { ...a, ...change } : a)));
  const words = (text: string) =>
    text
      .split(/[,;\n]/)
      .map((w) => w.trim())
      .filter(Boolean);
</script>

{#each step.questions as q, i (q.id)}
  <fieldset>
    <legend>Question {i + 1}</legend>
    <EditField label="Note called" value={q.label} keep={(label) => question(i, { label })} />
    <EditField label="What is asked" many value={q.says} keep={(says) => question(i, { says })} />
    <Select
      size="sm"
      labelText="Answered"
      selected={q.by}
      on:update={(e) => question(i, { by: e.detail === 'keys' ? 'keys' : 'voice' })}
    >
      <SelectItem value="voice" text="by voice" />
      <SelectItem value="keys" text="on the keypad, ended with #" />
    </Select>
    <button
      class="linkish small"
      type="button"
      onclick={() => questions(step.questions.filter((x) => x.id !== q.id))}>Remove question {i + 1}</button
    >
  </fieldset>
{/each}
<div>
  {#each free as [label, says, by] (label)}
    <Button
      kind="ghost"
      size="small"
      on:click={() => questions([...step.questions, { id: freshId('question'), label, says, by }])}
      >Ask for {label.toLowerCase()}</Button
    >
  {:else}
    <Button
      kind="ghost"
      size="small"
      on:click={() =>
        questions([
          ...step.questions,
          { id: freshId('question'), label: 'Question', says: 'What else can we do?', by: 'voice' },
        ])}>Ask something else</Button
    >
  {/each}
</div>
{#each step.answers as a, i (i)}
  <fieldset>
    <legend>Simple answer {i + 1}</legend>
    <EditField
      label="Where the caller says one of"
      value={a.words.join(', ')}
      helper="Words or phrases, apart by commas"
      keep={(text) => answer(i, { words: words(text) })}
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
  .linkish {
    justify-self: start;
  }
</style>
