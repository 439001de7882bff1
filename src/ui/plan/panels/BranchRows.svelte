<script lang="ts" generics="B extends { steps: unknown[] }">
  import { Button } from 'carbon-components-svelte';
  import type { Snippet } from 'svelte';

  /** The branches of a step, each with its settings, to be removed; and those that can be added. */
  interface Props {
    branches: readonly B[];
    /** What a branch is called. */
    name: (branch: B, index: number) => string;
    /** What can be set of one. */
    settings?: Snippet<[B, number]>;
    /** Branches that can be added, each with what its button says. */
    missing?: readonly { says: string; branch: B }[];
    onchange: (branches: B[]) => void;
  }
  let { branches, name, settings, missing = [], onchange }: Props = $props();
</script>

{#each branches as branch, i (i)}
  <div class="branch">
    <span class="name">{name(branch, i)}</span>
    <button
      class="linkish small"
      type="button"
      aria-label="Remove the branch {name(branch, i)}"
      onclick={() => onchange(branches.filter((b) => b !== branch))}>Remove</button
    >
    {#if settings}<div class="set">{@render settings(branch, i)}</div>{/if}
  </div>
{/each}
{#each missing as { says, branch } (says)}
  <Button kind="ghost" size="small" on:click={() => onchange([...branches, branch])}>{says}</Button>
{/each}

<style>
  .branch {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 4px 10px;
    padding: 6px 0;
    border-bottom: 1px solid var(--rule);
  }
  .name {
    font-weight: 600;
    font-size: var(--text-body);
  }
  .set {
    grid-column: 1 / 3;
  }
</style>
