<script lang="ts" module>
  import type { Language } from '$standins/speech/speech';
  type Known = { languages: Language[]; problem: string };
  /** Asked for once; the server does not learn new languages. */
  let asked: Promise<Known> | undefined;
  const languages = (): Promise<Known> => (asked ??= ask());
  async function ask(): Promise<Known> {
    const not = (problem: string): Known => {
      asked = undefined;
      return { languages: [], problem };
    };
    try {
      const response = await fetch('/api/speech');
      if (response.ok) return { languages: (await response.json()) as Language[], problem: '' };
      const { detail } = (await response.json().catch(() => ({}))) as { detail?: string };
      return not(detail ?? 'The voice gave no answer.');
    } catch {
      return not('The server cannot be reached, and the voice is there. Record, or read a file, meanwhile.');
    }
  }
</script>

<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import { onMount } from 'svelte';
  import type { Voice } from '$core/system';
  import SelectItem from '../fields/SelectItem.svelte';

  /** The language and speed of the machine's voice. */
  interface Props {
    voice: Voice;
    onchange: (voice: Voice) => void;
  }
  let { voice, onchange }: Props = $props();
  let known = $state.raw<Language[]>([]);
  let problem = $state('');
  onMount(() => void languages().then((found) => ({ languages: known, problem } = found)));
  const all = $derived(
    known.some((l) => l.id === voice.language)
      ? known
      : [{ id: voice.language, name: voice.language }, ...known],
  );
  const SPEEDS: [number, string][] = [
    [0.7, 'slowly'],
    [0.85, 'rather slowly'],
    [1, 'as usual'],
    [1.15, 'rather fast'],
    [1.3, 'fast'],
  ];
  const speeds = $derived(
    SPEEDS.some(([s]) => s === voice.speed)
      ? SPEEDS
      : [...SPEEDS, [voice.speed, `${voice.speed} ×`] as const],
  );
</script>

<div class="voice">
  <Select
    size="sm"
    labelText="Spoken in"
    selected={voice.language}
    on:update={(e) => {
      if (e.detail !== voice.language) onchange({ ...voice, language: String(e.detail) });
    }}
  >
    {#each all as l (l.id)}<SelectItem value={l.id} text={l.name} />{/each}
  </Select>
  <Select
    size="sm"
    labelText="How fast"
    selected={String(voice.speed)}
    on:update={(e) => {
      if (Number(e.detail) !== voice.speed) onchange({ ...voice, speed: Number(e.detail) });
    }}
  >
    {#each speeds as [s, words] (s)}<SelectItem value={String(s)} text={words} />{/each}
  </Select>
</div>
{#if problem}<p class="small soft" role="status">{problem}</p>{/if}

<style>
  .voice {
    display: grid;
    grid-template-columns: 2fr 1fr;
    gap: 12px;
    margin-top: 10px;
  }
</style>
