<script lang="ts">
  import { Button, Select, TextInput } from 'carbon-components-svelte';
  import { freeTimes } from '$core/booking';
  import { offeredAt } from '$core/buttons';
  import { momentInFull, writingOf } from '$core/hours';
  import { writeNumber } from '$core/numbering';
  import type { CallButton } from '$core/system';
  import { askCallBack, askedOf, bookVisit, codeWords } from '$workspace';
  import SelectItem from '../fields/SelectItem.svelte';
  import WhenField from '../fields/WhenField.svelte';
  import { freshId } from '../ids';
  import OutsidePhone from '../phone/outside/OutsidePhone.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** What a visitor sees who pressed a call button. */
  let { button }: { button: CallButton } = $props();
  const system = $derived(theBusiness().view.inForce.system);
  const number = $derived(system.numbers[button.numberId ?? '']);
  const now = $derived(offeredAt(button, system, theBusiness().minute));
  const said = (at: number) => momentInFull(at, system.business.timeZone, writingOf(system.business));
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
  const asked = $derived(
    button.calendarId
      ? askedOf(system, button.calendarId, theBusiness().view.bookings, theBusiness().minute)
      : null,
  );
  const free = $derived(now.can.book && asked ? freeTimes(asked, theBusiness().minute, Infinity, 24) : []);
  const who = () => ({ name, number: typed, visitor });

  async function callBack(event: Event) {
    event.preventDefault();
    problem = null;
    const made = await askCallBack(theBusiness().workspace, system, button, who(), day || null);
    if (!made.ok) return void (problem = made);
    done = day ? 'Thank you: one of us calls you that day.' : 'Thank you: one of us calls you.';
  }
  async function book(event: Event) {
    event.preventDefault();
    problem = null;
    const at = Number(from) || free[0];
    if (!at) return void (problem = { message: 'There is no free time left.' });
    const made = await bookVisit(theBusiness().workspace, system, button, who(), at);
    if (!made.ok) return void (problem = made);
    done = `Booked: ${said(made.booking.from)}. ${codeWords(made.booking.code)}`;
  }
  let wants = $state<'call back' | 'book' | null>(null);
</script>

<h1>{system.business.name}</h1>
{#if !now.open}
  <p class="closed" role="status">
    {button.closed || 'We are closed just now.'}
    {#if now.opens}<br />Open again {said(now.opens)}.{/if}
  </p>
{/if}
{#if done}
  <p class="done" role="status">{done}</p>
{/if}
{#if now.can.call && number}
  <OutsidePhone
    visit={{ number: number.e164, says: now.can.call === 'call' ? button.says : 'Leave a message' }}
  />
  <p class="soft small">
    Or dial <a href="tel:{number.e164}">{writeNumber(number.e164, system.business.country)}</a>.
  </p>
{/if}
<div class="ways">
  {#if now.can.callBack}<Button
      kind="tertiary"
      size="small"
      aria-expanded={wants === 'call back'}
      on:click={() => (wants = wants === 'call back' ? null : 'call back')}>Be called back</Button
    >{/if}
  {#if now.can.book}<Button
      kind="tertiary"
      size="small"
      aria-expanded={wants === 'book'}
      on:click={() => (wants = wants === 'book' ? null : 'book')}>Book a time</Button
    >{/if}
</div>
{#if wants}
  <form
    class="card"
    onsubmit={(e) => void (wants === 'book' ? book(e) : callBack(e))}
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
      {#if free.length}
        <Select
          labelText="When"
          selected={free.includes(Number(from)) ? from : String(free[0])}
          on:update={(e) => (from = String(e.detail))}
        >
          {#each free as at (at)}<SelectItem value={String(at)} text={said(at)} />{/each}
        </Select>
      {:else}<p>There is no free time left that could be offered.</p>{/if}
    {:else}
      <WhenField label="On which day; empty is as soon as can be" value={day} onvalue={(v) => (day = v)} />
    {/if}
    {#if problem && !['name', 'number'].includes(problem.field ?? '')}<p class="problem" role="alert">
        {problem.message}
      </p>{/if}
    <Button type="submit" disabled={wants === 'book' && !free.length}
      >{wants === 'book' ? 'Book it' : 'Ask for it'}</Button
    >
  </form>
{/if}
{#if !now.can.call && !now.can.callBack && !now.can.book}<p>
    There is nothing that can be done here just now.
  </p>{/if}

<style>
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
