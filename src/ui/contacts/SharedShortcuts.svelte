<script lang="ts">
  import { Button, Select, TextInput } from 'carbon-components-svelte';
  import { tick } from 'svelte';
  import { readNumber } from '$core/numbering';
  import { leadsTo, type Shortcut, type ShortcutTarget } from '$core/system';
  import SelectItem from '../fields/SelectItem.svelte';
  import { freshId } from '../ids';
  import { theBusiness } from '../window/session.svelte';

  /** Shortcuts of the business: on every phone as rows that call in one tap, and dialled inside by two digits. */
  const business = $derived(theBusiness());
  const system = $derived(business.system);
  const all = $derived(
    Object.values(system.shortcuts).sort(
      (a, b) => a.group.localeCompare(b.group) || (a.code ?? '99').localeCompare(b.code ?? '99'),
    ),
  );
  const contacts = $derived(Object.values(system.contacts).sort((a, b) => a.name.localeCompare(b.name)));
  const people = $derived(Object.values(system.people).filter((p) => p.extension));
  let to = $state('');
  let number = $state('');
  let name = $state('');
  let code = $state('');
  let group = $state('');
  let problem = $state<{ field: string; message: string } | null>(null);

  function target(): ShortcutTarget | null {
    const [kind, id = ''] = to.split(' ');
    if (kind === 'contact') return { kind, contactId: id, number: null };
    if (kind === 'person') return { kind, personId: id };
    const read = readNumber(number, system.business.country, system.business.outsideDigit);
    if (!read.ok) problem = { field: 'number', message: read.message };
    else if (!name.trim()) problem = { field: 'name', message: 'Say who that is.' };
    if (problem || !read.ok) return null;
    return { kind: 'number', number: read.number.e164, name: name.trim() };
  }
  async function add(event: Event) {
    event.preventDefault();
    problem = null;
    const leads = target();
    if (!leads) return;
    const value: Shortcut = {
      id: freshId('shortcut'),
      code: code.trim() || null,
      group: group.trim(),
      target: leads,
    };
    const wrong = await business.keepStored(
      `Add a shortcut to ${leadsTo(value, system)?.name ?? 'somebody'}`,
      [{ do: 'shortcut.add', value }],
    );
    if (wrong) return (problem = { field: 'code', message: wrong });
    to = number = name = code = '';
    await tick();
    document.getElementById('shortcut-to')?.focus();
  }
</script>

<details>
  <summary>Shortcuts of the business ({all.length})</summary>
  <p class="soft small">
    Everybody’s phones have them, once they are in force; two digits are dialled for them inside. People have
    their own beside them.
  </p>
  {#if all.length}
    <ul aria-label="Shortcuts of the business">
      {#each all as s (s.id)}
        {@const leads = leadsTo(s, system)}
        <li>
          <b>{s.code ?? '—'}</b>
          <span
            >{leads?.name ?? 'nobody any more'}
            <span class="soft small"
              >{leads ? (leads.personId ? leads.digits : business.number(leads.digits)) : ''}{s.group
                ? ` · ${s.group}`
                : ''}</span
            ></span
          >
          <button
            class="linkish small"
            type="button"
            onclick={() =>
              business.edit(
                `Remove the shortcut to ${leads?.name ?? 'somebody'}`,
                [{ do: 'shortcut.remove', id: s.id }],
                { withNotice: true },
              )}>Remove<span class="visually-hidden">&nbsp;{leads?.name}</span></button
          >
        </li>
      {/each}
    </ul>
  {/if}
  <form onsubmit={(e) => void add(e)}>
    <Select id="shortcut-to" size="sm" labelText="Leads to" bind:selected={to}>
      <SelectItem value="" text="another number" />
      {#each contacts as c (c.id)}<SelectItem value="contact {c.id}" text={c.name} />{/each}
      {#each people as p (p.id)}<SelectItem value="person {p.id}" text="{p.name}, {p.extension}" />{/each}
    </Select>
    {#if !to}
      <TextInput
        size="sm"
        type="tel"
        labelText="Its number"
        bind:value={number}
        invalid={problem?.field === 'number'}
        invalidText={problem?.message ?? ''}
      />
      <TextInput
        size="sm"
        labelText="Whose that is"
        bind:value={name}
        invalid={problem?.field === 'name'}
        invalidText={problem?.message ?? ''}
      />
    {/if}
    <TextInput
      size="sm"
      inputmode="numeric"
      labelText="Two digits, or none"
      bind:value={code}
      invalid={problem?.field === 'code'}
      invalidText={problem?.message ?? ''}
    />
    <TextInput size="sm" labelText="Group, or none" maxlength={40} bind:value={group} />
    <Button size="small" type="submit">Add the shortcut</Button>
  </form>
</details>

<style>
  details {
    width: 100%;
  }
  summary {
    cursor: pointer;
    font-weight: 650;
    padding: 6px 0;
  }
  ul {
    list-style: none;
    margin: 6px 0;
    padding: 0;
  }
  li {
    display: grid;
    grid-template-columns: 30px 1fr auto;
    gap: 8px;
    padding: 4px 0;
    border-top: 1px solid var(--rule);
    overflow-wrap: anywhere;
  }
  form {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 8px;
    align-items: end;
  }
</style>
