<script lang="ts">
  import { Select, TextArea, TextInput } from 'carbon-components-svelte';
  import type { Edit } from '$core/system';
  import { freshId } from '../ids';
  import { wordsChange } from '../recordings/edits';
  import { lengthInWords } from '../recordings/lengths';
  import Listen from '../recordings/Listen.svelte';
  import { theBusiness } from '../window/session.svelte';
  import SelectItem from './SelectItem.svelte';

  interface Props {
    label: string;
    recordingId: string | null;
    /** Where it is used, for the words of the edit: "in Main line". */
    about: string;
    onchoose: (recordingId: string | null) => void;
    /** The command that puts a new recording where it belongs. */
    attach: (recordingId: string) => Edit['commands'][number];
  }
  let { label, recordingId, about, onchoose, attach }: Props = $props();
  const recordings = $derived(Object.values(theBusiness().system.recordings));
  const recording = $derived(recordingId ? theBusiness().system.recordings[recordingId] : undefined);
  let problem = $state('');

  /** Typing into an empty place makes a new recording of it. */
  function write(text: string) {
    if (text === (recording?.text ?? '')) return;
    const words = `Write “${text.slice(0, 40)}” ${about}`;
    if (recording)
      keep(words, [{ do: 'recording.set', id: recording.id, change: wordsChange(recording, text) }]);
    else {
      const id = freshId('recording');
      const name = text.trim().split(/\s+/).slice(0, 4).join(' ').slice(0, 60) || 'Greeting';
      keep(words, [{ do: 'recording.add', value: { id, name, text } }, attach(id)]);
    }
  }
  function keep(words: string, commands: Edit['commands']) {
    const result = theBusiness().edit(words, commands, {
      mergeKey: `recording:${recordingId ?? 'new'}`,
      quiet: true,
    });
    problem = result.ok ? '' : result.problems[0]!.message;
  }
  function rename(name: string) {
    if (recording && name !== recording.name)
      keep(`Call a recording “${name}”`, [{ do: 'recording.set', id: recording.id, change: { name } }]);
  }
</script>

<div class="fields">
  {#if recordings.length}
    <Select
      labelText={label}
      selected={recordingId ?? ''}
      on:update={(e) => onchoose(String(e.detail) || null)}
    >
      <SelectItem value="" text="A new one…" />
      {#each recordings as r (r.id)}<SelectItem value={r.id} text={r.name} />{/each}
    </Select>
  {/if}
  {#if recording}
    <TextInput labelText="Its name" value={recording.name} on:input={(e) => rename(String(e.detail ?? ''))} />
  {/if}
  <TextArea
    labelText={recordings.length ? 'Its words' : label}
    rows={4}
    value={recording?.text ?? ''}
    invalid={!!problem}
    invalidText={problem}
    helperText={recording ? '' : 'Type what is to be said.'}
    on:input={(e) => write((e.target as HTMLTextAreaElement).value)}
  />
  {#if recording}
    <p class="small sound">
      <span class="soft">{lengthInWords(recording)}</span>
      <Listen {recording} />
      <a href="/messages/recordings?of={recording.id}">Record it, or choose a voice</a>
    </p>
  {/if}
</div>

<style>
  .sound {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 12px;
    margin: 0;
  }
</style>
