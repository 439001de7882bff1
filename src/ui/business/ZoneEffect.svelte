<script lang="ts">
  import { InlineLoading } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import type { Differences } from '$core/coverage';
  import { localTime, writeTime } from '$core/hours';
  import { applyEdit, type Edit } from '$core/system';
  import { CoverageClient } from '../coverage/client';
  import { count } from '../format';
  import { theBusiness } from '../window/session.svelte';

  /** What another time zone of the business does to hours and callers, before it is done. */
  let { edit, timeZone }: { edit: Edit; timeZone: string } = $props();
  const system = $derived(theBusiness().system);
  const own = $derived(Object.values(system.hours).filter((h) => h.timeZone === null));
  const clock = (zone: string) => writeTime(Math.floor(localTime(zone, theBusiness().minute).minute));

  const client = new CoverageClient();
  onDestroy(() => client.stop());
  let differ = $state.raw<Differences | null>(null);
  let failed = $state(false);
  $effect(() => {
    differ = null;
    failed = false;
    const applied = applyEdit(system, edit);
    if (!applied.ok) return;
    const [before, after, standing, moment] = [
      system,
      applied.system,
      theBusiness().standing,
      theBusiness().minute,
    ];
    void client
      .ask((w) => w.differences(before, after, standing, moment) as Promise<Differences>)
      .then((found) => {
        if (found) differ = found;
      })
      .catch(() => (failed = true));
  });
  const MOST = 6;
</script>

<div class="effect" data-testid="zone-effect" aria-live="polite">
  <p>
    {own.length
      ? `${count(own.length, 'set of hours', 'sets of hours')} keep their times and go by the new clock: ${own.map((h) => h.name).join(', ')}.`
      : 'No hours go by the clock of the business.'} Where it was {clock(system.business.timeZone)}, it is
    {clock(timeZone)}.
  </p>
  <h3>What callers get then</h3>
  {#if failed}
    <p class="warn">What it does to callers could not be worked out.</p>
  {:else if !differ}
    <InlineLoading description="What differs is worked out" />
  {:else}
    <ul>
      {#each differ.week.slice(0, MOST) as d (`${d.numberId} ${d.caller} ${d.when} ${d.before} ${d.after}`)}
        <li><b>{d.label}{d.caller && `, ${d.caller}`}, {d.when}:</b> {d.after}</li>
      {:else}<li>Nothing differs in the coming week.</li>{/each}
    </ul>
    {#if differ.week.length > MOST}<p class="soft">
        and {differ.week.length - MOST} more: Changes shows them all before it goes in force.
      </p>{/if}
    {#each differ.left as words (words)}<p class="warn">{words}</p>{/each}
  {/if}
</div>

<style>
  .effect {
    margin-top: 12px;
    font-size: var(--text-body);
  }
  h3 {
    font-size: var(--text-body);
    font-weight: 650;
    margin: 8px 0 4px;
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  li {
    border-left: 3px solid var(--rule);
    padding: 2px 0 4px 10px;
    margin-bottom: 6px;
  }
</style>
