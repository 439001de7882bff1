<script lang="ts">
  import { Button, Checkbox, NumberInput, Select, TextInput } from 'carbon-components-svelte';
  import { momentOf } from '$core/hours';
  import { readNumber } from '$core/numbering';
  import { whoseName, type Act, type Trace } from '$core/calls';
  import { allSteps, isLinked, type System } from '$core/system';
  import { plansFrom, readingOf } from '$core/answering';
  import { fieldText } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import DoingField from './DoingField.svelte';
  import ThenFields from './ThenFields.svelte';
  import { asPlan, subjectOf, unnumbered } from './subject';
  import { keysUnheard, type Question, type Rung } from './question';
  import SelectItem from '../fields/SelectItem.svelte';
  import WhenField from '../fields/WhenField.svelte';

  interface Props {
    question: Question;
    system: System;
    /** The phones the call can ring, and whose they are then. */
    rung: readonly Rung[];
    /** The call as it was worked out. */
    trace: Trace | undefined;
    onask: (change: Partial<Question>) => void;
  }
  let { question, system, rung, trace, onask }: Props = $props();
  let problem = $state('');
  const numbers = $derived(Object.values(theBusiness().system.numbers));
  const plans = $derived(unnumbered(theBusiness().system));
  const number = $derived(subjectOf(theBusiness().system, question.numberId).number);
  const steps = $derived(
    number?.planId ? plansFrom(system, number.planId).flatMap((p) => [...allSteps(p.steps)]) : [],
  );
  const asksKeys = $derived(steps.some((s) => readingOf(s).asksForKeys?.(s)));
  const unheard = $derived(keysUnheard(question.keys, trace));
  const asked = $derived([
    ...new Map(steps.flatMap((s) => readingOf(s).asks?.(s) ?? []).map((a) => [a.label, a])).values(),
  ]);
  const behaving = $derived([
    ...new Set([...rung.flatMap((r) => r.personId ?? []), ...Object.keys(question.people)]),
  ]);
  const phonesOf = (personId: string | null) =>
    rung.flatMap((r) => (r.personId === personId && r.phone ? [r.phone] : []));
  const nameOf = (id: string) => system.people[id]?.name ?? 'somebody removed';
  const outside = (phone: string) => {
    const known = system.phones[phone];
    return known ? isLinked(known) : true;
  };
  /** Says what somebody or a phone does; undefined is nothing of their own. */
  const doing = (of: 'people' | 'phones', id: string, act: Act | undefined) => {
    const others = Object.fromEntries(Object.entries(question[of]).filter(([other]) => other !== id));
    onask({ [of]: act ? { ...others, [id]: act } : others });
  };

  function setMoment(text: string) {
    const match = /^(\d{4}-\d\d-\d\d)T(\d\d):(\d\d)/.exec(text);
    onask({
      at: match ? momentOf(theBusiness().zone, match[1]!, Number(match[2]) * 60 + Number(match[3])) : null,
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
    {#each numbers as n (n.id)}<SelectItem
        value={n.id}
        text="{n.label} · {theBusiness().number(n.e164)}"
      />{/each}
    {#each plans as p (p.id)}<SelectItem value={asPlan(p.id)} text="{p.name}, without a number" />{/each}
  </Select>
  <TextInput
    size="sm"
    labelText="Calling from; empty is hidden"
    value={question.caller ? theBusiness().number(question.caller) : ''}
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
    <WhenField
      label="At"
      time
      value={fieldText(question.at ?? theBusiness().minute, theBusiness().zone)}
      onvalue={(value) => setMoment(value)}
    />
    {#if question.at !== null}<Button kind="ghost" size="small" on:click={() => onask({ at: null })}
        >Now</Button
      >{/if}
  </div>
  <h3>Who does what</h3>
  {#each behaving as id (id)}
    {@const phones = phonesOf(id)}
    <DoingField name={nameOf(id)} act={question.people[id]} onchange={(act) => doing('people', id, act)} />
    {#if phones.length > 1 || phones.some(outside)}
      <details open={phones.some((p) => question.phones[p])}>
        <summary class="small soft">Phone by phone: {nameOf(id)}</summary>
        {#each phones as phone (phone)}
          <DoingField
            name={system.phones[phone]?.name ?? phone}
            unsaid="as {nameOf(id)}"
            outside={outside(phone)}
            act={question.phones[phone]}
            onchange={(act) => doing('phones', phone, act)}
          />
        {/each}
      </details>
    {/if}
  {/each}
  {#each phonesOf(null) as phone (phone)}
    <DoingField
      name={whoseName(system, phone)}
      outside={outside(phone)}
      act={question.phones[phone]}
      onchange={(act) => doing('phones', phone, act)}
    />
  {/each}
  {#if !behaving.length && !phonesOf(null).length}<p class="small soft">This call rings nobody.</p>{/if}
  <ThenFields then={question.then} {system} onchange={(then) => onask({ then })} />
  <h3>The caller</h3>
  {#if asksKeys}
    {#each question.keys as k, i (i)}
      <div class="keys">
        <TextInput
          size="sm"
          labelText="Keys, time {i + 1}"
          value={k.press}
          invalid={!!unheard[i]}
          invalidText={unheard[i] ?? ''}
          on:change={(e) => key(i, { press: String(e.detail ?? '').replace(/\s/g, '') })}
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
  {#each asked as { label, help } (label)}
    <TextInput
      size="sm"
      labelText="Asked for {label}, says"
      value={question.says[label] ?? ''}
      helperText={help}
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
      hideSteppers
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
      hideSteppers
      labelText="Apart, in s"
      min={0}
      max={600}
      value={question.apart}
      on:input={(e) => {
        if (typeof e.detail === 'number' && e.detail >= 0 && e.detail <= 600) onask({ apart: e.detail });
      }}
    />
    <NumberInput
      size="sm"
      hideSteppers
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
  details {
    margin-left: 10px;
    display: grid;
    gap: 6px;
  }
  summary {
    cursor: pointer;
  }
  h3 {
    font-size: var(--text-body);
    font-weight: 650;
    margin: 6px 0 0;
  }
  .moment,
  .keys {
    display: grid;
    grid-template-columns: repeat(3, minmax(0, 1fr));
    gap: 8px;
    align-items: end;
  }
  .moment {
    grid-template-columns: 1fr auto;
  }
  .fields :global(input[type='number']) {
    min-width: 0;
    width: 100%;
    padding-right: 8px;
  }
</style>
