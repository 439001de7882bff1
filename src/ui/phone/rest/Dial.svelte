<script lang="ts">
  import type { Where } from '$core/phone';
  import { isLinked, type System } from '$core/system';
  import type { PhoneDesk } from '../desk.svelte';
  import type { Placing } from '../placing.svelte';
  import CallField from '../talk/CallField.svelte';
  import Lines from '../talk/Lines.svelte';
  import Near from '../talk/Near.svelte';
  import Wanted from '../talk/Wanted.svelte';

  /** Calling somebody: whom, what from, and what became of the last one. */
  interface Props {
    desk: PhoneDesk;
    system: System;
    where: Where;
    placing: Placing;
    /** A number that a link asks to call; asked again it counts up. */
    given: { to: string; n: number };
    /** How the last call ended where nobody took it, and the colleague it was placed to. */
    ended: string;
    missed: string | null;
  }
  let { desk, system, where, placing, given, ended, missed }: Props = $props();
  const { phoneId } = $derived(desk);
  const others = $derived(
    Object.values(system.phones).filter(
      (p) => p.personId === where.phone.personId && p.id !== phoneId && !isLinked(p),
    ),
  );
</script>

{#key given.n}
  <CallField
    {where}
    presence={desk.going.presence}
    what="call"
    label="Call a name, extension or number"
    typed={given.to.replace(/^tel:/i, '').replace(/;.*$/, '')}
    takes={given.to !== ''}
    onchoose={placing.call}
  />
{/key}
{#if placing.asked}
  {@const { callee, shows } = placing.asked}
  <div class="asked" role="group" aria-label="Call {callee.name} from">
    <p>Call {callee.name} from</p>
    <button type="button" onclick={() => placing.place(callee, shows)}>This window</button>
    {#each others as p (p.id)}
      <button type="button" onclick={() => placing.place(callee, shows, p.id)}
        >My {p.name.toLowerCase()}</button
      >
    {/each}
    <button type="button" onclick={() => (placing.asked = null)}>Leave it</button>
  </div>
{/if}
{#if ended}<p role="status" data-testid="call-ended">{ended}</p>{/if}
<Wanted {desk} {system} {missed} />
<Lines {desk} oncall={(callee) => placing.call(callee)} />
<Near {desk} onfetch={(slot) => placing.dial(slot)} />

<style>
  .asked {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    margin-bottom: 10px;
  }
  .asked p {
    flex-basis: 100%;
    margin: 0;
  }
  .asked button {
    min-height: 44px;
    padding: 0 14px;
    border: 1px solid var(--rule);
    background: var(--sheet);
    color: var(--ink);
    font: inherit;
    cursor: pointer;
  }
</style>
