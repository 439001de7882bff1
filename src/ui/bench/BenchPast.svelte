<script lang="ts">
  import { Button, ProgressBar, Select } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import { isPast } from '$standins/past/past';
  import { dropPast } from '$workspace';
  import SelectItem from '../fields/SelectItem.svelte';
  import { count } from '../format';
  import { layDown, pastMaker } from '../window/past';
  import { theBusiness } from '../window/session.svelte';

  /** Lays down days of calls before now, so that the log and what is counted have something to show. */
  const DAYS = [7, 30, 90];
  let days = $state(7);
  let progress = $state<{ done: number; of: number } | null>(null);
  let said = $state('');
  let problem = $state('');
  const client = pastMaker();
  onDestroy(() => client.stop());
  /** How many calls of it there are. */
  let there = $state(0);
  $effect(() => {
    const { db, id, view } = theBusiness();
    void view.calls;
    void db
      .getAllKeysFromIndex('calls', 'business', id)
      .then((ids) => (there = ids.filter((callId) => isPast(callId)).length))
      .catch(() => {});
  });

  async function make() {
    progress = { done: 0, of: 1 };
    said = problem = '';
    try {
      const past = await layDown(theBusiness(), client, days, (done, of) => {
        if (progress) progress = { done, of };
      });
      if (!past) return (said = 'Stopped; nothing was laid down.');
      said = past.calls.length
        ? `${count(past.calls.length, 'call')} and ${count(past.messages.length, 'message')} stand in the log, and ${count(past.texts.length, 'text')}.`
        : 'No number of yours leads to a plan in force: nobody can have called.';
    } catch (error) {
      problem = error instanceof Error ? error.message : String(error);
    } finally {
      progress = null;
    }
  }
  async function clear() {
    try {
      const { db, id, workspace } = theBusiness();
      const gone = await dropPast(db, id, isPast);
      await workspace.changed('calls', 'messages', 'texts');
      said = `${count(gone, 'entry', 'entries')} of it went for good.`;
    } catch (error) {
      problem = error instanceof Error ? error.message : String(error);
    }
  }
</script>

<h3>A past to look at</h3>
<p class="small">
  Calls of the days before now, worked out from what is in force: who called, who answered and what was left
  is invented, and the same each time.
</p>
<div class="row">
  <Select
    size="sm"
    hideLabel
    labelText="How many days"
    selected={String(days)}
    on:update={(e) => (days = Number(e.detail))}
  >
    {#each DAYS as d (d)}<SelectItem value={String(d)} text="{d} days" />{/each}
  </Select>
  <Button size="small" disabled={progress !== null} on:click={() => void make()}>Lay it down</Button>
  {#if there}<Button size="small" kind="ghost" disabled={progress !== null} on:click={() => void clear()}
      >Take it away</Button
    >{/if}
</div>
{#if progress}
  <ProgressBar
    size="sm"
    max={progress.of}
    {...progress.done ? { value: progress.done } : {}}
    labelText="Calls are worked out"
    helperText={progress.done ? `${progress.done} of ${progress.of}` : ''}
  />
  <Button size="small" kind="ghost" on:click={() => client.stop()}>Stop</Button>
{/if}
<p role="status" class="small">{said}</p>
{#if problem}<p role="alert" class="small problem">{problem}</p>{/if}

<style>
  h3 {
    margin: 26px 0 6px;
    font-size: var(--text-body);
  }
  p {
    margin: 0 0 10px;
  }
  .row {
    display: flex;
    gap: 8px;
    align-items: center;
    margin-bottom: 8px;
  }
  .row :global(.bx--form-item) {
    flex: 0 0 110px;
  }
  .problem {
    color: var(--alarm);
  }
</style>
