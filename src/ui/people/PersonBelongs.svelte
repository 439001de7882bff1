<script lang="ts">
  import { MultiSelect, Select } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { readingOf } from '$core/answering';
  import { numberShownBy } from '$core/calls';
  import { directNumbersOf } from '$core/people';
  import { allSteps, flatTargets, groupsOf, newMailbox, type Command, type Person } from '$core/system';
  import { freshId } from '../ids';
  import { named } from '../named';
  import { theBusiness } from '../window/session.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  /** What somebody belongs to: groups, plans that ring them, numbers they may show, their mailbox. */
  let { person }: { person: Person } = $props();
  const id = untrack(() => person.id);
  const system = $derived(theBusiness().system);
  const groups = $derived(groupsOf(system, id));
  const plans = $derived(
    Object.values(system.plans).filter((plan) =>
      [...allSteps(plan.steps)].some((s) =>
        flatTargets(readingOf(s).rings?.(s) ?? [], system).some((t) => t.kind === 'person' && t.id === id),
      ),
    ),
  );
  const numbers = $derived(Object.values(system.numbers));
  const shows = $derived(
    numbers.filter((n) => n.callerIdFor === 'everybody' || n.callerIdFor.includes(id)).map((n) => n.id),
  );
  const shown = $derived(numberShownBy(system, id));
  const direct = $derived(directNumbersOf(system).get(id) ?? []);

  function setGroups(ids: readonly string[]) {
    const commands = Object.values(system.groups).flatMap((g): Command[] => {
      const is = g.members.some((m) => m.kind === 'person' && m.id === id);
      if (is === ids.includes(g.id)) return [];
      const members = is
        ? g.members.filter((m) => m.kind !== 'person' || m.id !== id)
        : [...g.members, { kind: 'person' as const, id }];
      return [{ do: 'group.set', id: g.id, change: { members } }];
    });
    if (commands.length) theBusiness().edit(`Change the groups of ${person.name}`, commands);
  }
  function setShows(ids: readonly string[]) {
    const everybody = Object.keys(system.people);
    const commands = numbers.flatMap((n): Command[] => {
      const is = shows.includes(n.id);
      if (is === ids.includes(n.id)) return [];
      const now = n.callerIdFor === 'everybody' ? everybody : n.callerIdFor;
      const callerIdFor = is ? now.filter((p) => p !== id) : [...now, id];
      return [{ do: 'number.set', id: n.id, change: { callerIdFor } }];
    });
    if (commands.length) theBusiness().edit(`Say which numbers ${person.name} may show`, commands);
  }
  function setMailbox(value: string) {
    if (value === (person.mailboxId ?? '')) return;
    if (value !== 'new') {
      theBusiness().edit(`Change the mailbox of ${person.name}`, [
        { do: 'person.set', id, change: { mailboxId: value || null } },
      ]);
      return;
    }
    const mailboxId = freshId('mailbox');
    theBusiness().edit(`Give ${person.name} a mailbox`, [
      { do: 'mailbox.add', value: newMailbox({ id: mailboxId, name: person.name, ownerIds: [id] }) },
      { do: 'person.set', id, change: { mailboxId } },
    ]);
  }
</script>

<div class="card">
  <h2>Where they belong</h2>
  <div class="fields">
    {#if Object.keys(system.groups).length}
      <div {@attach named('Groups')}>
        <MultiSelect
          size="sm"
          labelText="Groups"
          label={groups.map((g) => g.name).join(', ') || 'none'}
          items={Object.values(system.groups).map((g) => ({ id: g.id, text: g.name }))}
          selectedIds={groups.map((g) => g.id)}
          sortItem={() => 0}
          on:select={(e) => setGroups(e.detail.selectedIds.map(String))}
        />
      </div>
    {:else}<p class="small soft">There are no groups yet. <a href="/people/groups">Make one</a>.</p>{/if}
    <div>
      <h3>Rung by</h3>
      <p class="small" data-testid="rung-by">
        {#each plans as p, i (p.id)}{i ? ', ' : ''}<a href="/answering/{p.id}">{p.name}</a>{:else}<span
            class="soft">no plan</span
          >{/each}{#if direct.length}<span class="soft"
            >&nbsp;· direct number {direct.map((n) => theBusiness().number(n)).join(', ')}</span
          >{/if}
      </p>
    </div>
    {#if numbers.length}
      <div {@attach named('Numbers they may show')}>
        <MultiSelect
          size="sm"
          labelText="Numbers they may show as caller ID"
          label={shows.length === numbers.length
            ? 'all'
            : shows.length
              ? `${shows.length} of ${numbers.length}`
              : 'none'}
          items={numbers.map((n) => ({ id: n.id, text: `${theBusiness().number(n.e164)} · ${n.label}` }))}
          selectedIds={shows}
          sortItem={() => 0}
          on:select={(e) => setShows(e.detail.selectedIds.map(String))}
        />
        <p class="small soft">
          Their calls show {shown
            ? `${theBusiness().number(shown.e164)}, ${shown.label}`
            : 'no number: it is hidden'}.
        </p>
      </div>
    {/if}
    <Select
      size="sm"
      labelText="Mailbox"
      selected={person.mailboxId ?? ''}
      on:update={(e) => setMailbox(String(e.detail))}
    >
      <SelectItem value="" text="none: calls nobody takes are ended" />
      {#each Object.values(system.mailboxes) as m (m.id)}<SelectItem value={m.id} text={m.name} />{/each}
      {#if !person.mailboxId}<SelectItem value="new" text="a new one of their own" />{/if}
    </Select>
  </div>
</div>

<style>
  p {
    margin: 4px 0 0;
  }
</style>
