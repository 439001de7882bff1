<script lang="ts">
  import { Button, Select, SelectItem } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import { allSteps, isLinked, newPhone, type Person } from '$core/system';
  import { freshId } from '../ids';
  import { session } from '../session.svelte';
  import EditField from '../EditField.svelte';
  import InviteButton from './InviteButton.svelte';
  import LinkedPhone from './LinkedPhone.svelte';
  import LinkPhone from './LinkPhone.svelte';
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

  function set(field: 'name' | 'email' | 'extension', text: string): string | undefined {
    const own = system.people[id];
    if (!own) return undefined;
    return session.keep(`Change the ${field === 'email' ? 'e-mail' : field} of ${own.name}`, [
      { do: 'person.set', id, change: { [field]: text } },
    ]);
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
      <EditField {label} value={person[field]} keep={(text) => set(field, text)} />
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
    {#if isLinked(phone)}<div class="linked">
        {#key phone.id}<LinkedPhone {phone} />{/key}
      </div>{/if}
  {:else}
    <p class="soft small">No phone yet.</p>
  {/each}
  <Button kind="ghost" size="small" on:click={addPhone}>Add a browser softphone</Button>
  <LinkPhone {person} />
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
  .linked {
    padding: 4px 0 12px 12px;
    border-left: 3px solid var(--rule);
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
