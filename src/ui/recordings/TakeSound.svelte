<script lang="ts">
  import { Button, Checkbox, FileUploaderButton, InlineLoading } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import { writeWav, type TelephoneSound } from '$core/audio';
  import type { Recording, Sound } from '$core/system';
  import { saveBytes } from '../files/download';
  import { Microphone } from './microphone.svelte';
  import type { Made } from '../../workers/audio.worker';
  import { decode, keepSound, music, speak, stopMaking, type Progress } from './maker';
  import { player } from './player.svelte';

  /** Gives a recording its sound: spoken by the machine, recorded, read from a file, or music. */
  interface Props {
    recording: Recording;
    /** Only by recording: when many are read one after the other. */
    onlyMicrophone?: boolean;
    onkept?: () => void;
  }
  let { recording, onlyMicrophone = false, onkept }: Props = $props();
  const microphone = new Microphone();
  let stage = $state('');
  let problem = $state('');
  let trim = $state(true);
  /** What was recorded and is not kept yet: it is listened to first. */
  let taken = $state.raw<TelephoneSound | null>(null);
  onDestroy(() => {
    void microphone.stop();
    stopMaking();
    player.stop();
  });
  let run = 0;
  /** Shows what is being done. What is told of something that is over comes too late. */
  function watched(work: (progress: Progress) => Promise<Made>): Promise<Made> {
    const mine = ++run;
    problem = '';
    return work((s) => {
      if (mine === run) stage = s;
    }).finally(() => {
      run++;
      stage = '';
    });
  }

  async function make(work: (progress: Progress) => Promise<Made>, made: Sound['made']) {
    const asked = recording;
    const result = await watched(work);
    if (!result.ok) problem = result.message;
    else await keep(result.sound, made, asked);
  }
  async function keep(sound: TelephoneSound, made: Sound['made'], of: Recording) {
    problem = (await keepSound(of, sound, made)) ?? '';
    // There is no room for it: it is not lost, it is offered as a file.
    taken = problem ? sound : null;
    if (!problem) onkept?.();
  }
  async function start() {
    problem = '';
    taken = null;
    player.stop();
    await microphone.start(() => void stop());
  }
  async function stop() {
    const blob = await microphone.stop();
    if (!blob) return;
    const result = await watched((progress) => decode(blob, trim, progress));
    if (result.ok) taken = result.sound;
    else problem = result.message;
  }
  const said = $derived(problem || microphone.problem);
  const seconds = (n: number) => `${(Math.round(n * 10) / 10).toFixed(1)} s`;
  /** Decibels below full that the meter begins at. */
  const METER_DB = 50;
  const meter = $derived(
    microphone.level > 0 ? Math.max(0, 1 + (20 * Math.log10(microphone.level)) / METER_DB) : 0,
  );
</script>

<div class="take">
  {#if microphone.on}
    <div
      class="meter"
      role="meter"
      aria-label="Level of the microphone"
      aria-valuemin="0"
      aria-valuemax="100"
      aria-valuenow={Math.round(meter * 100)}
    >
      <span class:loud={microphone.level > 0.9} style:width="{meter * 100}%"></span>
    </div>
    <span data-testid="recorded-seconds">{seconds(microphone.seconds)}</span>
    <Button size="small" on:click={() => void stop()}>Stop</Button>
  {:else if stage}
    <InlineLoading description="Being made: {stage}" />
    <Button size="small" kind="ghost" on:click={stopMaking}>Cancel</Button>
  {:else if taken}
    <span>{seconds(taken.seconds)} recorded.</span>
    <Button
      size="small"
      kind="tertiary"
      on:click={() => (player.playing === 'take' ? player.stop() : void player.play('take', taken!.ulaw))}
      >{player.playing === 'take' ? 'Stop' : 'Listen to it'}</Button
    >
    <Button size="small" on:click={() => void keep(taken!, 'recorded', recording)}>Keep it</Button>
    <Button size="small" kind="ghost" on:click={() => void start()}>Do it again</Button>
    {#if problem}
      <Button
        size="small"
        kind="ghost"
        on:click={() => saveBytes(`${recording.name}.wav`, 'audio/wav', writeWav(taken!.pcm))}
        >Save it as a file</Button
      >
    {/if}
  {:else}
    {#if !onlyMicrophone}
      <Button
        size="small"
        kind="tertiary"
        on:click={() => void make((progress) => speak(recording, progress), 'spoken')}>Speak its words</Button
      >
    {/if}
    <Button size="small" kind="tertiary" on:click={() => void start()}>Record</Button>
    {#if !onlyMicrophone}
      <FileUploaderButton
        size="small"
        kind="tertiary"
        disableLabelChanges
        labelText="Read a sound file"
        accept={['audio/*', '.wav', '.mp3', '.ogg', '.m4a', '.flac', '.webm']}
        on:change={(e) => {
          const [file] = e.detail;
          if (file) void make((progress) => decode(file, trim, progress), 'file');
        }}
      />
      <Button
        size="small"
        kind="ghost"
        on:click={() => void make((progress) => music(Math.floor(performance.now()), progress), 'music')}
        >Make music</Button
      >
    {/if}
    <Checkbox labelText="Without silence at its ends" bind:checked={trim} />
  {/if}
</div>
{#if said}<p class="problem small" role="alert">{said}</p>{/if}

<style>
  .take {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px;
  }
  .take :global(.bx--form-item) {
    flex: 0 1 auto;
  }
  .meter {
    width: 200px;
    height: 12px;
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  .meter span {
    display: block;
    height: 100%;
    background: var(--group);
  }
  .meter .loud {
    background: var(--alarm);
  }
</style>
