<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import { readVisit } from '../../channel/visit';
  import Visit from '$ui/visit/Visit.svelte';
  import { Visiting } from '$ui/visit/visiting.svelte';

  /** Where a call button of a site leads: a visitor sees what is offered, and nothing of the business besides. */
  const asked = (name: string) => page.url.searchParams.get(name) ?? '';
  const dial = /^\+\d{6,15}$/.exec(asked('dial'))?.[0] ?? '';
  /** So long it may take to be reached before something is said, in milliseconds. */
  const PATIENT_MS = 4000;
  let visiting = $state.raw<Visiting>();
  let late = $state(false);
  onMount(() => {
    const of = new Visiting(asked('business'), asked('button'), readVisit(location.hash));
    visiting = of;
    const timer = setTimeout(() => (late = true), PATIENT_MS);
    return () => {
      clearTimeout(timer);
      of.close();
    };
  });
  const seen = $derived(visiting?.seen);
</script>

<svelte:head><title>{seen?.business ?? 'Call'}</title></svelte:head>

<div class="visit">
  {#if visiting && seen}
    <Visit {visiting} {seen} />
  {:else if seen === null || late || visiting?.cut}
    <h1>Not reachable from here</h1>
    <p role="status">
      {seen === null
        ? 'This page does not lead anywhere just now.'
        : visiting?.cut || 'Nobody is reached just now. It is tried again by itself.'}
    </p>
    {#if dial}<p>You can dial <a href="tel:{dial}">{dial}</a>.</p>{/if}
  {:else}<p role="status">One moment…</p>{/if}
</div>

<style>
  .visit {
    max-width: 480px;
    margin: 0 auto;
    padding: 20px 16px 60px;
    min-height: 100vh;
  }
</style>
