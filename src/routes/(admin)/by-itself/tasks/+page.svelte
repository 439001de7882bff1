<script lang="ts">
  import { Button, Select, TextInput } from 'carbon-components-svelte';
  import { tick } from 'svelte';
  import { localTime } from '$core/hours';
  import TaskRow from '$ui/by-itself/TaskRow.svelte';
  import SelectItem from '$ui/fields/SelectItem.svelte';
  import WhenField from '$ui/fields/WhenField.svelte';
  import { saveText } from '$ui/files/download';
  import { Remembered } from '$ui/remembered.svelte';
  import { theBusiness } from '$ui/window/session.svelte';
  import { addTask } from '$workspace';

  const ANYBODY = '-';
  const today = $derived(localTime(theBusiness().zone, theBusiness().minute).date);
  const people = $derived(Object.values(theBusiness().system.people));
  const all = $derived(theBusiness().view.tasks);
  let whose = $state('');
  let shown = $state<'open' | 'done'>('open');
  const found = $derived(
    all
      .filter((t) => (t.doneAt !== undefined) === (shown === 'done'))
      .filter((t) => !whose || (t.personId ?? ANYBODY) === whose)
      .sort((a, b) =>
        shown === 'done'
          ? (b.doneAt ?? 0) - (a.doneAt ?? 0)
          : (a.by ?? '9').localeCompare(b.by ?? '9') || a.at - b.at,
      ),
  );
  async function save() {
    const { writeTasks } = await import('$core/formats/ical');
    const tasks = found.map(({ id, text, at, by, doneAt, other, personId, from }) => ({
      id,
      text,
      at,
      by,
      doneAt,
      note: [
        other ? theBusiness().number(other) : '',
        `For ${theBusiness().system.people[personId ?? '']?.name ?? 'anybody'}`,
        `From ${from}`,
      ]
        .filter(Boolean)
        .join('\n'),
    }));
    saveText('tasks.ics', 'text/calendar', writeTasks(tasks, theBusiness().minute));
  }
  const STEP = 100;
  let most = $state(STEP);
  const typed = new Remembered(`task ${theBusiness().id}`, { text: '', personId: '', by: '' });
  let problem = $state<{ field?: string; message: string } | null>(null);
  async function add(event: Event) {
    event.preventDefault();
    const { text, personId, by } = typed.value;
    const made = await addTask(theBusiness().workspace, { text, personId: personId || null, by: by || null });
    if (!made.ok) return (problem = made);
    problem = null;
    typed.value = { text: '', personId, by: '' };
    theBusiness().sayDone({ kind: 'success', title: 'The task is there' }, () =>
      made.back(theBusiness().workspace),
    );
    await tick();
    document.getElementById('task-text')?.focus();
  }
</script>

<svelte:head><title>Tasks · By itself · Upper Line</title></svelte:head>

<h1>Tasks</h1>
<p class="sub">
  What somebody is to do: as follow-ups make them, where something could not be done, and your own.
</p>
<form class="card" onsubmit={(e) => void add(e)} aria-label="A new task">
  <TextInput
    id="task-text"
    size="sm"
    labelText="What is to be done"
    value={typed.value.text}
    on:input={(e) => (typed.value = { ...typed.value, text: String(e.detail ?? '') })}
    invalid={problem?.field === 'text'}
    invalidText={problem?.message ?? ''}
  />
  <Select
    size="sm"
    labelText="By whom"
    selected={typed.value.personId}
    on:update={(e) => (typed.value = { ...typed.value, personId: String(e.detail) })}
  >
    <SelectItem value="" text="anybody" />
    {#each people as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
  </Select>
  <WhenField
    label="By which day"
    value={typed.value.by}
    onvalue={(by) => (typed.value = { ...typed.value, by })}
    problem={problem?.field === 'by' ? problem.message : ''}
  />
  <Button size="small" type="submit">Add it</Button>
</form>
<div class="choose">
  <Select size="sm" inline labelText="Shown" bind:selected={shown}>
    <SelectItem value="open" text="what is to be done ({all.filter((t) => t.doneAt === undefined).length})" />
    <SelectItem value="done" text="what is done ({all.filter((t) => t.doneAt !== undefined).length})" />
  </Select>
  <Select size="sm" inline labelText="Whose" bind:selected={whose}>
    <SelectItem value="" text="everybody’s" />
    <SelectItem value={ANYBODY} text="anybody’s" />
    {#each people as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
  </Select>
  {#if found.length}<button class="linkish small" type="button" onclick={() => void save()}
      >Save these as a calendar file</button
    >{/if}
</div>
{#if found.length}
  <ul aria-label="Tasks">
    {#each found.slice(0, most) as task (task.id)}<TaskRow {task} {today} />{/each}
  </ul>
  {#if found.length > most}
    <p class="small">
      {most} of {found.length} are shown.
      <Button size="small" kind="ghost" on:click={() => (most += STEP)}>Show more</Button>
    </p>
  {/if}
{:else if all.length}
  <p class="soft">Nothing {shown === 'open' ? 'is left to do' : 'was done yet'} there.</p>
{:else}
  <div class="empty">
    <h2>Nothing to do</h2>
    <p>Write down what must not be forgotten, or let a <a href="/by-itself">follow-up</a> do it.</p>
  </div>
{/if}

<style>
  form {
    display: grid;
    grid-template-columns: 2fr 1fr 1fr auto;
    gap: 12px;
    align-items: end;
  }
  .choose {
    display: flex;
    gap: 20px;
  }
  ul {
    list-style: none;
    padding: 0;
    margin: 10px 0;
  }
  @media (max-width: 900px) {
    form {
      grid-template-columns: 1fr;
    }
  }
</style>
