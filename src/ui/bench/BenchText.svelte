<script lang="ts">
  import { Button, Select, TextInput } from 'carbon-components-svelte';
  import { readNumber } from '$core/numbering';
  import type { TextFile } from '$standins/carrier/texting';
  import { keepFile, receiveText } from '$workspace';
  import { NEW_CALLER } from '$core/calls';
  import { theBusiness } from '../window/session.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  /** A customer's phone writes a text to one of the business's numbers. */
  const numbers = $derived(Object.values(theBusiness().view.inForce.system.numbers));
  let from = $state(theBusiness().number(NEW_CALLER));
  let to = $state('');
  let text = $state('');
  let file = $state.raw<TextFile | null>(null);
  let said = $state<{ field: 'from' | 'text' | 'file'; message: string } | null>(null);
  let sent = $state(false);
  const number = $derived(numbers.find((n) => n.e164 === to) ?? numbers[0]);

  async function send(event: Event) {
    event.preventDefault();
    sent = false;
    const read = readNumber(from, theBusiness().system.business.country);
    if (!read.ok) {
      said = { field: 'from', message: read.message };
      return;
    }
    const done = await receiveText(theBusiness().workspace, {
      from: read.number.e164,
      to: number!.e164,
      text,
      ...(file ? { files: [file] } : {}),
    });
    said = done.ok ? null : { field: 'text', message: done.message };
    sent = done.ok;
    if (!done.ok) return;
    text = '';
    file = null;
  }
  async function choose(chosen: File | undefined) {
    if (!chosen) return;
    const { db, id } = theBusiness();
    const kept = await keepFile(db, id, chosen.name, new Uint8Array(await chosen.arrayBuffer())).catch(
      (error: unknown) => ({
        ok: false as const,
        message: error instanceof Error ? error.message : String(error),
      }),
    );
    said = kept.ok ? null : { field: 'file', message: kept.message };
    if (kept.ok) file = kept.file;
  }
</script>

{#if number}
  <h3>Text one of your numbers</h3>
  <form onsubmit={(e) => void send(e)}>
    <TextInput
      size="sm"
      labelText="From the outside number"
      type="tel"
      bind:value={from}
      invalid={said?.field === 'from'}
      invalidText={said?.message ?? ''}
    />
    <Select size="sm" labelText="To" selected={number.e164} on:update={(e) => (to = String(e.detail))}>
      {#each numbers as n (n.id)}<SelectItem value={n.e164} text={n.label} />{/each}
    </Select>
    <div class="whole">
      <TextInput
        size="sm"
        labelText="What they write"
        placeholder="Is my boat ready?"
        bind:value={text}
        invalid={said?.field === 'text'}
        invalidText={said?.message ?? ''}
      />
    </div>
    <label class="whole small">
      A picture or file with it
      <input
        type="file"
        onchange={(e) => {
          const input = e.currentTarget;
          void choose(input.files?.[0]).then(() => (input.value = ''));
        }}
      />
      {#if file}<span role="status">{file.name} goes with it.</span>{/if}
      {#if said?.field === 'file'}<span class="wrong" role="alert">{said.message}</span>{/if}
    </label>
    <Button size="small" type="submit">Text it</Button>
    {#if sent}<p class="small" role="status">It is there: <a href="/messages/texts">Texts</a>.</p>{/if}
  </form>
{/if}

<style>
  h3 {
    margin: 22px 0 6px;
  }
  form {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 8px;
    align-items: start;
  }
  .whole {
    grid-column: 1 / -1;
  }
  .wrong {
    color: var(--alarm);
  }
  p {
    margin: 6px 0 0;
  }
</style>
