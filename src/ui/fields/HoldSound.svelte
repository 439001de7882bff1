<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import { holdSoundOf, type HoldChoice } from '$core/system';
  import Listen from '../recordings/Listen.svelte';
  import { theBusiness } from '../window/session.svelte';
  import SelectItem from './SelectItem.svelte';

  /** What those hear who are held or wait: a recording, music made by code, or silence. */
  interface Props {
    label: string;
    chosen: HoldChoice;
    /** What it is where nothing is chosen here. */
    none: string;
    onchoose: (choice: { holdMusicId: string | null; holdSilent: boolean | undefined }) => void;
  }
  /** Stands for silence among ids of recordings. */
  const SILENCE = 'silence:';
  let { label, chosen, none, onchoose }: Props = $props();
  const { recordings } = $derived(theBusiness().system);
  const sound = $derived(holdSoundOf(chosen, theBusiness().system));
  const value = $derived(sound === null ? '' : sound.is === 'recording' ? sound.recording.id : SILENCE);
</script>

<Select
  size="sm"
  labelText={label}
  selected={value}
  on:update={(e) => {
    const next = String(e.detail);
    if (next === value) return;
    onchoose({
      holdMusicId: next === SILENCE ? null : next || null,
      holdSilent: next === SILENCE || undefined,
    });
  }}
>
  <SelectItem value="" text={none} />
  <SelectItem value={SILENCE} text="silence" />
  {#each Object.values(recordings) as r (r.id)}<SelectItem value={r.id} text={r.name} />{/each}
</Select>
{#if sound?.is === 'recording'}<Listen recording={sound.recording} />{/if}
<p class="small soft">
  A piece of your own is recorded or read under <a href="/messages/recordings">Recordings</a>.
</p>
