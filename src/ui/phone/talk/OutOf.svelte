<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import { isLinked, type Person, type System } from '$core/system';
  import { session } from '../../window/session.svelte';
  import { offerForTelLinks } from '../../tel';
  import type { OwnPhoneMemory } from '../own-phone.svelte';
  import SelectItem from '../../fields/SelectItem.svelte';

  /** What calls from this browser go out of, and whether links to numbers of any page open here. */
  let {
    own,
    person,
    system,
    phoneId,
  }: { own: OwnPhoneMemory; person: Person; system: System; phoneId: string } = $props();
  const others = $derived(
    Object.values(system.phones).filter((p) => p.personId === person.id && p.id !== phoneId && !isLinked(p)),
  );
  const { outOf } = $derived(own.value);
  function offer() {
    const asked = offerForTelLinks();
    session.say(
      asked
        ? { kind: 'info', title: 'The browser asks whether links to numbers open here' }
        : { kind: 'error', title: 'This browser cannot open links to numbers in a page' },
    );
  }
</script>

<div>
  <Select
    size="sm"
    labelText="Calls from here go out of"
    selected={typeof outOf === 'object' ? outOf.phoneId : outOf}
    on:update={(e) => {
      const v = String(e.detail);
      own.set({ outOf: v === 'window' || v === 'ask' ? v : { phoneId: v } });
    }}
  >
    <SelectItem value="window" text="this window" />
    {#each others as p (p.id)}<SelectItem
        value={p.id}
        text="my {p.name.toLowerCase()}, which rings first"
      />{/each}
    {#if others.length}<SelectItem value="ask" text="ask each time" />{/if}
  </Select>
  {#if typeof outOf === 'object'}
    <p class="soft small">
      Calls that come in are shown here without sound: they ring at your {system.phones[
        outOf.phoneId
      ]?.name.toLowerCase() ?? 'other phone'}.
    </p>
  {/if}
  <button class="linkish small" type="button" onclick={offer}>Open links to numbers of any page here</button>
</div>

<style>
  div {
    margin-bottom: 12px;
  }
  p {
    margin: 6px 0;
  }
</style>
