<script lang="ts">
  import { MultiSelect, TextInput } from 'carbon-components-svelte';
  import { readNumber, writeNumber } from '$core/numbering';
  import type { RingTarget, System } from '$core/system';
  import { named } from '../named';
  import PeopleField from '../fields/PeopleField.svelte';

  /** Chooses who is rung: people, groups, rotas, whoever looks after the caller, outside numbers. */
  interface Props {
    targets: readonly RingTarget[];
    system: System;
    /** A group has the same members whoever calls. */
    owner?: boolean;
    /** The group that must not be in itself. */
    except?: string;
    /** @returns what is wrong, or undefined */
    onchange: (targets: RingTarget[]) => string | undefined;
  }
  let { targets, system, owner = false, except, onchange }: Props = $props();
  // By way of the collection, which an edit of a step leaves as it is: a list of hundreds is not made anew for it.
  const everybody = $derived(system.people);
  const people = $derived(targets.filter((t) => t.kind === 'person').map((t) => t.id));
  const others = $derived<{ id: string; text: string; target: RingTarget }[]>([
    ...Object.values(system.groups)
      .filter((g) => g.id !== except)
      .map((g) => ({ id: `group ${g.id}`, text: g.name, target: { kind: 'group' as const, id: g.id } })),
    ...Object.values(system.rotas).map((r) => ({
      id: `rota ${r.id}`,
      text: `On duty: ${r.name}`,
      target: { kind: 'rota' as const, id: r.id },
    })),
    ...(owner
      ? [
          {
            id: 'owner owner',
            text: 'Whoever looks after the caller',
            target: { kind: 'owner' as const, id: 'owner' as const },
          },
        ]
      : []),
  ]);
  const keyOf = (t: RingTarget) => `${t.kind} ${t.id}`;
  const chosen = $derived(others.filter((o) => targets.some((t) => keyOf(t) === o.id)).map((o) => o.id));
  const outside = $derived(targets.filter((t) => t.kind === 'outside'));
  let typed = $state('');
  let problem = $state('');

  function choosePeople(ids: readonly string[]) {
    const kept = targets.filter((t) => t.kind !== 'person' || ids.includes(t.id));
    const added = ids.filter((id) => !people.includes(id)).map((id) => ({ kind: 'person' as const, id }));
    problem = onchange([...kept, ...added]) ?? '';
  }
  function chooseOthers(ids: readonly string[]) {
    if (ids.length === chosen.length && ids.every((id) => chosen.includes(id))) return;
    const kept = targets.filter((t) => !others.some((o) => o.id === keyOf(t)) || ids.includes(keyOf(t)));
    const added = others.filter((o) => ids.includes(o.id) && !chosen.includes(o.id)).map((o) => o.target);
    problem = onchange([...kept, ...added]) ?? '';
  }
  function addOutside() {
    if (!typed.trim()) return;
    const read = readNumber(typed, system.business.country);
    if (!read.ok) {
      problem = read.message;
      return;
    }
    const { e164 } = read.number;
    problem = outside.some((t) => t.id === e164)
      ? 'That number is rung already.'
      : (onchange([...targets, { kind: 'outside', id: e164 }]) ?? '');
    if (!problem) typed = '';
  }
</script>

{#if Object.keys(everybody).length}
  <PeopleField
    label="Who"
    size="lg"
    people={everybody}
    chosen={people}
    none={targets.length ? 'nobody by name' : 'Choose people'}
    onchange={choosePeople}
  />
{:else}
  <p class="small soft">There is nobody to ring yet. <a href="/people">Add a person first</a>.</p>
{/if}
{#if others.length}
  <div {@attach named('Groups and rotas')}>
    <MultiSelect
      size="sm"
      labelText="Groups and rotas"
      label={others
        .filter((o) => chosen.includes(o.id))
        .map((o) => o.text)
        .join(', ') || 'none'}
      items={others}
      selectedIds={chosen}
      sortItem={() => 0}
      on:select={(e) => chooseOthers(e.detail.selectedIds.map(String))}
    />
  </div>
{/if}
{#each outside as t (t.id)}
  <p class="small">
    {writeNumber(t.id, system.business.country)}
    <button
      class="linkish"
      type="button"
      aria-label="Do not ring {writeNumber(t.id, system.business.country)}"
      onclick={() => onchange(targets.filter((x) => x !== t))}>Remove</button
    >
  </p>
{/each}
<TextInput
  size="sm"
  labelText="An outside number as well"
  placeholder="a mobile, another firm"
  bind:value={typed}
  invalid={!!problem}
  invalidText={problem}
  on:change={addOutside}
/>
