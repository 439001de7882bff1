<script lang="ts">
  import { Button, TextInput } from 'carbon-components-svelte';
  import { answer, begin, beganBy, type Context, type Turn } from '$core/dialogues';
  import { NEW_CALLER } from '$core/calls';
  import { known } from '$core/story';
  import type { Dialogue } from '$core/system';
  import { answerTo, filled, wishOf } from '$core/texting';
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

  interface Line {
    who: 'they' | 'it' | 'note';
    text: string;
  }
  /** All of it worked out anew: whatever is edited shows what the same words would bring now. */
  const lines = $derived.by((): Line[] => {
    if (!line) return [];
    const all: Line[] = [];
    const ours = line.e164;
    const contact = known(system).contacts.get(NEW_CALLER);
    const values: Context = {
      valueOf: (field) => {
        const made = filled(`{${field}}`, { contact, business: system.business, by: undefined, from: ours });
        return made.empty.length ? '' : made.text;
      },
      code: () => '12345',
      ...calendarContext(system, theBusiness().view.bookings, theBusiness().minute),
    };
    const alone = { ...system, dialogues: { [dialogue.id]: dialogue } };
    let turn: Turn | null = null;
    let misread = false;
    const tell = (next: Turn) => {
      for (const says of next.says) all.push({ who: 'it', text: says });
      for (const task of next.tasks) {
        const whose = task.personId ? system.people[task.personId]?.name : undefined;
        all.push({ who: 'note', text: `Task of ${whose ?? 'anybody'}: ${task.text}` });
      }
      const { state, personId } = next.run;
      if (state === 'handed over')
        all.push({
          who: 'note',
          text: `${(personId && system.people[personId]?.name) || 'A person'} goes on: it waits among the texts.`,
        });
      if (state === 'done') all.push({ who: 'note', text: 'It is over.' });
      turn = next;
    };
    const who = { id: 'try', ours, theirs: NEW_CALLER };
    // A dialogue that only a follow-up begins has the first word itself.
    if (!dialogue.words.length) tell(begin(dialogue, who, 0, values));
    for (const said of written.value) {
      all.push({ who: 'they', text: said });
      if (wishOf(said)) {
        const open = turn as Turn | null;
        if (open) turn = answer(open.run, said, 0, values);
        const answered = answerTo(said, 0, {
          business: system.business.name,
          number: theBusiness().number(ours),
          lastAt: -Infinity,
        });
        if (answered) all.push({ who: 'it', text: answered });
        continue;
      }
      const open = turn as Turn | null;
      if (open?.run.state === 'open') tell(answer(open.run, said, 0, values));
      else if (beganBy(said, ours, alone)) tell(begin(dialogue, who, 0, values));
      else misread = true;
      if (misread) all.push({ who: 'note', text: 'It knows nothing of that: a person gets it.' });
      misread = false;
    }
    return all;
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
