<script lang="ts">
  import { Button, Select } from 'carbon-components-svelte';
  import type { Outcome } from '$core/call-lists';
  import { changeCallList, type CallListRecord } from '$workspace';
  import EditField from '../fields/EditField.svelte';
  import SecondsField from '../fields/SecondsField.svelte';
  import SelectItem from '../fields/SelectItem.svelte';
  import { freshId } from '../ids';
  import { theBusiness } from '../window/session.svelte';

  /** How calls of a list can end, in own words, and what follows. */
  let { list }: { list: CallListRecord } = $props();
  const FOLLOWS: Record<Outcome['then'], string> = {
    done: 'they are done',
    again: 'they are called again',
    never: 'nobody calls them any more',
    task: 'somebody has a task',
  };
  let problem = $state('');
  async function put(outcomes: Outcome[], words: string) {
    const done = await changeCallList(theBusiness().workspace, list.id, { outcomes });
    problem = done.ok ? '' : done.message;
    if (!done.ok) return;
    const { outcomes: was } = done.was;
    theBusiness().sayDone({ kind: 'info', title: `${list.name}: ${words}` }, async () => {
      await changeCallList(theBusiness().workspace, list.id, { outcomes: was });
    });
  }
  const set = (i: number, change: Partial<Outcome>, words: string) =>
    void put(
      list.outcomes.map((o, j) => (i === j ? { ...o, ...change } : o)),
      words,
    );
</script>

<details>
  <summary>How a call can end</summary>
  {#each list.outcomes as o, i (o.id)}
    <div class="line" role="group" aria-label={o.name}>
      <EditField
        label="Name"
        value={o.name}
        keep={(name) => {
          if (!name) return 'Give it a name.';
          set(i, { name }, `“${name}”`);
          return undefined;
        }}
      />
      <Select
        size="sm"
        labelText="Then"
        selected={o.then}
        on:update={(e) => {
          if (e.detail !== o.then) set(i, { then: e.detail as Outcome['then'] }, 'what follows');
        }}
      >
        {#each Object.entries(FOLLOWS) as [then, says] (then)}<SelectItem value={then} text={says} />{/each}
      </Select>
      {#if o.then === 'again' || o.then === 'task'}
        <SecondsField
          label="Days"
          what="days"
          value={o.days}
          min={0}
          max={365}
          narrow
          onchange={(days) => {
            set(i, { days }, 'the days');
            return undefined;
          }}
        />
      {:else}<span></span>{/if}
      <button
        class="linkish small"
        type="button"
        aria-label="Remove {o.name}"
        onclick={() =>
          void put(
            list.outcomes.filter((x) => x !== o),
            'an outcome fewer',
          )}>Remove</button
      >
    </div>
  {/each}
  <Button
    size="small"
    kind="ghost"
    on:click={() =>
      void put(
        [...list.outcomes, { id: freshId('outcome'), name: 'Another way', then: 'done', days: 0 }],
        'an outcome more',
      )}>Add one</Button
  >
  {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
</details>

<style>
  .line {
    display: grid;
    grid-template-columns: 280px 260px 140px auto;
    justify-content: start;
    gap: 10px;
    align-items: end;
    padding: 4px 0;
  }
</style>
