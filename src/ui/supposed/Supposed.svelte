<script lang="ts">
  import { notPairedYet, type System } from '$core/system';
  import { count } from '../format';
  import { supposed, type Place } from './supposed.svelte';
  import { here } from '../window/session.svelte';

  /** Which system is shown, and whether as if everybody had paired or as it is now, to be switched. */
  let { place, system, of }: { place: Place; system: System; of: 'the draft' | 'what is in force' } =
    $props();
  const waits = $derived(notPairedYet(system, here().standing).length);
  const is = $derived(supposed.is(place, here().standing));
</script>

<p class="small soft" data-testid="supposed-as">
  {#if waits}
    Shown for {of}, {is ? 'as if everybody had paired' : 'as it is now'}:
    <a href="/phones">{count(waits, 'phone waits', 'phones wait')}</a> to be paired.
    <button class="linkish" type="button" onclick={() => supposed.set(place, !is)}
      >{is ? 'As it is now' : 'As if everybody had paired'}</button
    >
  {:else}
    Shown for {of}.
  {/if}
</p>
