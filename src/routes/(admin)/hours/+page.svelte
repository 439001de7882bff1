<script lang="ts">
  import { Button, TextInput } from 'carbon-components-svelte';
  import { DAY_NAMES, kindsOf, periodAt, readSpans, writeSpans } from '$core/hours';
  import { allSteps, type Hours } from '$core/system';
  import { momentText } from '$ui/format';
  import { freshId } from '$ui/ids';
  import { session } from '$ui/session.svelte';

  const system = $derived(session.system!);
  const sets = $derived(Object.values(system.hours));
  /** What was typed and could not be read yet, by set, kind and day, with what is wrong. */
  let wrong = $state<Record<string, { text: string; message: string }>>({});
  let newKind = $state<Record<string, string>>({});
  /** Kinds a set was just given that have no hours yet, and so are not in the document. */
  let added = $state<Record<string, string[]>>({});

  const kinds = (hours: Hours) => [
    ...new Set([...kindsOf(hours), ...(added[hours.id] ?? []), ...(kindsOf(hours).length ? [] : ['Open'])]),
  ];
  const spansOf = (hours: Hours, kind: string, day: number) =>
    hours.weekly.filter((p) => p.kind === kind && p.day === day);
  const usedBy = (id: string) =>
    Object.values(system.plans).filter((p) =>
      [...allSteps(p.steps)].some((s) => s.kind === 'hours' && s.hoursId === id),
    );

  function type(hours: Hours, kind: string, day: number, text: string) {
    const key = `${hours.id}/${kind}/${day}`;
    const read = readSpans(text);
    if (!read.ok) {
      wrong[key] = { text, message: read.message };
      return;
    }
    const others = hours.weekly.filter((p) => p.kind !== kind || p.day !== day);
    const weekly = [...others, ...read.spans.map((s) => ({ day, ...s, kind }))];
    const result = session.edit(
      `${hours.name}: ${kind} on ${DAY_NAMES[day - 1]} ${writeSpans(read.spans) || 'closed'}`,
      [{ do: 'hours.set', id: hours.id, change: { weekly } }],
      { quiet: true },
    );
    if (result.ok) delete wrong[key];
    else wrong[key] = { text, message: result.problems[0]!.message };
  }
  function copyToWeek(hours: Hours, kind: string) {
    const monday = spansOf(hours, kind, 1);
    const others = hours.weekly.filter((p) => p.kind !== kind || p.day > 5 || p.day === 1);
    const weekly = [...others, ...[2, 3, 4, 5].flatMap((day) => monday.map((p) => ({ ...p, day })))];
    session.edit(`${hours.name}: Tuesday to Friday as Monday`, [
      { do: 'hours.set', id: hours.id, change: { weekly } },
    ]);
  }
  function add() {
    const id = freshId('hours');
    const weekly = [1, 2, 3, 4, 5].map((day) => ({ day, from: 480, to: 1020, kind: 'Open' }));
    const name = sets.length ? `Hours ${sets.length + 1}` : 'Office hours';
    session.edit(`Add ${name}`, [{ do: 'hours.add', value: { id, name, timeZone: null, weekly } }]);
  }
  function remove(hours: Hours) {
    const plans = usedBy(hours.id);
    const breaks = plans.length ? ` (used by ${plans.map((p) => p.name).join(', ')})` : '';
    session.edit(`Remove ${hours.name}${breaks}`, [{ do: 'hours.remove', id: hours.id }], { undoable: true });
  }
  function addKind(hours: Hours) {
    const kind = newKind[hours.id]?.trim();
    if (!kind) return;
    added[hours.id] = [...(added[hours.id] ?? []), kind];
    newKind[hours.id] = '';
  }
</script>

<svelte:head><title>Hours · Upper Line</title></svelte:head>

<h1>Hours</h1>
<p class="sub">
  Type each day's times: 8-12, 13-17. Empty is closed. Plans ask these hours when a call reaches them. It is {momentText(
    session.now,
    session.zone,
  )}.
</p>
{#each sets as hours (hours.id)}
  {@const now = periodAt(hours, system.business.timeZone, session.now)}
  <section class="card" id={hours.id}>
    <div class="head">
      <TextInput
        size="sm"
        hideLabel
        labelText="Name of these hours"
        value={hours.name}
        on:change={(e) =>
          session.edit(`Call hours “${e.detail}”`, [
            { do: 'hours.set', id: hours.id, change: { name: String(e.detail ?? '') } },
          ])}
      />
      <span class="now">{now ? `Now: ${now}` : 'Now: closed'}</span>
      <span class="soft small"
        >{usedBy(hours.id)
          .map((p) => p.name)
          .join(', ') || 'no plan asks them'}</span
      >
      <button class="linkish small" type="button" onclick={() => remove(hours)}>Remove</button>
    </div>
    <table>
      <thead>
        <tr
          ><th scope="col">Kind</th>{#each DAY_NAMES as d (d)}<th scope="col">{d}</th>{/each}<th scope="col"
            ><span class="visually-hidden">Copy</span></th
          ></tr
        >
      </thead>
      <tbody>
        {#each kinds(hours) as kind (kind)}
          <tr>
            <th scope="row">{kind}</th>
            {#each DAY_NAMES as d, i (d)}
              {@const key = `${hours.id}/${kind}/${i + 1}`}
              <td>
                <TextInput
                  size="sm"
                  hideLabel
                  labelText="{kind}, {d}"
                  placeholder="closed"
                  value={wrong[key]?.text ?? writeSpans(spansOf(hours, kind, i + 1))}
                  invalid={!!wrong[key]}
                  invalidText={wrong[key]?.message ?? ''}
                  on:change={(e) => type(hours, kind, i + 1, String(e.detail ?? ''))}
                />
              </td>
            {/each}
            <td
              ><button class="linkish small" type="button" onclick={() => copyToWeek(hours, kind)}
                >Tue–Fri as Mon</button
              ></td
            >
          </tr>
        {/each}
      </tbody>
    </table>
    <form
      onsubmit={(e) => {
        e.preventDefault();
        addKind(hours);
      }}
    >
      <TextInput
        size="sm"
        hideLabel
        labelText="Another kind of period"
        placeholder="Another kind, such as Lunch"
        bind:value={newKind[hours.id]}
      />
      <Button size="small" kind="ghost" type="submit">Add kind</Button>
    </form>
  </section>
{:else}
  <div class="empty">
    <h2>No hours yet</h2>
    <p>Without hours every plan does the same day and night.</p>
  </div>
{/each}
<Button size="small" kind="tertiary" on:click={add}>Add hours</Button>

<style>
  .head {
    display: grid;
    grid-template-columns: 220px auto 1fr auto;
    align-items: center;
    gap: 14px;
    margin-bottom: 10px;
  }
  .now {
    font-weight: 650;
  }
  table {
    border-collapse: collapse;
    width: 100%;
    table-layout: fixed;
  }
  th {
    text-align: left;
    font-weight: 600;
    font-size: 13px;
    padding: 2px 4px;
  }
  thead th {
    color: var(--ink-soft);
    font-weight: 400;
  }
  td {
    padding: 2px 3px;
    vertical-align: top;
  }
  td :global(.bx--text-input) {
    padding: 0 6px;
    font-size: 12.5px;
  }
  form {
    display: flex;
    gap: 8px;
    width: 340px;
    margin-top: 8px;
  }
</style>
