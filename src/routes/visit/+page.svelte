<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import Visit from '$ui/visit/Visit.svelte';
  import { session } from '$ui/window/session.svelte';

  /** Where a call button of a site leads: a visitor sees what is offered, and nothing of the business besides. */
  const asked = (name: string) => page.url.searchParams.get(name) ?? '';
  const dial = /^\+\d{6,15}$/.exec(asked('dial'))?.[0] ?? '';
  onMount(() => {
    void session.start(
      () => {
        throw new Error('There is nothing here.');
      },
      asked('business') || 'none',
    );
  });
  const button = $derived(session.business?.view.inForce.system.buttons[asked('button')]);
</script>

<svelte:head><title>{session.business?.view.inForce.system.business.name ?? 'Call'}</title></svelte:head>

<div class="visit">
  {#if session.trouble || (session.business && !button)}
    <h1>Not reachable from here</h1>
    <p>This page does not lead anywhere just now.</p>
    {#if dial}<p>You can dial <a href="tel:{dial}">{dial}</a>.</p>{/if}
  {:else if session.business && button}<Visit {button} />{/if}
</div>

<style>
  .visit {
    max-width: 480px;
    margin: 0 auto;
    padding: 20px 16px 60px;
    min-height: 100vh;
  }
</style>
