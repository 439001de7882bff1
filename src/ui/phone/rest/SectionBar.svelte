<script lang="ts">
  import { SECTIONS, type Section } from './sections';

  /** The sections of a phone: below, within a thumb's reach, on a small one; above on a desk. */
  interface Props {
    section: Section;
    /** How many of something new or waiting stand in a section. */
    counts: Partial<Record<Section, { n: number; words: string }>>;
    wide: boolean;
    onopen: (section: Section) => void;
  }
  let { section, counts, wide, onopen }: Props = $props();
</script>

<nav class:wide aria-label="Sections of the phone">
  {#each Object.entries(SECTIONS) as [id, name] (id)}
    {@const waits = counts[id as Section]}
    <button
      type="button"
      class:here={id === section}
      aria-current={id === section ? 'page' : undefined}
      onclick={() => onopen(id as Section)}
    >
      {name}{#if waits?.n}<span class="n" aria-hidden="true">{waits.n}</span><span class="visually-hidden"
          >, {waits.n}
          {waits.words}</span
        >{/if}
    </button>
  {/each}
</nav>

<style>
  nav {
    position: fixed;
    inset: auto 0 0;
    z-index: 5;
    display: flex;
    background: var(--sheet);
    border-top: 1px solid var(--rule);
    padding-bottom: env(safe-area-inset-bottom);
  }
  nav.wide {
    position: static;
    gap: 18px;
    padding: 0 18px;
    border-top: 0;
    border-bottom: 1px solid var(--rule);
  }
  button {
    position: relative;
    flex: 1;
    min-width: 0;
    min-height: 52px;
    padding: 4px 2px;
    border: 0;
    border-top: 3px solid transparent;
    background: none;
    color: var(--ink);
    font: inherit;
    font-size: var(--text-small);
    cursor: pointer;
  }
  .wide button {
    flex: none;
    min-height: 44px;
    font-size: var(--text-body);
    border-top: 0;
    border-bottom: 3px solid transparent;
  }
  button.here {
    border-color: var(--copper);
    font-weight: 650;
  }
  /* Above the word where there is no room beside it. */
  .n {
    position: absolute;
    top: 1px;
    left: 50%;
    translate: -50%;
    padding: 0 5px;
    line-height: 1.3;
    background: var(--copper);
    color: var(--sheet);
    font-weight: 650;
  }
  .wide .n {
    position: static;
    translate: none;
    margin-left: 4px;
  }
</style>
