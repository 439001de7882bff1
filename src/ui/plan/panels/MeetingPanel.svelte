<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import type { MeetingStep, Plan, System } from '$core/system';
  import SelectItem from '../../fields/SelectItem.svelte';
  import { setStep } from '../edits';

  let { plan, step, system }: { plan: Plan; step: MeetingStep; system: System } = $props();
  const rooms = $derived(Object.values(system.rooms));
</script>

<Select
  size="sm"
  labelText="Which room"
  selected={step.roomId ?? ''}
  on:update={(e) => {
    const roomId = String(e.detail) || null;
    if (roomId !== step.roomId) setStep(plan, { ...step, roomId }, 'room');
  }}
>
  <SelectItem value="" text="Choose…" />
  {#each rooms as r (r.id)}<SelectItem value={r.id} text={r.name} />{/each}
</Select>
<p class="small soft">
  {#if rooms.length}PINs and the host stand under <a href="/answering/rooms">Meeting rooms</a>.
  {:else}<a href="/answering/rooms">Make a room first</a>.{/if}
</p>
