<script lang="ts">
  import { Button, Select } from 'carbon-components-svelte';
  import { usesOf, type Use } from '$core/answering';
  import { decodeUlaw, hasUnspoken, voiceOf, writeWav } from '$core/audio';
  import type { Recording } from '$core/system';
  import { saveBytes } from '../files/download';
  import EditField from '../fields/EditField.svelte';
  import { theBusiness } from '../window/session.svelte';
  import { removeRecording, replaceEverywhere, setRecording, wordsChange } from './edits';
  import { lengthInWords } from './lengths';
  import Listen from './Listen.svelte';
  import { samplesOf } from './maker';
  import TakeSound from './TakeSound.svelte';
  import VoiceFields from './VoiceFields.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  let { recording, onremove }: { recording: Recording; onremove: () => void } = $props();
  const system = $derived(theBusiness().system);
  const uses = $derived(usesOf(system, recording.id));
  const others = $derived(Object.values(system.recordings).filter((r) => r.id !== recording.id));
  let byId = $state('');
  let problem = $state('');

  const href = (u: Use): string =>
    ({
      plan: `/answering/${u.id}?step=${u.stepId}`,
      queue: `/answering/queues#${u.id}`,
      mailbox: `/messages/mailboxes#${u.id}`,
      number: `/numbers?number=${u.id}`,
      business: '/numbers/dialling',
    })[u.kind];
  async function save(form: 'pcm' | 'ulaw') {
    const samples = await samplesOf(recording);
    problem = 'message' in samples ? samples.message : '';
    if ('ulaw' in samples)
      saveBytes(`${recording.name}.wav`, 'audio/wav', writeWav(decodeUlaw(samples.ulaw), form));
  }
</script>

<article class="card" aria-label={recording.name}>
  <div class="head">
    <EditField
      hideLabel
      label="Name of the recording"
      value={recording.name}
      keep={(name) => setRecording(recording, { name }, `Call a recording “${name}”`)}
    />
    <Listen {recording} />
    <button
      class="linkish small"
      type="button"
      onclick={() => {
        removeRecording(recording);
        onremove();
      }}>Remove</button
    >
  </div>
  <p class="small soft" data-testid="recording-length">{lengthInWords(recording)}</p>
  <EditField
    many
    label="Its words"
    helper={hasUnspoken(recording.text)
      ? 'Signs such as < and > are not spoken.'
      : recording.sound && recording.sound.made !== 'spoken'
        ? 'They stand beside the sound, and in plans.'
        : 'They are what is spoken, and stand in plans.'}
    value={recording.text}
    keep={(text) => setRecording(recording, wordsChange(recording, text), `Write “${text.slice(0, 40)}”`)}
  />
  <VoiceFields
    voice={recording.voice ?? voiceOf(system.business)}
    onchange={(voice) =>
      setRecording(
        recording,
        { voice, ...(recording.sound?.made === 'spoken' ? { sound: null } : {}) },
        `${recording.name} is spoken in ${voice.language}`,
      )}
  />
  <h3>Its sound</h3>
  {#key recording.id}<TakeSound {recording} />{/key}
  <p class="small">
    <button class="linkish" type="button" onclick={() => void save('pcm')}>Save as WAV</button>
    <button class="linkish" type="button" onclick={() => void save('ulaw')}>Save as µ-law WAV</button>
  </p>
  {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
  <h3>Where it is heard</h3>
  <ul>
    {#each uses as u (`${u.id} ${u.stepId} ${u.words}`)}<li><a href={href(u)}>{u.words}</a></li>
    {:else}<li class="soft">Nowhere yet.</li>{/each}
  </ul>
  {#if uses.length && others.length}
    <div class="replace">
      <Select
        size="sm"
        hideLabel
        labelText="Heard in its place"
        selected={byId}
        on:update={(e) => (byId = String(e.detail))}
      >
        <SelectItem value="" text="Another recording in its place…" />
        {#each others as r (r.id)}<SelectItem value={r.id} text={r.name} />{/each}
      </Select>
      <Button
        size="small"
        kind="tertiary"
        disabled={!byId}
        on:click={() => {
          const by = others.find((r) => r.id === byId);
          if (by) replaceEverywhere(recording, by);
          byId = '';
        }}>Replace it everywhere</Button
      >
    </div>
  {/if}
</article>

<style>
  .head,
  .replace {
    display: grid;
    grid-template-columns: 1fr auto auto;
    gap: 14px;
    align-items: center;
  }
  h3 {
    font-size: var(--text-body);
    font-weight: 650;
    margin: 14px 0 6px;
  }
  ul {
    margin: 0 0 10px;
    padding: 0;
    list-style: none;
  }
  p button {
    margin-right: 14px;
  }
</style>
