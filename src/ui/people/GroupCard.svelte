<script lang="ts">
  import { Button, Select } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { nextFreeExtension } from '$core/numbering';
  import {
    extensionsInUse,
    groupsWithin,
    targetName,
    usersOf,
    type Group,
    type RingTarget,
  } from '$core/system';
  import EditField from '../fields/EditField.svelte';
  import PeopleField from '../fields/PeopleField.svelte';
  import SecondsField from '../fields/SecondsField.svelte';
  import { theBusiness } from '../window/session.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  let { group }: { group: Group } = $props();
  const id = untrack(() => group.id);
  const system = $derived(theBusiness().system);
  const people = $derived(group.members.filter((m) => m.kind === 'person').map((m) => m.id));
  const others = $derived(group.members.filter((m) => m.kind !== 'person'));
  const addable = $derived(
    Object.values(system.groups).filter(
      (g) => g.id !== id && !group.members.some((m) => m.id === g.id) && !groupsWithin(system, g.id).has(id),
    ),
  );
  const shared = $derived(
    Object.values(system.phones).filter((p) => !p.personId && !group.members.some((m) => m.id === p.id)),
  );
  const plans = $derived(usersOf(system, 'group', id).filter((u) => u.kind === 'plan'));
  const keep = (words: string, change: Partial<Omit<Group, 'id'>>) =>
    system.groups[id] && theBusiness().keep(words, [{ do: 'group.set', id, change }]);
  const setMembers = (members: RingTarget[]) => void keep(`Change who is in ${group.name}`, { members });
  function choose(ids: readonly string[]) {
    const stay = group.members.filter((m) => m.kind !== 'person' || ids.includes(m.id));
    const come = ids.filter((p) => !people.includes(p)).map((p) => ({ kind: 'person' as const, id: p }));
    setMembers([...stay, ...come]);
  }
  function move(i: number, by: number) {
    const members = [...group.members];
    const [one] = members.splice(i, 1);
    members.splice(i + by, 0, one!);
    setMembers(members);
  }
  const next = () => nextFreeExtension(extensionsInUse(system), system.business) ?? null;
</script>

<section class="card" {id} aria-label={group.name}>
  <div class="two">
    <EditField label="Name" value={group.name} keep={(name) => keep(`Rename ${group.name}`, { name })} />
    <EditField
      label="Extension"
      value={group.extension ?? ''}
      placeholder="none"
      helper={group.extension ? 'Dialling it rings them.' : `Next free: ${next() ?? 'none'}`}
      keep={(text) => keep(`Change the extension of ${group.name}`, { extension: text || null })}
    />
    <Select
      size="sm"
      labelText="When it is dialled they ring"
      selected={group.pattern}
      on:update={(e) =>
        e.detail !== group.pattern &&
        keep(`Change how ${group.name} rings`, {
          pattern: e.detail === 'in order' ? 'in order' : 'together',
        })}
    >
      <SelectItem value="together" text="all together" />
      <SelectItem value="in order" text="one after the other" />
    </Select>
    <SecondsField
      label={group.pattern === 'in order' ? 'Seconds each' : 'For how many seconds'}
      value={group.seconds}
      helper=""
      onchange={(seconds) => void keep(`Change how long ${group.name} rings`, { seconds })}
    />
  </div>
  <PeopleField
    label="People in it"
    people={system.people}
    chosen={people}
    none="Choose people"
    onchange={choose}
  />
  <ol aria-label="Members in order">
    {#each group.members as m, i (m.kind + m.id)}
      <li>
        <span
          >{targetName(m, system)}{#if m.kind !== 'person'}<em>&nbsp;{m.kind}</em>{/if}</span
        >
        <span class="acts">
          {#if group.pattern === 'in order'}
            <button class="linkish" type="button" disabled={i === 0} onclick={() => move(i, -1)}
              >up<span class="visually-hidden">&nbsp;{targetName(m, system)}</span></button
            >
            <button
              class="linkish"
              type="button"
              disabled={i === group.members.length - 1}
              onclick={() => move(i, 1)}
              >down<span class="visually-hidden">&nbsp;{targetName(m, system)}</span></button
            >
          {/if}
          <button
            class="linkish"
            type="button"
            onclick={() => setMembers(group.members.filter((o) => o !== m))}
            >take out<span class="visually-hidden">&nbsp;{targetName(m, system)}</span></button
          >
        </span>
      </li>
    {:else}<li class="warn">Nobody: ringing it skips straight to what comes next.</li>{/each}
  </ol>
  {#if addable.length || shared.length}
    <Select
      size="sm"
      hideLabel
      labelText="Add a group or a shared phone to {group.name}"
      selected=""
      on:update={(e) => {
        const [kind, member] = String(e.detail).split(' ');
        if (member) setMembers([...group.members, { kind: kind as 'group' | 'phone', id: member }]);
      }}
    >
      <SelectItem value="" text="add a group or a shared phone…" />
      {#each addable as g (g.id)}<SelectItem value="group {g.id}" text="group {g.name}" />{/each}
      {#each shared as p (p.id)}<SelectItem value="phone {p.id}" text={p.name} />{/each}
    </Select>
  {/if}
  <p class="small soft foot">
    <span
      >{#if plans.length}Rung by {#each plans as p, i (p.id)}{i ? ', ' : ''}<a href="/answering/{p.id}"
            >{p.name}</a
          >{/each}{:else}No plan rings it{/if}{others.length
        ? ' · groups in it are rung with everybody in them'
        : ''}.</span
    >
    <Button
      kind="ghost"
      size="small"
      on:click={() =>
        theBusiness().edit(
          `Remove group ${group.name}${plans.length ? ` (rung by ${plans.map((p) => p.name).join(', ')})` : ''}`,
          [{ do: 'group.remove', id }],
          { withNotice: true },
        )}>Remove {group.name}</Button
    >
  </p>
</section>

<style>
  .two {
    display: grid;
    grid-template-columns: 1.4fr 1fr;
    gap: 12px;
    margin-bottom: 12px;
  }
  ol {
    list-style: decimal;
    margin: 10px 0;
    padding-left: 22px;
  }
  li {
    font-size: var(--text-lead);
    padding: 3px 0;
  }
  li.warn {
    list-style: none;
    margin-left: -22px;
    color: var(--alarm);
  }
  .acts {
    float: right;
    display: inline-flex;
    gap: 12px;
    font-size: var(--text-body);
  }
  em {
    font-style: normal;
    color: var(--ink-soft);
    font-size: var(--text-small);
  }
  button:disabled {
    color: var(--ink-soft);
    text-decoration: none;
    cursor: default;
  }
  .foot {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 12px;
    margin: 10px 0 0;
  }
</style>
