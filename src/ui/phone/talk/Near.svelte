<script lang="ts">
  import type { Near } from '$core/phone';

  /** Calls that ring at colleagues of one's groups, those that wait in slots, and one's own on another phone. */
  let {
    near,
    onpickup,
    onfetch,
    ontake,
  }: {
    near: readonly Near[];
    onpickup: (callId: string) => void;
    onfetch: (slot: string) => void;
    ontake: (callId: string) => void;
  } = $props();
  const IS = { rings: 'rings', waits: 'waits', mine: 'talks with you' };
  const VERB = { rings: 'Pick up', waits: 'Fetch', mine: 'Take it here' };
</script>

{#each near as call (call.id)}
  <p class="near" data-testid="near">
    <span
      ><b>{call.name}</b>
      {IS[call.is]}
      {call.where}</span
    >
    <button
      type="button"
      onclick={() =>
        call.slot ? onfetch(call.slot) : call.is === 'mine' ? ontake(call.id) : onpickup(call.id)}
      >{VERB[call.is]}</button
    >
  </p>
{/each}

<style>
  .near {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 10px;
    margin: 0 0 8px;
    padding: 4px 0 4px 12px;
    border-left: 3px solid var(--group);
    background: var(--sheet);
  }
  button {
    min-height: 44px;
    min-width: 92px;
    border: 1px solid var(--rule);
    background: var(--sheet);
    color: var(--ink);
    font: inherit;
    font-weight: 600;
    cursor: pointer;
  }
</style>
