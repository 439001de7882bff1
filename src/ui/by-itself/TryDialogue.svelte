<script lang="ts">
  import { Button, TextInput } from 'carbon-components-svelte';
  import { rehearsed, valuesOf, type Context } from '$core/dialogues';
  import { NEW_CALLER } from '$core/calls';
  import type { Dialogue } from '$core/system';
  import { Remembered } from '../remembered.svelte';
  import { calendarContext } from '$workspace';
  import { theBusiness } from '../window/session.svelte';

  /** A dialogue rehearsed line by line: what somebody writes, and what would be said to it. Nothing is sent. */
  let { dialogue }: { dialogue: Dialogue } = $props();
  const system = $derived(theBusiness().system);
  const line = $derived(system.numbers[dialogue.numberIds[0] ?? ''] ?? Object.values(system.numbers)[0]);
  // svelte-ignore state_referenced_locally
  const written = new Remembered<string[]>(`dialogue ${dialogue.id}`, []);
  let text = $state('');

  /** All of it worked out anew: whatever is edited shows what the same words would bring now. */
  const lines = $derived.by(() => {
    if (!line) return [];
    const ours = line.e164;
    const context: Context = {
      valueOf: valuesOf(system, ours, NEW_CALLER),
      code: () => '12345',
      ...calendarContext(system, theBusiness().view.bookings, theBusiness().minute),
    };
    const who = { ours, theirs: NEW_CALLER };
    return rehearsed(dialogue, written.value, who, theBusiness().minute, system, context);
  });
  function write(event: Event) {
    event.preventDefault();
    if (!text.trim()) return;
    written.value = [...written.value, text.trim()];
    text = '';
  }
</script>

<section aria-label="Rehearse it">
  <h3>Rehearse it</h3>
  <p class="small soft">
    Write what somebody might write{dialogue.words.length ? `, such as “${dialogue.words[0]}”` : ''}. Nothing
    is sent.
  </p>
  <ol aria-live="polite" data-testid="dialogue-lines">
    {#each lines as one, i (i)}<li class={one.who}>
        <span class="visually-hidden"
          >{one.who === 'they' ? 'They write' : one.who === 'it' ? 'It says' : ''}</span
        >
        {one.text}
      </li>{/each}
  </ol>
  <form onsubmit={write}>
    <TextInput size="sm" labelText="They write" bind:value={text} />
    <Button size="small" type="submit">Write</Button>
    {#if written.value.length}<Button size="small" kind="ghost" on:click={() => (written.value = [])}
        >From the beginning</Button
      >{/if}
  </form>
</section>

<style>
  h3 {
    margin: 12px 0 4px;
  }
  ol {
    list-style: none;
    padding: 0;
    margin: 8px 0;
    display: grid;
    gap: 6px;
  }
  li {
    padding: 6px 10px;
    max-width: 80%;
    overflow-wrap: anywhere;
    white-space: pre-wrap;
    font-size: var(--text-body);
  }
  .they {
    justify-self: start;
    border-left: 3px solid var(--line);
    background: var(--bench);
  }
  .it {
    justify-self: end;
    border-right: 3px solid var(--copper);
    background: var(--copper-wash);
  }
  .note {
    max-width: 100%;
    color: var(--ink-soft);
    padding: 0 10px;
  }
  form {
    display: flex;
    gap: 8px;
    align-items: end;
  }
</style>
