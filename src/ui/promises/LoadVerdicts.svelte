<script lang="ts">
  import { loadPromiseInWords, shareInWords, type LoadVerdict } from '$core/staffing';
  import type { LoadHeld } from './load-held.svelte';

  /** Promises about load with what they came to, or how far that is. */
  interface Props {
    held: LoadHeld;
    /** Takes one away; without it none is. */
    ondrop?: (id: string) => void;
  }
  let { held, ondrop }: Props = $props();
  const said = (verdict: LoadVerdict | undefined): string => {
    if (!verdict) return held.busy ? 'being held against a usual week' : 'not held yet';
    const { is, estimate } = verdict;
    switch (is) {
      case 'kept':
        return `kept: ${shareInWords(estimate!)}`;
      case 'broken':
        return `broken: ${shareInWords(estimate!)}`;
      case 'too close':
        return `too close to say: ${shareInWords(estimate!)}`;
      case 'nobody calls':
        return 'nobody calls then';
    }
  };
</script>

<ul data-testid="load-promises">
  {#each held.promises as promise (promise.id)}
    {@const verdict = held.verdicts.get(promise.id)}
    <li class:broken={verdict?.is === 'broken'}>
      <span>{loadPromiseInWords(promise)}.</span>
      <b>{said(verdict)}</b>
      {#if ondrop}
        <button class="linkish small" type="button" onclick={() => ondrop(promise.id)}>Take it away</button>
      {/if}
    </li>
  {/each}
</ul>
{#if held.busy}
  <p class="soft small" role="status">
    {held.of ? `${held.done} of ${held.of} weeks` : 'The log is gone through'}
    <button class="linkish" type="button" onclick={() => held.stop()}>Stop</button>
  </p>
{/if}
{#if held.problem}<p class="small" role="status">{held.problem}</p>{/if}

<style>
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  li {
    padding: 6px 0;
  }
  .broken b {
    color: var(--alarm);
  }
</style>
