<script lang="ts">
  import { Checkbox, Select } from 'carbon-components-svelte';
  import type { TaskChange } from '$core/followups';
  import { changeTask, dropTask, type TaskRecord } from '$workspace';
  import SelectItem from '../fields/SelectItem.svelte';
  import { byWhom, dateText, momentText } from '../format';
  import AnswerBack from '../messages/AnswerBack.svelte';
  import { theBusiness } from '../window/session.svelte';
  import { otherInWords } from './doing';

  let { task, today }: { task: TaskRecord; today: string } = $props();
  const people = $derived(Object.values(theBusiness().system.people));
  const late = $derived(task.doneAt === undefined && task.by !== null && task.by < today);

  async function change(to: TaskChange, words: string) {
    const done = await changeTask(theBusiness().workspace, task.id, to);
    if (!done.ok) return theBusiness().say({ kind: 'error', title: done.message });
    theBusiness().sayDone({ kind: 'info', title: words }, () => done.back(theBusiness().workspace));
  }
  async function remove() {
    const back = await dropTask(theBusiness().workspace, task.id);
    theBusiness().sayDone({ kind: 'info', title: `Removed: ${task.text}`.slice(0, 90) }, () =>
      back(theBusiness().workspace),
    );
  }
</script>

<li class="card" data-testid="task" class:done={task.doneAt !== undefined}>
  <div class="top">
    <Checkbox
      labelText={task.text}
      checked={task.doneAt !== undefined}
      on:check={(e) => {
        if (e.detail !== (task.doneAt !== undefined))
          void change({ done: e.detail }, e.detail ? 'The task is done' : 'The task is not done');
      }}
    />
    <span class="grow"></span>
    {#if task.doneAt !== undefined}
      <span class="small soft"
        >done {momentText(task.doneAt, theBusiness().zone)} by {byWhom(task.doneBy)}</span
      >
    {:else if task.by}
      <span class="small" class:late>{late ? 'was for' : 'for'} {dateText(task.by)}</span>
    {/if}
  </div>
  <div class="more">
    <Select
      size="sm"
      inline
      labelText="Whose"
      selected={task.personId ?? ''}
      on:update={(e) => {
        const personId = String(e.detail) || null;
        if (personId !== task.personId)
          void change(
            { personId },
            `The task is for ${people.find((p) => p.id === personId)?.name ?? 'anybody'}`,
          );
      }}
    >
      <SelectItem value="" text="anybody" />
      {#each people as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
    </Select>
    <span class="small soft">from {task.from}, {momentText(task.at, theBusiness().zone)}</span>
    {#if task.other}<span class="small">{otherInWords(task.other)}</span>{/if}
    <button
      class="linkish small"
      type="button"
      aria-label="Remove the task {task.text}"
      onclick={() => void remove()}>Remove</button
    >
  </div>
  {#if task.other && task.callBack && task.doneAt === undefined}
    <AnswerBack number={task.other} answered={() => change({ done: true }, 'The task is done')} />
  {/if}
</li>

<style>
  .top,
  .more {
    display: flex;
    gap: 14px;
    align-items: center;
    flex-wrap: wrap;
    overflow-wrap: anywhere;
  }
  .grow {
    flex: 1;
  }
  .done {
    opacity: 0.85;
  }
  .late {
    color: var(--alarm);
    font-weight: 600;
  }
</style>
