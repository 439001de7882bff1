<script lang="ts">
  import { Button, InlineLoading } from 'carbon-components-svelte';
  import { onDestroy, untrack } from 'svelte';
  import { readNumber } from '$core/numbering';
  import type { Choice, SearchResult } from '$standins/carrier/carrier';
  import { takenNow } from '$standins/carrier/book';
  import { dropNumbers, reserveNumbers } from '$workspace';
  import { searchNumbers } from '../../carrier';
  import { count } from '../../format';
  import { Remembered } from '../../remembered.svelte';
  import { theBusiness } from '../../window/session.svelte';
  import type { Asked } from './asked';
  import Offers from './Offers.svelte';
  import SearchFields from './SearchFields.svelte';

  /** A search waits so long for the next key, in milliseconds. */
  const PAUSE_MS = 150;
  const system = $derived(theBusiness().system);
  const held = $derived(Object.values(system.numbers));
  const asked = new Remembered<Asked>(`number search ${theBusiness().view.business.id}`, {
    country: theBusiness().system.business.country,
    where: '',
    kind: 'any',
    pattern: '',
    patternAt: 'anywhere',
    like: '',
    likeTyped: null,
    row: 1,
  });
  const set = (change: Partial<Asked>) => (asked.value = { ...asked.value, ...change });
  const typed = $derived.by(() => {
    const { likeTyped, country } = asked.value;
    return likeTyped?.trim() ? readNumber(likeTyped, country, system.business.outsideDigit) : null;
  });
  const like = $derived(
    asked.value.likeTyped === null ? asked.value.like : typed?.ok ? typed.number.e164 : '',
  );

  let result = $state.raw<SearchResult | null>(null);
  let unreachable = $state(false);
  let running = $state<AbortController | null>(null);
  let stopped = $state(false);
  let refused = $state('');

  const question = $derived(JSON.stringify({ ...asked.value, likeTyped: null, like }));
  const taken = $derived(
    takenNow(theBusiness().view.book, theBusiness().view.clock ? untrack(() => theBusiness().now) : 0),
  );
  let timer: ReturnType<typeof setTimeout> | undefined;
  $effect(() => {
    void question;
    void taken;
    clearTimeout(timer);
    timer = setTimeout(() => void search(), PAUSE_MS);
  });
  onDestroy(() => {
    clearTimeout(timer);
    running?.abort();
  });

  async function search() {
    running?.abort();
    const control = new AbortController();
    running = control;
    unreachable = stopped = false;
    const { like: _, likeTyped: __, ...rest } = asked.value;
    try {
      const answer = await searchNumbers(
        {
          ...rest,
          like: like || null,
          held: held.map(({ e164, label }) => ({ e164, label })).slice(0, 500),
          words: system.business.name
            .split(/[^\p{L}]+/u)
            .filter(Boolean)
            .slice(0, 20),
          taken: taken.slice(0, 5000),
        },
        control.signal,
      );
      if (running === control) result = answer;
    } catch {
      if (running === control) unreachable = true;
    } finally {
      if (running === control) running = null;
    }
  }
  function cancel() {
    // What was typed just before would be asked for all the same.
    clearTimeout(timer);
    running?.abort();
    running = null;
    stopped = true;
  }

  async function take(choice: Choice) {
    refused = '';
    const done = await reserveNumbers(
      theBusiness().workspace,
      choice.offers.map((o) => o.e164),
    );
    if (!done.ok) {
      refused = done.message;
      return void search();
    }
    const numbers = choice.offers.map((o) => o.e164);
    theBusiness().did(`Set aside ${numbers.map((n) => theBusiness().number(n)).join(', ')}`, () =>
      dropNumbers(theBusiness().workspace, numbers),
    );
  }
  const problem = $derived(
    result && !result.ok
      ? { message: result.message, field: result.refusal === 'not understood' ? 'pattern' : 'where' }
      : null,
  );
</script>

<SearchFields asked={asked.value} {set} {typed} {problem} />

<div class="state" aria-live="polite">
  {#if running}
    <InlineLoading description="Asking the carrier…" /><Button kind="ghost" size="small" on:click={cancel}
      >Cancel</Button
    >
  {:else if unreachable}
    <p class="problem">The carrier cannot be reached.</p>
    <Button kind="ghost" size="small" on:click={() => void search()}>Try again</Button>
  {:else if stopped}
    <p>Stopped. <button class="linkish" type="button" onclick={() => void search()}>Ask again</button></p>
  {:else if problem && !(problem.field === 'where' && asked.value.where) && problem.field !== 'pattern'}
    <p class="problem">{problem.message}</p>
  {:else if result?.ok}
    <p>
      {result.closest ??
        `${count(result.found, asked.value.row > 1 ? 'block' : 'number')} to choose from`}{!result.closest &&
      result.found > result.choices.length
        ? `; the ${result.choices.length} easiest to remember`
        : ''}
    </p>
  {/if}
</div>
{#if refused}<p class="problem" role="alert">{refused}</p>{/if}
{#if result?.ok && !unreachable}
  <Offers choices={result.choices} take={(choice) => void take(choice)} />
{/if}

<style>
  .state {
    display: flex;
    align-items: center;
    gap: 10px;
    min-height: 32px;
  }
  .state :global(.bx--inline-loading) {
    width: auto;
  }
  .problem {
    color: var(--alarm);
  }
</style>
