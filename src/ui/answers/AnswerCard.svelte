<script lang="ts">
  import type { OwnAnswer } from '$core/system';
  import EditField from '../fields/EditField.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** A question that callers ask, other ways to ask it, and what they are told. */
  let { answer, found = false }: { answer: OwnAnswer; found?: boolean } = $props();
  const set = (change: Partial<Omit<OwnAnswer, 'id'>>, words: string) =>
    theBusiness().keep(words, [{ do: 'own answer.set', id: answer.id, change }]);
  const lines = (text: string) =>
    text
      .split('\n')
      .map((line) => line.trim())
      .filter(Boolean);
  function remove() {
    theBusiness().edit(`Removed: ${answer.name}`, [{ do: 'own answer.remove', id: answer.id }]);
    document.getElementById('question-new')?.focus();
  }
</script>

<article class="card" id={answer.id} class:found aria-label={answer.name}>
  <div class="two">
    <EditField label="Question" value={answer.name} keep={(name) => set({ name }, `Question: ${name}`)} />
    <EditField
      label="Other ways to ask it, a line each"
      value={answer.also.join('\n')}
      many
      keep={(text) => set({ also: lines(text) }, `Other ways to ask: ${answer.name}`)}
    />
    <div class="wide">
      <EditField
        label="Callers are told"
        value={answer.says}
        many
        keep={(says) => set({ says }, `Answer: ${answer.name}`)}
      />
    </div>
  </div>
  <button class="linkish small" type="button" aria-label="Remove: {answer.name}" onclick={remove}
    >Remove</button
  >
</article>

<style>
  .two {
    display: grid;
    grid-template-columns: repeat(2, minmax(0, 1fr));
    gap: 8px 16px;
  }
  .wide {
    grid-column: 1 / -1;
  }
  .found {
    outline: 2px solid var(--accent, var(--rule));
  }
  @media (max-width: 700px) {
    .two {
      grid-template-columns: 1fr;
    }
  }
</style>
