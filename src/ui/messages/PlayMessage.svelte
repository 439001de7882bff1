<script lang="ts">
  import { InlineLoading, Select } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import type { MessageKnown } from '$exchange';
  import { here } from '../window/session.svelte';
  import { change } from './edits';
  import SelectItem from '../fields/SelectItem.svelte';

  /** A message played, as fast as somebody likes. Of a stand-in that typed its words there is no sound: they are spoken. */
  let { message }: { message: MessageKnown } = $props();
  const SPEEDS = [1, 1.25, 1.5, 2];
  let speed = $state(1);
  let spoken = $state<string | null>(null);
  /** The recording itself, where it had to be asked for. */
  let fetched = $state<string | null>(null);
  let busy = $state(false);
  let problem = $state('');
  const real = $derived(message.sound ?? fetched);
  const sound = $derived(real ?? spoken);
  const ended = $derived(real && !real.startsWith('data:audio/wav') ? 'webm' : 'wav');
  onDestroy(() => {
    if (spoken) URL.revokeObjectURL(spoken);
  });

  async function fetchSound() {
    busy = true;
    problem = '';
    try {
      fetched = await here().deeds.messageSound(message);
      if (!fetched) problem = 'The recording is no longer there.';
    } catch (error) {
      problem = error instanceof Error ? error.message : String(error);
    }
    busy = false;
  }
  async function haveSpoken() {
    busy = true;
    problem = '';
    const [{ speak }, { writeWav }] = await Promise.all([
      import('../recordings/maker'),
      import('$core/audio'),
    ]);
    const made = await speak({ text: message.said ?? '' });
    busy = false;
    if (!made.ok) return void (problem = made.message);
    const bytes = writeWav(made.sound.pcm) as Uint8Array<ArrayBuffer>;
    spoken = URL.createObjectURL(new Blob([bytes], { type: 'audio/wav' }));
  }
</script>

{#if sound}
  <div class="play">
    <audio
      controls
      autoplay={spoken !== null || fetched !== null}
      src={sound}
      bind:playbackRate={speed}
      onplay={() => void change([message], { heard: true })}><track kind="captions" /></audio
    >
    <Select
      size="sm"
      hideLabel
      labelText="How fast it is played"
      selected={String(speed)}
      on:update={(e) => (speed = Number(e.detail))}
    >
      {#each SPEEDS as s (s)}<SelectItem value={String(s)} text="{s} ×" />{/each}
    </Select>
    <a class="small" href={sound} download="message-{message.id}.{ended}">Download</a>
  </div>
  {#if spoken && !real}<p class="small soft">
      The caller’s stand-in typed these words; the machine speaks them.
    </p>{/if}
{:else if message.said || message.soundThere}
  {#if busy}<InlineLoading
      description={message.soundThere ? 'The recording is fetched' : 'The words are spoken'}
    />{:else}
    <button
      class="linkish small listen"
      type="button"
      onclick={() => void (message.soundThere ? fetchSound() : haveSpoken())}
      >Listen<span class="visually-hidden">&nbsp;to the message from {message.from}</span></button
    >
  {/if}
  {#if problem}<p class="problem small" role="alert">{problem}</p>{/if}
{/if}

<style>
  .play {
    display: grid;
    grid-template-columns: 1fr 84px auto;
    gap: 10px;
    align-items: center;
  }
  audio {
    width: 100%;
    height: 34px;
  }
  p {
    margin: 6px 0;
  }
  .listen {
    margin-bottom: 6px;
  }
  .problem {
    color: var(--alarm);
  }
</style>
