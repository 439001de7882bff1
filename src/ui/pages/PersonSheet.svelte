<script lang="ts">
  import { Button, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import { allSteps, newPhone, type Person } from '$core/system';
  import { freshId } from '../ids';
  import { session } from '../session.svelte';
  import InviteButton from './InviteButton.svelte';
  import { phoneState } from './phone-state';

  let { person }: { person: Person } = $props();
  // A field that is taken away with its text still in it reports a change; by then another person may be shown.
  const id = untrack(() => person.id);
  const system = $derived(session.system!);
  const phones = $derived(Object.values(system.phones).filter((p) => p.personId === person.id));
  const plans = $derived(
    Object.values(system.plans).filter((p) =>
      [...allSteps(p.steps)].some((s) => s.kind === 'ring' && s.targets.some((t) => t.id === person.id)),
    ),
  );
  let problems = $state<Record<string, { text: string; message: string }>>({});

  function set(field: 'name' | 'email' | 'extension', text: string) {
    const own = system.people[id];
    if (!own || text.trim() === own[field]) {
      delete problems[field];
      return;
    }
    const result = session.edit(
      `Change the ${field === 'email' ? 'e-mail' : field} of ${own.name}`,
      [{ do: 'person.set', id, change: { [field]: text.trim() } }],
      {
        quiet: true,
      },
    );
    if (result.ok) delete problems[field];
    else problems[field] = { text, message: result.problems[0]!.message };
  }
  function setSite(siteId: string | null) {
    session.edit(`Change the site of ${person.name}`, [
      { do: 'person.set', id: person.id, change: { siteId } },
    ]);
  }
  function addPhone() {
    session.edit(`Give ${person.name} a browser softphone`, [
      {
        do: 'phone.add',
        value: newPhone({
          id: freshId('phone'),
          name: 'Browser softphone',
          kind: 'browser',
          personId: person.id,
          outsideOffice: true,
        }),
      },
    ]);
  }
  async function remove() {
    const rung = plans.length ? ` (rung by ${plans.map((p) => p.name).join(', ')})` : '';
    session.edit(`Remove ${person.name}${rung}`, [{ do: 'person.remove', id: person.id }], {
      undoable: true,
    });
    await goto('/people');
  }
</script>

<div class="card">
  <h2>{person.name}</h2>
  <div class="fields">
    {#each [['name', 'Name'], ['email', 'E-mail'], ['extension', 'Extension']] as const as [field, label] (field)}
      <TextInput
        size="sm"
        labelText={label}
        value={problems[field]?.text ?? person[field]}
        invalid={!!problems[field]}
        invalidText={problems[field]?.message ?? ''}
        on:change={(e) => set(field, String(e.detail ?? ''))}
      />
    {/each}
    <Select
      size="sm"
      labelText="Site"
      selected={person.siteId ?? ''}
      on:update={(e) => setSite(String(e.detail) || null)}
    >
      <SelectItem value="" text="none" />
      {#each Object.values(system.sites) as s (s.id)}<SelectItem value={s.id} text={s.name} />{/each}
    </Select>
  </div>
  <h3>Phones</h3>
  {#each phones as phone (phone.id)}
    {@const state = phoneState(
      phone,
      session.standing!,
      session.view!.invitations,
      session.now,
      session.zone,
    )}
    <div class="phone">
      <div><b>{phone.name}</b><span class="soft">{state.words}</span></div>
      {#if state.unpaired}<InviteButton {person} {phone} />{/if}
    </div>
  {:else}
    <p class="soft small">No phone yet.</p>
  {/each}
  <Button kind="ghost" size="small" on:click={addPhone}>Add a browser softphone</Button>
  <h3>Rung by</h3>
  <p class="small">
    {#each plans as p, i (p.id)}{i ? ', ' : ''}<a href="/answering/{p.id}">{p.name}</a>{:else}<span
        class="soft">no plan</span
      >{/each}
  </p>
  <button class="linkish small" type="button" onclick={remove}>Remove {person.name}</button>
</div>

<style>
  .fields {
    margin-bottom: 14px;
  }
  .phone {
    display: flex;
    justify-content: space-between;
    gap: 8px;
    align-items: center;
    padding: 6px 0;
    border-bottom: 1px solid var(--rule);
    font-size: 13.5px;
  }
  .phone span.soft {
    display: block;
    font-size: 12.5px;
  }
  h3 {
    margin-top: 12px;
  }
  p {
    margin: 0 0 12px;
  }
</style>
