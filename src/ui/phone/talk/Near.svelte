<script lang="ts">
  import type { Near } from '$core/phone';
  import { durationText } from '../../format';
  import type { PhoneDesk } from '../desk.svelte';
  import TakeButton from './TakeButton.svelte';

  /**
   * Calls that ring at colleagues of one's groups, those that wait in slots, one's own on another phone, and messages that are
   * being left.
   */
  let { desk, onfetch }: { desk: PhoneDesk; onfetch: (slot: string) => void } = $props();
  const IS: Record<Near['is'], string> = {
    rings: 'rings',
    waits: 'waits',
    mine: 'talks with you',
    speaks: 'speaks',
    'listened to': 'is heard as they speak',
  };
  const VERB: Record<Near['is'], string> = {
    rings: 'Pick up',
    waits: 'Fetch',
    mine: 'Take it here',
    speaks: 'Listen',
    'listened to': 'Take the call',
  };
  function take({ id: callId, is, slot }: Near) {
    const { phoneId: phone } = desk;
    switch (is) {
      case 'waits':
        return onfetch(slot ?? '');
      case 'mine':
        return void desk.act({ kind: 'take over', callId, phone });
      case 'speaks':
        return void desk.act({ kind: 'listen in', callId, phone });
      case 'rings':
      case 'listened to':
        return void desk.act({ kind: 'pick up', callId, phone });
    }
  }
</script>

{#each desk.going.near as call (call.id)}
  <p class="near" class:two={call.is === 'listened to'} data-testid="near">
    <span
      ><b>{call.name}</b>
      {IS[call.is]}
      {call.where}, {durationText(desk.now - call.since)}</span
    >
    {#if call.is === 'listened to'}
      <TakeButton
        onclick={() => void desk.act({ kind: 'listen no longer', callId: call.id, phone: desk.phoneId })}
        >Listen no longer</TakeButton
      >
    {/if}
    <TakeButton onclick={() => take(call)}>{VERB[call.is]}</TakeButton>
  </p>
{/each}

<style>
  .near {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    justify-content: space-between;
    gap: 10px;
    margin: 0 0 8px;
    padding: 4px 0 4px 12px;
    border-left: 3px solid var(--group);
    background: var(--sheet);
  }
  .near span {
    flex: 1 1 12ch;
    overflow-wrap: anywhere;
  }
  .near.two {
    justify-content: flex-start;
  }
  .near.two span {
    flex-basis: 100%;
  }
</style>
