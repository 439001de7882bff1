<script lang="ts">
  import {
    Button,
    InlineLoading,
    NumberInput,
    Select,
    SelectItem,
    TextInput,
  } from 'carbon-components-svelte';
  import { onDestroy, untrack } from 'svelte';
  import { PROFILES, profileOf, readNumber } from '$core/numbering';
  import type { Choice, Search, SearchResult } from '$standins/carrier/carrier';
  import { takenNow } from '$standins/carrier/book';
  import { reserveNumbers } from '$workspace';
  import { searchNumbers } from '../carrier';
  import { count, priceText } from '../format';
  import { Remembered } from '../remembered.svelte';
  import { session } from '../session.svelte';

  /** A search waits so long for the next key, in milliseconds. */
  const PAUSE_MS = 150;
  const OTHER = 'another';
  /** More reasons than these say nothing new. */
  const MOST_REASONS = 3;
  const system = $derived(session.system!);
  const held = $derived(Object.values(system.numbers));
  const asked = new Remembered(`number search ${session.view!.business.id}`, {
    country: session.system!.business.country,
    where: '',
    kind: 'any' as Search['kind'],
    pattern: '',
    patternAt: 'anywhere' as Search['patternAt'],
    like: '',
    /** A number that is not ours, as it was typed; null when none is asked about. */
    likeTyped: null as string | null,
    row: 1,
  });
  const set = (change: Partial<typeof asked.value>) => (asked.value = { ...asked.value, ...change });
  const profile = $derived(profileOf(asked.value.country));
  /** An area near the first site, as an example of what can be asked. */
  const example = $derived.by(() => {
    const near = Object.values(system.sites)[0]?.address.A1;
    return profile.areas.find((a) => a.region && a.region === near) ?? profile.areas[0];
  });
  const kinds = $derived([...new Set(profile.fiction.map((f) => f.kind))]);
  const typed = $derived.by(() => {
    const { likeTyped, country } = asked.value;
    return likeTyped?.trim() ? readNumber(likeTyped, country, system.business.outsideDigit) : null;
  });
  const like = $derived(
    asked.value.likeTyped === null ? asked.value.like : typed?.ok ? typed.number.e164 : '',
  );
  const likes = $derived(held.filter((n) => n.country === asked.value.country));

  let result = $state.raw<SearchResult | null>(null);
  let unreachable = $state(false);
  let running = $state<AbortController | null>(null);
  let stopped = $state(false);
  let refused = $state('');

  const question = $derived(JSON.stringify({ ...asked.value, likeTyped: null, like }));
  const taken = $derived(takenNow(session.view!.book, session.view!.clock ? untrack(() => session.now) : 0));
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
    running?.abort();
    running = null;
    stopped = true;
  }

  async function take(choice: Choice) {
    refused = '';
    const done = await reserveNumbers(
      session.workspace!,
      choice.offers.map((o) => o.e164),
    );
    if (!done.ok) {
      refused = done.message;
      void search();
    }
  }
  const problem = $derived(
    result && !result.ok
      ? { message: result.message, field: result.refusal === 'not understood' ? 'pattern' : 'where' }
      : null,
  );
  const words = (choice: Choice) =>
    choice.offers.length === 1
      ? session.number(choice.offers[0]!.e164)
      : `${session.number(choice.offers[0]!.e164)} to ${session.number(choice.offers.at(-1)!.e164)}`;
  const price = (choice: Choice) =>
    priceText(
      choice.offers.reduce((sum, o) => sum + o.monthlyCents, 0),
      choice.offers[0]!.currency,
    );
</script>

<form class="card ask" onsubmit={(e) => e.preventDefault()}>
  <Select
    labelText="Country"
    selected={asked.value.country}
    on:update={(e) => {
      if (e.detail !== asked.value.country)
        set({ country: String(e.detail), where: '', kind: 'any', like: '', likeTyped: null });
    }}
  >
    {#each PROFILES as p (p.country)}<SelectItem value={p.country} text={p.name} />{/each}
  </Select>
  <TextInput
    labelText="{profile.areaWord === 'area' ? 'Area' : 'Area code'} or city"
    placeholder={example ? `${example.code} or ${example.places[0]}` : ''}
    value={asked.value.where}
    invalid={problem?.field === 'where' && !!asked.value.where}
    invalidText={problem?.message ?? ''}
    on:input={(e) => set({ where: String(e.detail ?? '') })}
  />
  <Select
    labelText="Kind"
    selected={asked.value.kind}
    on:update={(e) => set({ kind: e.detail as Search['kind'] })}
  >
    <SelectItem value="any" text="any kind" />
    {#each kinds as kind (kind)}<SelectItem value={kind} text={kind} />{/each}
  </Select>
  <TextInput
    labelText="Digits or letters in it"
    placeholder="42, 1??1, 555-0-BOAT"
    value={asked.value.pattern}
    invalid={problem?.field === 'pattern'}
    invalidText={problem?.message ?? ''}
    on:input={(e) => set({ pattern: String(e.detail ?? '') })}
  />
  <Select
    labelText="Where in it"
    selected={asked.value.patternAt}
    on:update={(e) => set({ patternAt: e.detail as Search['patternAt'] })}
  >
    <SelectItem value="anywhere" text="anywhere" />
    <SelectItem value="end" text="at the end" />
    <SelectItem value="start" text="after the area code" />
  </Select>
  <NumberInput
    labelText="How many in a row"
    min={1}
    max={20}
    value={asked.value.row}
    invalidText="1 to 20"
    on:input={(e) => {
      const row = Number(e.detail);
      if (Number.isInteger(row) && row >= 1 && row <= 20) set({ row });
    }}
  />
  <Select
    labelText="Same but for the last digit as"
    selected={asked.value.likeTyped === null ? asked.value.like : OTHER}
    on:update={(e) =>
      set(e.detail === OTHER ? { like: '', likeTyped: '' } : { like: String(e.detail), likeTyped: null })}
  >
    <SelectItem value="" text="no number" />
    {#each likes as n (n.id)}<SelectItem value={n.e164} text="{n.label}, {session.number(n.e164)}" />{/each}
    <SelectItem value={OTHER} text="another number…" />
  </Select>
  {#if asked.value.likeTyped !== null}
    <TextInput
      labelText="That number"
      placeholder="our fax, wherever it is"
      type="tel"
      value={asked.value.likeTyped}
      invalid={typed?.ok === false}
      invalidText={typed?.ok === false ? typed.message : ''}
      on:input={(e) => set({ likeTyped: String(e.detail ?? '') })}
    />
  {/if}
</form>

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
  <ul aria-label="Numbers on offer">
    {#each result.choices as choice (choice.offers[0]!.e164 + choice.offers.length)}
      <li>
        <b>{words(choice)}</b>
        <span class="why">
          {#each choice.reasons.slice(0, MOST_REASONS) as reason (reason)}<span>{reason}</span>{:else}<span
              class="none">nothing special</span
            >{/each}
        </span>
        <span class="soft small"
          >{choice.offers[0]!.place}, {choice.offers[0]!.kind} · {price(choice)} a month</span
        >
        <Button size="small" kind="tertiary" on:click={() => void take(choice)}
          >Take<span class="visually-hidden">&nbsp;{words(choice)}</span></Button
        >
      </li>
    {/each}
  </ul>
{/if}

<style>
  .ask {
    display: grid;
    grid-template-columns: repeat(3, minmax(0, 1fr));
    gap: 14px;
  }
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
  ul {
    list-style: none;
    margin: 6px 0 0;
    padding: 0;
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  li {
    display: grid;
    grid-template-columns: 170px minmax(0, 1fr) 264px auto;
    align-items: center;
    gap: 14px;
    padding: 7px 14px;
    border-bottom: 1px solid var(--rule);
  }
  li:last-child {
    border: 0;
  }
  b {
    font-size: 16px;
  }
  .why {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 14px;
  }
  .why span:first-child {
    font-weight: 600;
  }
  .why .none {
    color: var(--ink-soft);
    font-weight: 400;
  }
</style>
