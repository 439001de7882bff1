<script lang="ts">
  import { Select, TextInput } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { readTarget, targetProblem } from '$core/people';
  import type { ForwardTarget, System } from '$core/system';
  import { here } from '../window/session.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  /** Where calls are sent on to: a colleague, a group, a mailbox, or a number in any way of writing it. */
  let {
    label,
    target,
    personId,
    system,
    none,
    onchange,
  }: {
    label: string;
    target: ForwardTarget | null;
    personId: string;
    system: System;
    /** What happens where nothing is chosen. */
    none: string;
    onchange: (target: ForwardTarget | null) => void;
  } = $props();
  const idOf = (t: ForwardTarget | null): string =>
    !t
      ? ''
      : t.to === 'person'
        ? `person ${t.personId}`
        : t.to === 'group'
          ? `group ${t.groupId}`
          : t.to === 'mailbox'
            ? `mailbox ${t.mailboxId}`
            : 'outside';
  let typing = $state(untrack(() => target?.to === 'outside'));
  const shownNumber = (t: ForwardTarget | null) => (t?.to === 'outside' ? here().number(t.number) : '');
  let typed = $state(untrack(() => shownNumber(target)));
  let problem = $state('');
  let note = $state('');
  const byName = <T extends { name: string }>(all: Record<string, T>) =>
    Object.values(all).sort((a, b) => a.name.localeCompare(b.name));
  // What was set or left elsewhere shows here, unless somebody is typing a number.
  let before = untrack(() => target);
  $effect(() => {
    if (target?.to === 'outside') {
      typing = true;
      typed = shownNumber(target);
    } else if (target || before) {
      typing = false;
      typed = '';
    }
    before = target;
  });

  function choose(value: string) {
    problem = note = '';
    typing = value === 'outside';
    // A number is taken once it is whole; until then what was chosen before stays.
    if (typing) return;
    const [kind, id] = value.split(' ') as [string, string];
    const next: ForwardTarget | null =
      kind === 'person'
        ? { to: 'person', personId: id }
        : kind === 'group'
          ? { to: 'group', groupId: id }
          : kind === 'mailbox'
            ? { to: 'mailbox', mailboxId: id }
            : null;
    problem = (next && targetProblem(next, system, personId)) ?? '';
    if (!problem) onchange(next);
  }
  function read() {
    if (!typed.trim()) return;
    const got = readTarget(typed, system, personId);
    problem = got.ok ? '' : got.message;
    note = got.ok ? (got.note ?? '') : '';
    if (got.ok) onchange(got.target);
  }
</script>

<div class="target">
  <Select
    size="sm"
    labelText={label}
    selected={typing ? 'outside' : idOf(target)}
    invalid={!typing && !!problem}
    invalidText={problem}
    on:update={(e) => String(e.detail) !== (typing ? 'outside' : idOf(target)) && choose(String(e.detail))}
  >
    <SelectItem value="" text={none} />
    <SelectItem value="outside" text="a number…" />
    <optgroup label="Colleagues">
      {#each byName(system.people) as p (p.id)}{#if p.id !== personId}<SelectItem
            value="person {p.id}"
            text="{p.name} · {p.extension}"
          />{/if}{/each}
    </optgroup>
    {#if Object.keys(system.groups).length}<optgroup label="Groups">
        {#each byName(system.groups) as g (g.id)}<SelectItem value="group {g.id}" text={g.name} />{/each}
      </optgroup>{/if}
    <optgroup label="Mailboxes">
      {#each byName(system.mailboxes) as m (m.id)}<SelectItem value="mailbox {m.id}" text={m.name} />{/each}
    </optgroup>
  </Select>
  {#if typing}
    <TextInput
      size="sm"
      hideLabel
      labelText="{label}: number"
      type="tel"
      placeholder="number or extension"
      helperText={note}
      bind:value={typed}
      invalid={!!problem}
      invalidText={problem}
      on:change={read}
      on:keydown={(e) => e.key === 'Enter' && (e.preventDefault(), read())}
    />
  {/if}
</div>

<style>
  .target {
    display: grid;
    gap: 4px;
  }
</style>
