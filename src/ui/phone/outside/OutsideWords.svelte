<script lang="ts">
  import { TextInput } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import { KeyListener } from '$media';
  import type { OwnVoice } from '../sounds/voice.svelte';

  /** The sound of an outside phone in a talk: how it is, words typed instead, and keys that come as tones. */
  let {
    voice,
    named,
    listen = false,
  }: { voice: OwnVoice; named: (phone: string) => string; listen?: boolean } = $props();
  const keys = new KeyListener();
  let heard = $state('');
  let listening = $state(false);
  let text = $state('');
  const connected = $derived(voice.now.peers.some((p) => p.state === 'connected'));
  $effect(() => {
    if (!listen || !connected) return;
    // The tones are in the sound that is played: there is one element for each of those who are heard.
    const [element] = document.querySelectorAll<HTMLAudioElement>('audio[data-testid="voice"]');
    const [track] = (element?.srcObject as MediaStream | null)?.getAudioTracks() ?? [];
    if (!track) return;
    keys.listen(track, (key) => (heard += key));
    listening = true;
  });
  onDestroy(() => keys.close());
</script>

<p class="soft small" data-testid="sound">{voice.music ? 'You hear music.' : voice.inWords(named)}</p>
{#if listening}<span hidden data-testid="listens-for-tones"></span>{/if}
{#if heard}<p class="soft small" data-testid="tones">Tones heard: {heard}</p>{/if}
{#each voice.now.words as w, i (i)}<p class="word">“{w.text}”</p>{/each}
<form
  onsubmit={(e) => {
    e.preventDefault();
    voice.type(text);
    text = '';
  }}
>
  <TextInput
    size="sm"
    hideLabel
    labelText="Type instead of speaking"
    placeholder="Type instead of speaking"
    bind:value={text}
  />
</form>

<style>
  .word {
    margin: 0 0 4px;
  }
</style>
