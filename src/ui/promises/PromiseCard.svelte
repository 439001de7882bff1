<script lang="ts">
  import { Button, Select } from 'carbon-components-svelte';
  import { sentence } from '$core/calls';
  import { leftInWords } from '$core/coverage';
  import { daysInWords, kindsOf, readSpans, writeSpans } from '$core/hours';
  import { promiseInWords, type Verdict } from '$core/promises';
  import type { Expectation, Promised, PromiseTime } from '$core/system';
  import EditField from '../fields/EditField.svelte';
  import { momentText } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import { setPromise } from './edits';
  import ExpectationFields from './ExpectationFields.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  let { promised, verdict }: { promised: Promised; verdict: Verdict | undefined } = $props();
  const system = $derived(theBusiness().system);
  const set = (change: Partial<Omit<Promised, 'id'>>, words: string) => setPromise(promised, change, words);
  const { when } = $derived(promised);

  const DAYS: [string, number[]][] = [
    ['Monday to Friday', [1, 2, 3, 4, 5]],
    ['Saturday and Sunday', [6, 7]],
    ['Saturday', [6]],
    ['Sunday', [7]],
    ['every day', [1, 2, 3, 4, 5, 6, 7]],
  ];
  const dayKey = (days: readonly number[]) => [...days].sort((a, b) => a - b).join('');
  /** The choices of when, each as one word for the field. */
  const times = $derived<{ value: string; text: string; when: PromiseTime }[]>([
    { value: 'always', text: 'At all hours', when: { on: 'always' } },
    {
      value: 'week',
      text: 'On some days, between two times',
      when: { on: 'week', days: [1, 2, 3, 4, 5], from: 540, to: 720 },
    },
    ...Object.values(system.hours).flatMap((h) => [
      ...kindsOf(h).map((period) => ({
        value: `${h.id}/${period}`,
        text: `During ${h.name}: ${period}`,
        when: { on: 'hours' as const, hoursId: h.id, period },
      })),
      {
        value: `${h.id}/`,
        text: `Outside ${h.name}`,
        when: { on: 'hours' as const, hoursId: h.id, period: null },
      },
    ]),
    {
      value: 'moment',
      text: `At one moment: ${momentText(when.on === 'moment' ? when.at : theBusiness().minute, theBusiness().zone)}`,
      when: when.on === 'moment' ? when : { on: 'moment', at: theBusiness().minute },
    },
  ]);
  const chosen = $derived(when.on === 'hours' ? `${when.hoursId}/${when.period ?? ''}` : when.on);
  const STATES: Record<Verdict['is'], string> = {
    kept: 'Kept',
    broken: 'Broken',
    'not followed': 'Not followed to the end',
    lapsed: 'Lapsed',
  };
  const keys = $derived((promised.behaviour.caller.keys ?? []).map((k) => k.press).join(' '));

  function keepKeys(text: string): string | undefined {
    if (/[^0-9*#\s,]/.test(text)) return 'Keys are 0 to 9, * and #; a space stands between two menus.';
    const presses = text.split(/[\s,]+/).filter(Boolean);
    const caller = {
      ...promised.behaviour.caller,
      keys: presses.map((press) => ({ after: 2, press })),
    };
    return set(
      { behaviour: { ...promised.behaviour, caller } },
      text ? `presses ${text}` : 'presses nothing',
    );
  }
  function keepTimes(text: string): string | undefined {
    const read = readSpans(text);
    if (when.on !== 'week') return undefined;
    if (!read.ok) return read.message;
    if (read.spans.length !== 1) return 'Give one span, such as 9-12.';
    return set({ when: { ...when, ...read.spans[0]! } }, text);
  }
  const expect = (i: number, e: Expectation) =>
    set({ expects: promised.expects.map((x, j) => (i === j ? e : x)) }, 'what is promised');
</script>

<article
  id={promised.id}
  class="card"
  class:looking={!verdict}
  class:broken={verdict?.is === 'broken'}
  class:unknown={verdict?.is === 'not followed' || verdict?.is === 'lapsed'}
  data-testid="promise"
>
  <div class="head">
    <span class="state" role="status">{verdict === undefined ? 'Looking…' : STATES[verdict.is]}</span>
    <b>{promised.name}</b>
    <button
      class="linkish small"
      type="button"
      aria-label="Remove the promise {promised.name}"
      onclick={() =>
        theBusiness().edit(
          `Remove the promise ${promised.name}`,
          [{ do: 'promise.remove', id: promised.id }],
          {
            withNotice: true,
          },
        )}>Remove</button
    >
  </div>
  <p>{promiseInWords(promised, system)}.</p>
  {#if verdict?.is === 'not followed'}
    <p class="why">
      No call that was followed breaks it. From {momentText(verdict.at, theBusiness().zone)} on chance opens more.
      {leftInWords(verdict.left)}
    </p>
  {:else if verdict?.is === 'lapsed'}
    <p class="why soft">It is about a moment that has passed. Give it another time below, or remove it.</p>
  {:else if verdict?.is === 'broken'}
    <p class="why">
      Broken first on {momentText(verdict.at, theBusiness().zone)}{verdict.trace
        ? `: ${sentence(verdict.trace, system)}`
        : ': the number has no plan.'}
    </p>
  {/if}
  <details>
    <summary>Change it</summary>
    <div class="cols">
      <div class="fields">
        <EditField label="Name" value={promised.name} keep={(name) => set({ name }, `called “${name}”`)} />
        <Select
          size="sm"
          labelText="Number called"
          selected={promised.numberId}
          on:update={(e) => set({ numberId: String(e.detail) }, 'the number called')}
        >
          {#each Object.values(system.numbers) as n (n.id)}<SelectItem value={n.id} text={n.label} />{/each}
        </Select>
        <EditField label="Keys pressed" value={keys} placeholder="none" keep={keepKeys} />
      </div>
      <div class="fields">
        <Select
          size="sm"
          labelText="When"
          selected={chosen}
          on:update={(e) => {
            const found = times.find((t) => t.value === e.detail);
            if (found && found.value !== chosen) set({ when: found.when }, 'when it holds');
          }}
        >
          {#each times as t (t.value)}<SelectItem value={t.value} text={t.text} />{/each}
        </Select>
        {#if when.on === 'week'}
          <Select
            size="sm"
            labelText="Days"
            selected={dayKey(when.days)}
            on:update={(e) => {
              const days = DAYS.find(([, d]) => dayKey(d) === e.detail)?.[1];
              if (days && dayKey(days) !== dayKey(when.days)) set({ when: { ...when, days } }, 'its days');
            }}
          >
            {#if !DAYS.some(([, d]) => dayKey(d) === dayKey(when.days))}<SelectItem
                value={dayKey(when.days)}
                text={daysInWords(when.days)}
              />{/if}
            {#each DAYS as [text, days] (text)}<SelectItem value={dayKey(days)} {text} />{/each}
          </Select>
          <EditField label="Between" value={writeSpans([when])} keep={keepTimes} />
        {/if}
      </div>
      <div class="fields">
        {#each promised.expects as e, i (i)}
          <ExpectationFields expectation={e} {system} onchange={(next) => expect(i, next)} />
          {#if promised.expects.length > 1}<button
              class="linkish small"
              type="button"
              onclick={() => set({ expects: promised.expects.filter((x) => x !== e) }, 'less is promised')}
              >Remove this part</button
            >{/if}
        {/each}
        {#if promised.expects.length < 6}<Button
            kind="ghost"
            size="small"
            on:click={() => set({ expects: [...promised.expects, { is: 'ends well' }] }, 'more is promised')}
            >Promise more</Button
          >{/if}
      </div>
    </div>
  </details>
</article>

<style>
  article {
    border-left: 4px solid var(--group);
    margin-bottom: 10px;
  }
  .looking {
    border-left-color: var(--rule);
  }
  .looking .state {
    color: var(--ink-soft);
    font-weight: 400;
  }
  .broken {
    border-left-color: var(--alarm);
  }
  .head {
    display: flex;
    gap: 10px;
    align-items: baseline;
  }
  .head b {
    flex: 1;
  }
  .state {
    font-size: var(--text-small);
    font-weight: 650;
    color: var(--group);
  }
  .broken .state,
  .broken .why {
    color: var(--alarm);
  }
  .unknown {
    border-left-color: var(--copper);
  }
  .unknown .state {
    color: var(--copper);
  }
  summary {
    cursor: pointer;
    color: var(--copper);
    font-size: var(--text-body);
  }
  .cols {
    display: grid;
    grid-template-columns: 1fr 1fr 1fr;
    gap: 20px;
    margin-top: 8px;
  }
  p {
    margin: 4px 0;
    font-size: var(--text-body);
  }
</style>
