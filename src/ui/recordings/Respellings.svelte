<script lang="ts">
  import { Button, TextInput } from 'carbon-components-svelte';
  import { voiceOf } from '$core/audio';
  import type { Business, Respelling } from '$core/system';
  import EditField from '../fields/EditField.svelte';
  import { theBusiness } from '../window/session.svelte';
  import VoiceFields from './VoiceFields.svelte';

  /** How the machine speaks for this business: its voice, and words it says wrongly. */
  const business = $derived(theBusiness().system.business);
  const respellings = $derived(business.respellings ?? []);
  let word = $state('');
  let say = $state('');
  let problem = $state('');

  const set = (change: Partial<Business>, words: string) =>
    theBusiness().keep(words, [{ do: 'business.set', change }]);
  const setAt = (i: number, change: Partial<Respelling>) =>
    set(
      { respellings: respellings.map((r, j) => (i === j ? { ...r, ...change } : r)) },
      `Say ${change.word ?? respellings[i]!.word} as ${change.say ?? respellings[i]!.say}`,
    );
  function add(event: Event) {
    event.preventDefault();
    if (respellings.some((r) => r.word.toLowerCase() === word.trim().toLowerCase())) {
      problem = 'This word has a spelling already.';
      return;
    }
    const added = { word: word.trim(), say: say.trim() };
    problem = set({ respellings: [...respellings, added] }, `Say ${added.word} as ${added.say}`) ?? '';
    if (!problem) word = say = '';
  }
</script>

<section class="card" aria-label="The voice">
  <h2>The voice</h2>
  <VoiceFields
    voice={voiceOf(business)}
    onchange={(voice) => set({ voice }, `Recordings are spoken in ${voice.language}`)}
  />
  <h3>Words it says wrongly</h3>
  {#each respellings as r, i (i)}
    <div class="pair">
      <EditField hideLabel label="Word {i + 1}" value={r.word} keep={(text) => setAt(i, { word: text })} />
      <EditField hideLabel label="Said as, {r.word}" value={r.say} keep={(text) => setAt(i, { say: text })} />
      <button
        class="linkish small"
        type="button"
        aria-label="Say {r.word} as it is written"
        onclick={() =>
          set({ respellings: respellings.filter((_, j) => j !== i) }, `Say ${r.word} as it is written`)}
        >Remove</button
      >
    </div>
  {/each}
  <form class="pair" onsubmit={add}>
    <TextInput
      size="sm"
      hideLabel
      labelText="A word"
      placeholder="A word: Ansel"
      bind:value={word}
      invalid={!!problem}
      invalidText={problem}
    />
    <TextInput size="sm" hideLabel labelText="Say it as" placeholder="Say it as: ann sell" bind:value={say} />
    <Button size="small" kind="ghost" type="submit">Add</Button>
  </form>
  <p class="small soft">They hold for what is spoken from now on.</p>
</section>

<style>
  h3 {
    font-size: var(--text-body);
    font-weight: 650;
    margin: 14px 0 6px;
  }
  .pair {
    display: grid;
    grid-template-columns: 1fr 1fr auto;
    gap: 8px;
    align-items: center;
    margin-bottom: 6px;
  }
</style>
