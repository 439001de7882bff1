<script lang="ts">
  import { page } from '$app/state';
  import { devicesIn } from '$workspace';
  import { theBusiness } from '../../window/session.svelte';

  /** On every page: a device waits for somebody's word, or was suspended. */
  const waiting = $derived(
    theBusiness().may('change the system')
      ? devicesIn(theBusiness().view.devices).filter((d) => d.state === 'asks' || d.state === 'suspended')
      : [],
  );
  const first = $derived(waiting[0]);
</script>

{#if first && page.url.pathname !== '/phones/devices'}
  <p role="status" data-testid="asks-in">
    {#if first.state === 'asks'}<b>{first.name}</b> asks to be a phone of yours.{:else}<b>{first.name}</b> is suspended:
      its link was used a second time.{/if}
    {#if waiting.length > 1}So do {waiting.length - 1} more.{/if}
    <a href="/phones/devices">Look at it</a>
  </p>
{/if}

<style>
  p {
    margin: 0;
    /* Under the head and what was said, and in sight wherever one reads. */
    position: sticky;
    top: calc(108px + var(--alarm-height, 0px));
    z-index: 24;
    padding: 8px 24px;
    background: var(--copper-wash);
    border-bottom: 1px solid var(--copper);
  }
</style>
