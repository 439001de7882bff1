<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { kindsOf, localTime, periodAt, fieldTime } from '$core/hours';
  import type { Hours } from '$core/system';
  import { momentText, momentTyped } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import { endOverride, override } from './edits';
  import WhenField from '../fields/WhenField.svelte';

  let { hours }: { hours: Hours } = $props();
  const zone = $derived(hours.timeZone ?? theBusiness().zone);
  const set = $derived(theBusiness().standing.overrides[hours.id]?.value);
  const active = $derived(
    set && set.from <= theBusiness().now && theBusiness().now < set.until ? set : undefined,
  );
  const now = $derived(periodAt(hours, theBusiness().zone, theBusiness().minute));
  let asking = $state<'close' | 'open' | null>(null);
  let until = $state('');
  let problem = $state('');

  function ask(what: 'close' | 'open') {
    const { date, minute } = localTime(zone, theBusiness().now);
    const hour = Math.min(1439, Math.ceil((minute + 60) / 30) * 30);
    until = `${date}T${fieldTime(hour)}`;
    problem = '';
    asking = what;
  }
  async function take(event: Event) {
    event.preventDefault();
    const read = momentTyped(until, zone, theBusiness().now);
    problem = read.ok ? '' : read.message;
    if (!read.ok) return;
    await override(hours, asking === 'close' ? null : (kindsOf(hours)[0] ?? 'Open'), read.at);
    asking = null;
  }
</script>

<div class="override" data-part="close now" role="group" aria-label="Now, at {hours.name}">
  {#if active}
    <b class="active" role="status"
      >{active.kind ?? 'Closed'} until {momentText(active.until, zone)}, then as written</b
    >
    <button class="linkish small" type="button" onclick={() => void endOverride(hours)}>End it now</button>
  {:else if asking}
    <form onsubmit={take}>
      <WhenField
        label={asking === 'close' ? 'Closed until' : 'Open until'}
        time
        bind:value={until}
        {problem}
      />
      <Button size="small" type="submit">{asking === 'close' ? 'Close now' : 'Stay open'}</Button>
      <Button size="small" kind="ghost" on:click={() => (asking = null)}>Leave it</Button>
    </form>
  {:else}
    <span>{now ? `Now: ${now}` : 'Now: closed'}</span>
    <button class="linkish small" type="button" onclick={() => ask('close')}>Close now until…</button>
    <button class="linkish small" type="button" onclick={() => ask('open')}
      >{now ? 'Stay open until…' : 'Open now until…'}</button
    >
  {/if}
</div>

<style>
  .override {
    display: flex;
    align-items: center;
    gap: 14px;
    flex-wrap: wrap;
  }
  .override > span {
    font-weight: 650;
  }
  .active {
    color: var(--alarm);
  }
  form {
    display: flex;
    align-items: flex-end;
    gap: 8px;
  }
</style>
