<script lang="ts">
  import { Button, Select, TextInput } from 'carbon-components-svelte';
  import { renumber } from '$core/numbering';
  import { extensionsInUse, type Edit } from '$core/system';
  import { session, theBusiness } from '../../window/session.svelte';
  import SelectItem from '../../fields/SelectItem.svelte';

  /** Extensions of another length: every one shown before and after, and applied as one edit. */
  const system = $derived(theBusiness().system);
  const business = $derived(system.business);
  const inUse = $derived(extensionsInUse(system).sort((a, b) => a.extension.localeCompare(b.extension)));
  let open = $state(false);
  let length = $state(3);
  let front = $state('2');
  let problem = $state('');

  const preview = $derived(
    renumber(
      inUse.map((e) => ({ id: e.extension, who: e.who, extension: e.extension })),
      length,
      front,
      business,
    ),
  );
  const wrong = $derived(preview.rows.filter((r) => r.problem).length);
  const longer = $derived(length > business.extensionLength);
  const badFront = $derived(longer && !/^\d{1,4}$/.test(front) ? 'One to four digits.' : '');

  function start() {
    open = true;
    problem = '';
    length = business.extensionLength === 6 ? 5 : business.extensionLength + 1;
  }
  /** Everything that has an extension, with its new one. */
  function moves(): Edit['commands'] {
    const to = new Map(preview.rows.map((r) => [r.from, r.to]));
    const moved = (extension: string) => to.get(extension) ?? extension;
    return [
      ...Object.values(system.people).map((p) => ({
        do: 'person.set' as const,
        id: p.id,
        change: {
          extension: moved(p.extension),
          further: p.further.map((f) => ({ ...f, extension: moved(f.extension) })),
        },
      })),
      ...Object.values(system.groups).flatMap(({ id, extension }) =>
        extension ? [{ do: 'group.set' as const, id, change: { extension: moved(extension) } }] : [],
      ),
      ...Object.values(system.queues).flatMap(({ id, extension }) =>
        extension ? [{ do: 'queue.set' as const, id, change: { extension: moved(extension) } }] : [],
      ),
      ...Object.values(system.plans).flatMap(({ id, extension }) =>
        extension ? [{ do: 'plan.set' as const, id, change: { extension: moved(extension) } }] : [],
      ),
      ...Object.values(system.mailboxes).flatMap(({ id, extension }) =>
        extension ? [{ do: 'mailbox.set' as const, id, change: { extension: moved(extension) } }] : [],
      ),
    ];
  }
  function apply() {
    problem =
      theBusiness().keep(`Extensions have ${length} digits`, [
        { do: 'business.set', change: { extensionLength: length, reserved: preview.reserved } },
        ...moves(),
      ]) ?? '';
    if (problem) return;
    open = false;
    session.say({
      kind: 'success',
      title: `Extensions have ${length} digits`,
      undo: () => theBusiness().undoEdit(),
    });
  }
</script>

<div class="card">
  <h2>Length of extensions</h2>
  {#if !open}
    <p>They have <b>{business.extensionLength} digits</b>.</p>
    <Button size="small" kind="tertiary" on:click={start}>Renumber</Button>
  {:else}
    <div class="ask">
      <Select
        size="sm"
        labelText="New length"
        selected={length}
        on:update={(e) => (length = Number(e.detail))}
      >
        {#each [2, 3, 4, 5, 6] as n (n)}<SelectItem value={n} text="{n} digits" />{/each}
      </Select>
      {#if longer}<TextInput
          size="sm"
          labelText="Put in front"
          bind:value={front}
          invalid={!!badFront}
          invalidText={badFront}
        />{/if}
    </div>
    {#if inUse.length}
      <div class="rows">
        <table class="list">
          <thead><tr><th>Who</th><th>Now</th><th>Then</th></tr></thead>
          <tbody>
            {#each preview.rows as row (row.id)}
              <tr class:wrong={row.problem}>
                <td
                  >{row.who}{#if row.problem}<br /><span class="small">{row.problem}</span>{/if}</td
                >
                <td>{row.from}</td>
                <td><b>{row.to}</b></td>
              </tr>
            {/each}
          </tbody>
        </table>
      </div>
    {:else}<p class="soft">Nobody has an extension yet.</p>{/if}
    {#if wrong}<p class="problem">
        {wrong} cannot be as proposed. Choose other digits, or change those people first.
      </p>{/if}
    {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
    {#each preview.reserved as r (r.from + r.note)}
      <p class="small soft">Reserved for {r.note}: then {r.from}–{r.to}.</p>
    {/each}
    <div class="row">
      <Button size="small" disabled={wrong > 0 || !!badFront} on:click={apply}
        >Renumber {inUse.length || ''}</Button
      >
      <Button size="small" kind="ghost" on:click={() => (open = false)}>Not now</Button>
    </div>
  {/if}
</div>

<style>
  .ask {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 10px;
    margin-bottom: 10px;
  }
  .rows {
    max-height: 260px;
    overflow-y: auto;
  }
  .wrong td {
    color: var(--alarm);
  }
  .problem {
    color: var(--alarm);
  }
  .row {
    display: flex;
    gap: 8px;
    margin-top: 10px;
  }
</style>
