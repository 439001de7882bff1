<script lang="ts">
  import { Button, ProgressBar } from 'carbon-components-svelte';
  import { page } from '$app/state';
  import { closedBecause, tallyOf } from '$core/call-lists';
  import Outcomes from '$ui/by-itself/Outcomes.svelte';
  import Working from '$ui/by-itself/Working.svelte';
  import { momentText } from '$ui/format';
  import { theBusiness } from '$ui/window/session.svelte';
  import { changeCallList } from '$workspace';

  const list = $derived(theBusiness().view.callLists.find((l) => l.id === page.params.list));
  const entries = $derived(
    theBusiness()
      .view.listed.filter((e) => e.listId === list?.id)
      .toSorted((a, b) => a.order - b.order),
  );
  const tally = $derived(list && tallyOf(entries, list));
  const closed = $derived(list ? closedBecause(list, theBusiness().today) : '');
  const STATES = {
    waits: 'waits',
    taken: 'is before',
    done: 'done',
    never: 'wants no calls',
    'left out': 'left out',
  } as const;
  const STEP = 100;
  let most = $state(STEP);
  async function rest(rests: boolean) {
    const done = await changeCallList(theBusiness().workspace, list!.id, { rests });
    if (!done.ok) return theBusiness().say({ kind: 'error', title: done.message });
    theBusiness().sayDone(
      { kind: 'info', title: rests ? 'The list rests' : 'The list goes on' },
      async () => void (await changeCallList(theBusiness().workspace, list!.id, { rests: !rests })),
    );
  }
  const outcome = (id: string | undefined) => list?.outcomes.find((o) => o.id === id)?.name ?? '';
</script>

<svelte:head><title>{list?.name ?? 'Call list'} · By itself · Upper Line</title></svelte:head>

{#if list && tally}
  <div class="head">
    <h1>{list.name}</h1>
    <span class="grow"></span>
    <Button size="small" kind="ghost" on:click={() => void rest(!list.rests)}
      >{list.rests ? 'Let it go on' : 'Let it rest'}</Button
    >
  </div>
  <ProgressBar
    size="sm"
    labelText="{tally.all - tally.left} of {tally.all} are through; {tally.called} were called."
    value={tally.all - tally.left}
    max={Math.max(1, tally.all)}
  />
  <div class="columns">
    {#if closed}
      <section class="card"><p class="problem" role="status">{closed}</p></section>
    {:else}
      <Working {list} />
    {/if}
    <section class="card" aria-label="What came of it">
      <h2>What came of it</h2>
      <ul>
        {#each tally.by as { outcomeId, n } (outcomeId)}<li>{outcome(outcomeId)}: <b>{n}</b></li>{/each}
        {#if tally.leftOut}<li>left out: <b>{tally.leftOut}</b></li>{/if}
      </ul>
      {#each tally.who as { name, n } (name)}<p class="small soft">{name}: {n} calls</p>{/each}
    </section>
  </div>
  <Outcomes {list} />
  <table aria-label="Who is on it">
    <thead><tr><th>Name</th><th>Number</th><th>How it stands</th><th>The last call</th></tr></thead>
    <tbody>
      {#each entries.slice(0, most) as e (e.id)}
        <tr data-testid="listed">
          <td>{e.name}</td>
          <td>{theBusiness().number(e.number)}</td>
          <td
            >{STATES[e.state]}{e.state === 'taken' ? ` ${e.takenBy}` : ''}{e.from && e.state === 'waits'
              ? `, from ${momentText(e.from, theBusiness().zone)}`
              : ''}{e.why ? `: ${e.why}` : ''}</td
          >
          <td
            >{#if e.calls.length}{@const last = e.calls.at(-1)!}{outcome(last.outcomeId)}, {momentText(
                last.at,
                theBusiness().zone,
              )}, {last.by}{last.note ? `: ${last.note}` : ''}{/if}</td
          >
        </tr>
      {/each}
    </tbody>
  </table>
  {#if entries.length > most}
    <p class="small">
      {most} of {entries.length} are shown.
      <Button size="small" kind="ghost" on:click={() => (most += STEP)}>Show more</Button>
    </p>
  {/if}
{:else}
  <h1>There is no such list</h1>
  <p><a href="/by-itself/lists">To the lists</a></p>
{/if}

<style>
  .head {
    display: flex;
    gap: 12px;
    align-items: baseline;
  }
  .grow {
    flex: 1;
  }
  .columns {
    display: grid;
    grid-template-columns: minmax(0, 1.6fr) minmax(0, 1fr);
    gap: 16px;
    margin: 12px 0;
  }
  ul {
    padding-left: 18px;
  }
  table {
    width: 100%;
    border-collapse: collapse;
    font-size: var(--text-body);
  }
  th,
  td {
    text-align: left;
    padding: 5px 12px 5px 0;
    border-bottom: 1px solid var(--rule);
    overflow-wrap: anywhere;
    vertical-align: top;
  }
  @media (max-width: 1000px) {
    .columns {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
