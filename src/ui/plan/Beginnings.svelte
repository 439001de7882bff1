<script lang="ts">
  import { BEGINNINGS, type Beginning } from '$core/answering';
  import type { Plan, System } from '$core/system';
  import { freshId } from '../ids';
  import { theBusiness } from '../window/session.svelte';

  /** Starting points for a plan that has no steps yet. */
  let { plan, system }: { plan: Plan; system: System } = $props();

  const begin = (b: Beginning) =>
    theBusiness().edit(
      `${plan.name} begins as “${b.name}”`,
      b.make(system, plan, { today: theBusiness().today, freshId }),
      { withNotice: true },
    );
</script>

<div class="begin">
  <h2>Begin with one of these, or add a step below</h2>
  <ul>
    {#each BEGINNINGS as b (b.id)}
      {@const lacks = b.lacks(system)}
      <li>
        <button type="button" disabled={lacks !== ''} onclick={() => begin(b)}>{b.name}</button>
        <span
          >{b.says}{#if lacks}&nbsp;<em>It needs {lacks} first.</em>{/if}</span
        >
      </li>
    {/each}
  </ul>
</div>

<style>
  .begin {
    padding: 10px 20px 4px;
  }
  h2 {
    font-size: var(--text-lead);
    margin: 0 0 6px;
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  li {
    display: grid;
    grid-template-columns: 160px 1fr;
    gap: 14px;
    padding: 6px 0;
    border-top: 1px solid var(--rule);
    font-size: var(--text-body);
  }
  button {
    align-self: start;
    text-align: left;
    border: 1px solid var(--copper);
    background: var(--sheet);
    color: var(--copper);
    font: inherit;
    font-weight: 600;
    padding: 5px 10px;
    cursor: pointer;
  }
  button:disabled {
    border-color: var(--rule);
    color: var(--ink-soft);
    cursor: default;
  }
</style>
