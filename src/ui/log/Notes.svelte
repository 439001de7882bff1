<script lang="ts">
  import { Button, TextArea } from 'carbon-components-svelte';
  import type { Entry } from '$core/story';
  import EditField from '../fields/EditField.svelte';
  import { byWhom, momentText } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import { addNote, changeNote, dropNote } from './edits';

  /** What ours wrote down to a call or a message, each with their name and the time. */
  let { entry }: { entry: Entry } = $props();
  const MOST = 2000;
  const note = $derived(entry.call ? entry.call.note : entry.message?.note);
  const remarks = $derived((entry.call ? entry.call.remarks : entry.message?.remarks) ?? []);
  let text = $state('');
  let problem = $state('');
  let busy = $state(false);
  async function add(event?: Event) {
    event?.preventDefault();
    const wanted = text.trim();
    if (!wanted) return (problem = 'Write something down first.');
    if (wanted.length > MOST) return (problem = `At most ${MOST} letters; these are ${wanted.length}.`);
    busy = true;
    try {
      problem = (await addNote(entry, wanted)) ?? '';
      if (!problem) text = '';
    } catch (error) {
      problem = error instanceof Error ? error.message : String(error);
    } finally {
      busy = false;
    }
  }
</script>

<section aria-label="Notes">
  <h3>Notes</h3>
  {#if note}
    <EditField
      label={entry.call ? 'Written down while talking' : 'Written to the message'}
      value={note}
      keep={(changed) => {
        void changeNote(entry, changed);
        return undefined;
      }}
    />
  {/if}
  {#if remarks.length}
    <ul>
      {#each remarks as remark, i (`${remark.at} ${i}`)}
        <li>
          <span class="soft small"
            >{byWhom(remark.by || undefined)}, {momentText(remark.at, theBusiness().zone)}
            <button class="linkish small" type="button" onclick={() => void dropNote(entry, remark)}
              >Take away<span class="visually-hidden">&nbsp;the note “{remark.text.slice(0, 40)}”</span
              ></button
            ></span
          >
          <p>{remark.text}</p>
        </li>
      {/each}
    </ul>
  {/if}
  <form onsubmit={(e) => void add(e)}>
    <TextArea
      rows={2}
      labelText="Add a note"
      placeholder="What was agreed, what to do next"
      bind:value={text}
      invalid={!!problem}
      invalidText={problem}
      on:keydown={(e) => {
        if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) void add(e);
      }}
    />
    <Button size="small" kind="tertiary" type="submit" disabled={busy}>Keep the note</Button>
  </form>
</section>

<style>
  section {
    margin-top: 12px;
  }
  h3 {
    margin: 0 0 4px;
    font-size: var(--text-body);
  }
  ul {
    list-style: none;
    margin: 6px 0;
    padding: 0;
  }
  li {
    border-left: 2px solid var(--rule);
    padding: 2px 10px;
    margin-bottom: 6px;
  }
  p {
    margin: 0;
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }
  form {
    display: grid;
    gap: 6px;
    justify-items: start;
    margin-top: 6px;
  }
  form :global(.bx--form-item) {
    width: 100%;
  }
</style>
