<script lang="ts">
  import type { System } from '$core/system';
  import { momentText } from '../../format';
  import { freshId } from '../../ids';
  import type { PhoneDesk } from '../desk.svelte';

  /** Colleagues somebody waits for to be free; and the offer of it, where the last call did not reach one. */
  let { desk, system, missed }: { desk: PhoneDesk; system: System; missed: string | null } = $props();
  const name = (id: string) => system.people[id]?.name ?? 'a colleague';
  const { wants } = $derived(desk.going);
  const offered = $derived(
    missed && system.people[missed] && !wants.some((w) => w.personId === missed) ? missed : null,
  );
</script>

{#if offered}
  <p>
    <button
      class="linkish"
      type="button"
      onclick={() =>
        void desk.act({
          kind: 'ring when free',
          id: freshId('want'),
          phone: desk.phoneId,
          personId: offered,
        })}>Ring me when {name(offered)} is free</button
    >
  </p>
{/if}
{#each wants as w (w.id)}
  <p data-testid="wanted">
    This phone rings when {name(w.personId)} is free, until {momentText(w.until, desk.zone)}.
    <button
      class="linkish"
      type="button"
      onclick={() => void desk.act({ kind: 'no longer wanted', id: w.id, phone: desk.phoneId })}
      >No longer<span class="visually-hidden">&nbsp;ring when {name(w.personId)} is free</span></button
    >
  </p>
{/each}

<style>
  p {
    margin: 0 0 8px;
  }
</style>
