<script lang="ts">
  import { Button, ProgressBar } from 'carbon-components-svelte';
  import { changeRound, type RoundRecord } from '$workspace';
  import { byWhom, count, momentText } from '../format';
  import { theBusiness } from '../window/session.svelte';

  /** A round of texts: how far it is, what came of it, and its pause and end. */
  let { round }: { round: RoundRecord } = $props();
  const mine = $derived(theBusiness().view.errands.filter((e) => e.followUpId === round.id));
  const size = (state: string) => mine.filter((e) => e.state === state).length;
  const waits = $derived(size('waits'));
  const gone = $derived(mine.length - waits);
  const why = $derived.by(() => {
    const all = new Map<string, number>();
    for (const e of mine)
      if (e.state === 'failed' || e.state === 'not done')
        all.set(e.why ?? 'no reason', (all.get(e.why ?? 'no reason') ?? 0) + 1);
    return [...all].sort((a, b) => b[1] - a[1]);
  });
  const next = $derived(
    mine.reduce<number | null>((n, e) => (e.next === undefined ? n : Math.min(n ?? e.next, e.next)), null),
  );
  const change = (to: RoundRecord['state']) => void changeRound(theBusiness().workspace, round.id, to);
  let sure = $state(false);
</script>

<section class="card" aria-label={round.name} data-testid="round">
  <div class="head">
    <h3>{round.name}</h3>
    <span class="small soft"
      >from {theBusiness().number(round.from)}, started {momentText(round.at, theBusiness().zone)} by {byWhom(
        round.by,
      )}</span
    >
    <span class="grow"></span>
    {#if round.state === 'runs' && waits}
      <Button size="small" kind="tertiary" on:click={() => change('pauses')}>Pause it</Button>
    {:else if round.state === 'pauses'}
      <Button size="small" on:click={() => change('runs')}>Let it go on</Button>
    {/if}
    {#if waits && round.state !== 'called off'}
      {#if sure}
        <Button size="small" kind="danger-tertiary" on:click={() => change('called off')}
          >Call off {waits}</Button
        >
        <Button size="small" kind="ghost" on:click={() => (sure = false)}>Leave it</Button>
      {:else}
        <Button size="small" kind="ghost" on:click={() => (sure = true)}>Call it off…</Button>
      {/if}
    {/if}
  </div>
  <p>“{round.text}”</p>
  <ProgressBar
    size="sm"
    labelText={round.state === 'pauses'
      ? 'It pauses.'
      : round.state === 'called off'
        ? 'It was called off.'
        : waits
          ? `It goes: ${gone} of ${mine.length}.`
          : 'It is over.'}
    value={gone}
    max={Math.max(1, mine.length)}
    status={waits ? 'active' : 'finished'}
    helperText={next && waits && round.state === 'runs'
      ? `The next goes ${momentText(next, theBusiness().zone)}.`
      : ''}
  />
  <p class="small" data-testid="round-result">
    {size('done')} gone, {size('failed')} failed, {size('not done')} not sent, {size('withdrawn')} called off.
    {#if round.leftOut.length}{count(
        round.leftOut.reduce((n, l) => n + l.n, 0),
        'other',
      )} got nothing from the beginning.{/if}
  </p>
  {#if why.length || round.leftOut.length}
    <details class="small">
      <summary>Why not</summary>
      <ul>
        {#each why as [words, n] (words)}<li>{n}: {words}</li>{/each}
        {#each round.leftOut as { why: words, n } (words)}<li>{n}: {words}</li>{/each}
      </ul>
    </details>
  {/if}
  <a class="small" href="/by-itself/done?of={round.id}">By person</a>
</section>

<style>
  .head {
    display: flex;
    gap: 12px;
    align-items: baseline;
    flex-wrap: wrap;
  }
  .grow {
    flex: 1;
  }
  p {
    overflow-wrap: anywhere;
    max-width: 90ch;
  }
</style>
