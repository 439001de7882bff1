<script lang="ts">
  import { Button, Checkbox, NumberInput, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import { momentOf } from '$core/hours';
  import { readNumber } from '$core/numbering';
  import { allSteps, type System } from '$core/system';
  import { plansFrom } from '$core/coverage';
  import { fieldText } from '../format';
  import { session } from '../session.svelte';
  import DoingField from './DoingField.svelte';
  import type { Question } from './question';

  interface Props {
    question: Question;
    system: System;
    /** Those the call can ring. */
    people: readonly string[];
    onask: (change: Partial<Question>) => void;
  }
  let { question, system, people, onask }: Props = $props();
  let problem = $state('');
  const number = $derived(question.numberId ? system.numbers[question.numberId] : undefined);
  const steps = $derived(
    number?.planId ? plansFrom(system, number.planId).flatMap((p) => [...allSteps(p.steps)]) : [],
  );
  const asksKeys = $derived(steps.some((s) => s.kind === 'menu' || s.kind === 'queue'));
  const labels = $derived([
    ...new Set(
      steps.flatMap((s) =>
        s.kind === 'ask' ? s.questions.map((q) => q.label) : s.kind === 'ring' && s.askName ? ['Name'] : [],
      ),
    ),
  ]);
  const behaving = $derived([...new Set([...people, ...Object.keys(question.people)])]);

  function setMoment(text: string) {
    const match = /^(\d{4}-\d\d-\d\d)T(\d\d):(\d\d)/.exec(text);
    onask({
      at: match ? momentOf(session.zone, match[1]!, Number(match[2]) * 60 + Number(match[3])) : null,
    });
  }
  function setCaller(text: string) {
    problem = '';
    if (!text.trim()) return onask({ caller: '' });
    const read = readNumber(text, system.business.country);
    if (read.ok) onask({ caller: read.number.e164 });
    else problem = read.message;
  }
  const key = (i: number, change: Partial<Question['keys'][number]>) =>
    onask({ keys: question.keys.map((k, j) => (i === j ? { ...k, ...change } : k)) });
</script>

<div class="fields">
  <Select
    size="sm"
    labelText="Number called"
    selected={question.numberId ?? ''}
    on:update={(e) => onask({ numberId: String(e.detail) })}
  >
    {#each Object.values(system.numbers) as n (n.id)}<SelectItem
        value={n.id}
        text="{n.label} · {session.number(n.e164)}"
      />{/each}
  </Select>
  <TextInput
    size="sm"
    labelText="Calling from; empty is hidden"
    value={question.caller ? session.number(question.caller) : ''}
    invalid={!!problem}
    invalidText={problem}
    on:change={(e) => setCaller(String(e.detail ?? ''))}
  />
  <Checkbox
    labelText="The network suspects the call"
    checked={question.suspected}
    on:check={(e) => {
      if (e.detail !== question.suspected) onask({ suspected: e.detail });
    }}
  />
  <div class="moment">
    <TextInput
      size="sm"
      type="datetime-local"
      labelText="At"
      value={fieldText(question.at ?? session.minute, session.zone)}
      on:input={(e) => setMoment(String(e.detail))}
    />
    {#if question.at !== null}<Button kind="ghost" size="small" on:click={() => onask({ at: null })}
        >Now</Button
      >{/if}
  </div>
  <h3>Who does what</h3>
  {#each behaving as id (id)}
    <DoingField
      name={system.people[id]?.name ?? 'somebody removed'}
      act={question.people[id]}
      onchange={(act) => {
        const others = Object.fromEntries(Object.entries(question.people).filter(([p]) => p !== id));
        onask({ people: act ? { ...others, [id]: act } : others });
      }}
    />
  {:else}<p class="small soft">This call rings nobody.</p>{/each}
  <h3>The caller</h3>
  {#if asksKeys}
    {#each question.keys as k, i (i)}
      <div class="keys">
        <TextInput
          size="sm"
          labelText="Keys, time {i + 1}"
          value={k.press}
          on:change={(e) => key(i, { press: String(e.detail ?? '').replace(/[^0-9*#]/g, '') })}
        />
        <NumberInput
          size="sm"
          hideSteppers
          labelText="After, in s"
          min={0}
          max={600}
          value={k.after}
          on:input={(e) => {
            if (typeof e.detail === 'number') key(i, { after: e.detail });
          }}
        />
        <button
          class="linkish small"
          type="button"
          aria-label="Remove keys {i + 1}"
          onclick={() => onask({ keys: question.keys.filter((x) => x !== k) })}>Remove</button
        >
      </div>
    {/each}
    <Button
      kind="ghost"
      size="small"
      on:click={() => onask({ keys: [...question.keys, { after: 2, press: '1' }] })}
      >{question.keys.length ? 'Presses again, when next asked' : 'Presses a key'}</Button
    >
  {/if}
  {#each labels as label (label)}
    <TextInput
      size="sm"
      labelText="Asked for {label}, says"
      value={question.says[label] ?? ''}
      on:input={(e) => onask({ says: { ...question.says, [label]: String(e.detail ?? '') } })}
    />
  {/each}
  <NumberInput
    size="sm"
    allowEmpty
    labelText="Hangs up after so many seconds; empty is never"
    min={1}
    max={3600}
    value={question.patience}
    on:input={(e) => onask({ patience: typeof e.detail === 'number' ? e.detail : null })}
  />
  <div class="keys">
    <NumberInput
      size="sm"
      labelText="Calls"
      min={1}
      max={20}
      value={question.calls}
      on:input={(e) => {
        if (typeof e.detail === 'number' && e.detail >= 1 && e.detail <= 20)
          onask({ calls: Math.round(e.detail) });
      }}
    />
    <NumberInput
      size="sm"
      labelText="Seconds apart"
      min={0}
      max={600}
      value={question.apart}
      on:input={(e) => {
        if (typeof e.detail === 'number' && e.detail >= 0 && e.detail <= 600) onask({ apart: e.detail });
      }}
    />
    <NumberInput
      size="sm"
      labelText="Chance no."
      min={0}
      max={9999}
      value={question.seed}
      on:input={(e) => {
        if (typeof e.detail === 'number') onask({ seed: Math.round(e.detail) });
      }}
    />
  </div>
</div>

<style>
  h3 {
    font-size: 13.5px;
    font-weight: 650;
    margin: 6px 0 0;
  }
  .moment,
  .keys {
    display: grid;
    grid-template-columns: 1fr 1fr auto;
    gap: 8px;
    align-items: end;
  }
  .moment {
    grid-template-columns: 1fr auto;
  }
</style>
