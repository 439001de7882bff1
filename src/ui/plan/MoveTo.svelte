<script lang="ts">
  import { Modal, Search } from 'carbon-components-svelte';
  import { tick, untrack } from 'svelte';
  import { spotsFor } from '$core/answering';
  import type { Plan, Step, System } from '$core/system';
  import { chosenBy } from '../chosen';
  import { moveStepTo, named } from './edits';

  /** Everywhere a step could stand, found by typing. */
  let { plan, step, system, onclose }: { plan: Plan; step: Step; system: System; onclose: () => void } =
    $props();
  // What is chosen from stays as it was opened.
  const spots = untrack(() => spotsFor(plan, step, system));
  let typed = $state('');
  let chosen = $state(0);
  let list = $state<HTMLUListElement>();
  const shown = $derived(spots.filter((s) => s.words.toLowerCase().includes(typed.trim().toLowerCase())));
  $effect(() => list?.children[chosen]?.scrollIntoView({ block: 'nearest' }));

  async function take(i: number) {
    const spot = shown[i];
    if (!spot) return;
    moveStepTo(plan, step.id, spot.place, spot.index);
    onclose();
    await tick();
    document.querySelector<HTMLElement>(`[data-focus="step-${step.id}"]`)?.focus();
  }
  function onkeydown(event: KeyboardEvent) {
    const next = chosenBy(event.key, chosen, shown.length);
    if (next !== null) chosen = next;
    else if (event.key === 'Enter') void take(chosen);
    else return;
    event.preventDefault();
  }
</script>

<Modal
  open
  passiveModal
  size="sm"
  modalHeading="Move “{named(step)}”"
  selectorPrimaryFocus="#move-to-field"
  on:close={onclose}
>
  <!-- svelte-ignore a11y_no_static_element_interactions -->
  <div {onkeydown}>
    <Search
      id="move-to-field"
      size="sm"
      labelText="Where to? Type to find a place"
      placeholder="Where to? Type to find a place"
      bind:value={typed}
      on:input={() => (chosen = 0)}
    />
    <ul bind:this={list} aria-label="Places">
      {#each shown as spot, i (`${JSON.stringify(spot.place)} ${spot.index}`)}
        <li class:chosen={i === chosen} style:padding-left="{12 + spot.depth * 18}px">
          <button type="button" aria-current={i === chosen || undefined} onclick={() => void take(i)}
            >{spot.words}</button
          >
        </li>
      {:else}<li class="soft">No place is called that.</li>{/each}
    </ul>
  </div>
</Modal>

<style>
  ul {
    list-style: none;
    margin: 8px 0 0;
    padding: 0;
    max-height: 320px;
    overflow-y: auto;
  }
  li {
    padding: 2px 12px;
  }
  li.chosen {
    background: var(--copper-wash);
  }
  button {
    border: 0;
    background: none;
    padding: 4px 0;
    color: var(--ink);
    font: inherit;
    text-align: left;
    width: 100%;
    cursor: pointer;
  }
</style>
