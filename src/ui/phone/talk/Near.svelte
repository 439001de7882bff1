<script lang="ts">
  import type { Near } from '$core/phone';

  /** Calls that ring at colleagues of one's groups, and those that wait in slots. */
  let {
    near,
    onpickup,
    onfetch,
  }: { near: readonly Near[]; onpickup: (callId: string) => void; onfetch: (slot: string) => void } =
    $props();
</script>

{#each near as call (call.id)}
  <p class="near" data-testid="near">
    <span
      ><b>{call.name}</b>
      {call.is === 'rings' ? 'rings' : 'waits'}
      {call.where}</span
    >
    <button type="button" onclick={() => (call.slot ? onfetch(call.slot) : onpickup(call.id))}
      >{call.slot ? 'Fetch' : 'Pick up'}</button
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
