<script lang="ts">
  import { Button, Select, TextArea, TextInput } from 'carbon-components-svelte';
  import { readNumber } from '$core/numbering';
  import type { NumberHeld } from '$core/system';
  import { deliveredAt } from '$standins/carrier/texting';
  import { sendText } from '$workspace';
  import { momentText } from '../format';
  import { Remembered } from '../remembered.svelte';
  import { theBusiness } from '../window/session.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  /** Texts of the business: those it sends, held back until the approval is there, and those that come in. */
  let { numbers }: { numbers: NumberHeld[] } = $props();
  const dealings = $derived(theBusiness().view.dealings);
  const texts = $derived([...dealings.texts].reverse());
  const form = new Remembered(`text ${theBusiness().view.business.id}`, { from: '', to: '', text: '' });
  const from = $derived(numbers.find((n) => n.e164 === form.value.from) ?? numbers[0]);
  let problem = $state<{ field: string; message: string } | null>(null);
  const set = (change: Partial<typeof form.value>) => (form.value = { ...form.value, ...change });

  async function send(event: Event) {
    event.preventDefault();
    const read = readNumber(
      form.value.to,
      theBusiness().system.business.country,
      theBusiness().system.business.outsideDigit,
    );
    if (!read.ok) {
      problem = { field: 'to', message: read.message };
      return;
    }
    const done = await sendText(theBusiness().workspace, {
      from: from!.e164,
      to: read.number.e164,
      text: form.value.text,
    });
    problem = done.ok ? null : { field: done.field ?? 'text', message: done.message };
    if (done.ok) set({ text: '' });
  }
  const heldAs = (e164: string) => Object.values(theBusiness().system.numbers).find((n) => n.e164 === e164);
  function reached(text: (typeof texts)[number]): string {
    const at = deliveredAt(text, dealings.texting, theBusiness().now);
    return at === null ? 'held back until you may text' : `delivered ${momentText(at, theBusiness().zone)}`;
  }
  /** Who wrote to whom, and when it came. */
  const about = (text: (typeof texts)[number]): string =>
    text.way === 'in'
      ? `from ${theBusiness().number(text.from)} to ${heldAs(text.to)?.label ?? theBusiness().number(text.to)} · came ${momentText(text.at, theBusiness().zone)}`
      : `to ${theBusiness().number(text.to)} from ${heldAs(text.from)?.label ?? theBusiness().number(text.from)} · ${reached(text)}`;
</script>

{#if from}
  <h2>Send a text</h2>
  <form class="card" onsubmit={(e) => void send(e)}>
    <div class="two">
      <Select
        size="sm"
        labelText="From"
        selected={from.e164}
        on:update={(e) => set({ from: String(e.detail) })}
      >
        {#each numbers as n (n.id)}<SelectItem
            value={n.e164}
            text="{n.label}, {theBusiness().number(n.e164)}"
          />{/each}
      </Select>
      <TextInput
        size="sm"
        labelText="To"
        type="tel"
        value={form.value.to}
        invalid={problem?.field === 'to'}
        invalidText={problem?.message ?? ''}
        on:input={(e) => set({ to: String(e.detail ?? '') })}
      />
    </div>
    <TextArea
      rows={2}
      labelText="Text"
      value={form.value.text}
      invalid={problem?.field === 'text'}
      invalidText={problem?.message ?? ''}
      on:input={(e: Event) => set({ text: (e.target as HTMLTextAreaElement).value })}
    />
    <Button size="small" type="submit">Send</Button>
  </form>
{/if}
{#if texts.length}
  <h2>Texts</h2>
  <ul aria-label="Texts">
    {#each texts as t (t.id)}
      <li class={t.way}>
        <span>{t.text}</span>
        <span class="soft small">{about(t)}</span>
        {#if t.way === 'in' && numbers.some((n) => n.e164 === t.to)}
          <button
            class="linkish small"
            type="button"
            onclick={() => set({ from: t.to, to: theBusiness().number(t.from) })}>Text back</button
          >
        {/if}
      </li>
    {/each}
  </ul>
{/if}

<style>
  h2 {
    margin-top: 20px;
  }
  form {
    display: grid;
    gap: 12px;
    justify-items: start;
  }
  form > :global(*) {
    width: 100%;
  }
  form > :global(button) {
    width: auto;
  }
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 12px;
  }
  ul {
    list-style: none;
    padding: 0;
    margin: 0;
  }
  li {
    padding: 8px 0;
    border-bottom: 1px solid var(--rule);
    overflow-wrap: anywhere;
  }
  li span {
    display: block;
  }
  .in {
    border-left: 3px solid var(--copper);
    padding-left: 12px;
  }
</style>
