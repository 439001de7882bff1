<script lang="ts">
  import { Button, Select } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { page } from '$app/state';
  import ErrandRow from '$ui/by-itself/ErrandRow.svelte';
  import HookSecret from '$ui/by-itself/HookSecret.svelte';
  import SelectItem from '$ui/fields/SelectItem.svelte';
  import { count } from '$ui/format';
  import { theBusiness } from '$ui/window/session.svelte';
  import { withdrawErrands, type ErrandRecord } from '$workspace';

  const STEP = 100;
  let most = $state(STEP);
  let standing = $state<ErrandRecord['state'] | ''>('');
  let of = $state(untrack(() => page.url.searchParams.get('of') ?? ''));
  const all = $derived(theBusiness().view.errands.toReversed());
  const named = $derived(new Map(all.map((e) => [e.followUpId, e.name])));
  const found = $derived(
    all.filter((e) => (!standing || e.state === standing) && (!of || e.followUpId === of)),
  );
  const size = (s: ErrandRecord['state']) => all.filter((e) => e.state === s).length;
  /** Those that wait of a follow-up that is gone, rests or is another now. */
  const orphans = $derived(
    all.filter((e) => {
      const now = theBusiness().view.inForce.system.followUps[e.followUpId];
      const isRound = theBusiness().view.rounds.some((r) => r.id === e.followUpId);
      return e.state === 'waits' && !isRound && (!now || now.rests);
    }),
  );
  async function callOff() {
    const back = await withdrawErrands(
      theBusiness().workspace,
      orphans.map((e) => e.id),
    );
    theBusiness().sayDone({ kind: 'info', title: 'They are called off' }, async () => back());
  }
</script>

<svelte:head><title>What was done · By itself · Upper Line</title></svelte:head>

<h1>What was done</h1>
<p class="sub">
  Everything that follow-ups did, will do, or could not do. It is carried out as long as a window of Upper
  Line is open, and taken up again where it was left.
</p>
{#if orphans.length}
  <div class="card orphans" role="status">
    {count(orphans.length, 'thing')}
    {orphans.length === 1 ? 'waits' : 'wait'} of a follow-up that is gone or rests, and will be done all the same.
    <Button size="small" kind="tertiary" on:click={() => void callOff()}>Call them off</Button>
  </div>
{/if}
{#if all.length}
  <div class="choose">
    <Select size="sm" labelText="What is shown" bind:selected={standing}>
      <SelectItem value="" text="everything ({all.length})" />
      <SelectItem value="waits" text="what waits ({size('waits')})" />
      <SelectItem value="done" text="what was done ({size('done')})" />
      <SelectItem value="failed" text="what failed ({size('failed')})" />
      <SelectItem value="not done" text="what was not done ({size('not done')})" />
      <SelectItem value="withdrawn" text="what was called off ({size('withdrawn')})" />
    </Select>
    <Select size="sm" labelText="Of which follow-up" bind:selected={of}>
      <SelectItem value="" text="all" />
      {#each named as [id, name] (id)}<SelectItem value={id} text={name} />{/each}
    </Select>
  </div>
  {#if found.length}
    <table aria-label="What was done">
      <thead><tr><th>Follow-up</th><th>Other side</th><th>What</th><th>How it stands</th><th></th></tr></thead
      >
      <tbody
        >{#each found.slice(0, most) as errand (errand.id)}<ErrandRow {errand} />{/each}</tbody
      >
    </table>
    {#if found.length > most}
      <p class="small">
        The newest {most} of {found.length} are shown.
        <Button size="small" kind="ghost" on:click={() => (most += STEP)}>Show more</Button>
      </p>
    {/if}
  {:else}
    <p class="soft">Nothing of that.</p>
  {/if}
{:else}
  <div class="empty">
    <h2>Nothing was done by itself yet</h2>
    <p>
      Once a <a href="/by-itself">follow-up</a> is in force, everything that it does stands here: to whom, when,
      and why not where it was not done.
    </p>
  </div>
{/if}
<HookSecret />

<style>
  .choose {
    display: flex;
    gap: 14px;
    max-width: 560px;
    margin: 10px 0;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th {
    text-align: left;
    font-size: var(--text-small);
    border-bottom: 1px solid var(--rule);
  }
  .orphans {
    display: flex;
    gap: 14px;
    align-items: center;
  }
</style>
