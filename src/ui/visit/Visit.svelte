<script lang="ts">
  import { Button, Select, TextInput } from 'carbon-components-svelte';
  import { onDestroy, untrack } from 'svelte';
  import type { VisitSeen } from '$core/buttons';
  import { writeAs } from '$core/hours';
  import SelectItem from '../fields/SelectItem.svelte';
  import WhenField from '../fields/WhenField.svelte';
  import { freshId } from '../ids';
  import { allowSound } from '../phone/sounds/tones';
  import VisitCall from './VisitCall.svelte';
  import type { Visiting } from './visiting.svelte';

  /** What a visitor sees who pressed a call button. */
  let { visiting, seen }: { visiting: Visiting; seen: VisitSeen } = $props();
  const { call } = $derived(visiting);
  // Days are written as the business writes them.
  // svelte-ignore state_referenced_locally
  writeAs(seen.writing);
  const NAME = 'visitor';
  /** A name for this browser, so that one visitor does not ask too often. */
  const visitor = localStorage.getItem(NAME) ?? freshId('visitor');
  localStorage.setItem(NAME, visitor);

  const kept = JSON.parse(sessionStorage.getItem('visit') ?? '{}') as { name?: string; number?: string };
  let name = $state(kept.name ?? '');
  let typed = $state(kept.number ?? '');
  $effect(() => sessionStorage.setItem('visit', JSON.stringify({ name, number: typed })));
  let day = $state('');
  let from = $state('');
  let problem = $state<{ field?: string | undefined; message: string } | null>(null);
  let done = $state('');
  let busy = $state(false);
  let notCalled = $state('');
  const going = $derived(call !== null && call.phase !== 'over');

  async function place() {
    void allowSound();
    busy = true;
    notCalled = await visiting.place();
    busy = false;
  }
  async function ask(event: Event) {
    event.preventDefault();
    problem = null;
    done = '';
    const who = { name, number: typed, visitor };
    const at = Number(from) || seen.free[0]?.at;
    if (wants === 'book' && !at) return void (problem = { message: 'There is no free time left.' });
    busy = true;
    const answer = await visiting.ask(
      wants === 'book' ? { do: 'book', who, from: at! } : { do: 'call back', who, day: day || null },
    );
    busy = false;
    if (!answer.ok) return void (problem = answer);
    done = answer.says ?? '';
    wants = null;
  }
  let wants = $state<'call back' | 'book' | null>(null);
  // What was offered a moment ago may be offered no more.
  $effect(() => {
    const { can } = seen;
    untrack(() => {
      if ((wants === 'book' && !can.book) || (wants === 'call back' && !can.callBack)) wants = null;
    });
  });
  onDestroy(() => visiting.close());
</script>

<h1>{seen.business}</h1>
{#if seen.closed}
  <p class="closed" role="status">
    {seen.closed.says}
    {#if seen.closed.opens}<br />Open again {seen.closed.opens}.{/if}
  </p>
{/if}
{#if done}
  <p class="done" role="status">{done}</p>
{/if}
{#if visiting.cut}<p class="closed" role="status">{visiting.cut}</p>{/if}
{#if call}
  {#key call.id}<VisitCall {visiting} {call} business={seen.business} country={seen.country} />{/key}
{/if}
{#if !going && seen.can.call}
  <Button disabled={busy || visiting.cut !== ''} on:click={() => void place()}>{seen.says}</Button>
  {#if notCalled}<p class="problem" role="alert">{notCalled}</p>{/if}
{/if}
{#if seen.number}
  <p class="dial soft small">
    Or dial <a href="tel:{seen.number.e164}">{seen.number.written}</a>.
  </p>
{/if}
<div class="ways">
  {#if seen.can.callBack}<Button
      kind="tertiary"
      size="small"
      aria-expanded={wants === 'call back'}
      on:click={() => (wants = wants === 'call back' ? null : 'call back')}>Be called back</Button
    >{/if}
  {#if seen.can.book}<Button
      kind="tertiary"
      size="small"
      aria-expanded={wants === 'book'}
      on:click={() => (wants = wants === 'book' ? null : 'book')}>Book a time</Button
    >{/if}
</div>
{#if wants}
  <form
    class="card"
    onsubmit={(e) => void ask(e)}
    aria-label={wants === 'book' ? 'Book a time' : 'Be called back'}
  >
    <TextInput
      labelText="Your name"
      bind:value={name}
      maxlength={80}
      autocomplete="name"
      invalid={problem?.field === 'name'}
      invalidText={problem?.message ?? ''}
    />
    <TextInput
      labelText="Your number"
      type="tel"
      bind:value={typed}
      autocomplete="tel"
      invalid={problem?.field === 'number'}
      invalidText={problem?.message ?? ''}
    />
    {#if wants === 'book'}
      {#if seen.free.length}
        <Select
          labelText="When"
          helperText="The next {seen.free.length} free times; for others, call or be called back."
          selected={seen.free.some((f) => f.at === Number(from)) ? from : String(seen.free[0]!.at)}
          on:update={(e) => (from = String(e.detail))}
        >
          {#each seen.free as f (f.at)}<SelectItem value={String(f.at)} text={f.says} />{/each}
        </Select>
      {:else}<p>There is no free time left that could be offered.</p>{/if}
    {:else}
      <WhenField
        label="On which day; empty is as soon as can be"
        value={day}
        onvalue={(v) => (day = v)}
        at={seen}
      />
    {/if}
    {#if problem && !['name', 'number'].includes(problem.field ?? '')}<p class="problem" role="alert">
        {problem.message}
      </p>{/if}
    <Button type="submit" disabled={busy || (wants === 'book' && !seen.free.length)}
      >{busy ? 'One moment…' : wants === 'book' ? 'Book it' : 'Ask for it'}</Button
    >
  </form>
{/if}
{#if !seen.can.call && !seen.can.callBack && !seen.can.book}<p>
    There is nothing that can be done here just now.
  </p>{/if}

<style>
  h1 {
    margin-bottom: 14px;
  }
  .dial {
    margin-top: 10px;
  }
  .closed,
  .done {
    border-left: 3px solid var(--rule);
    padding-left: 12px;
  }
  .ways {
    display: flex;
    gap: 10px;
    margin: 14px 0;
  }
  form {
    display: grid;
    gap: 12px;
  }
</style>
