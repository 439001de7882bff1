<script lang="ts">
  import { Button, Checkbox, MultiSelect, Select, TextInput } from 'carbon-components-svelte';
  import { readNumbers } from '$core/numbering';
  import type { Contact } from '$core/system';
  import EditField from '$ui/fields/EditField.svelte';
  import Unwanted from '$ui/callers/Unwanted.svelte';
  import { freshId } from '$ui/ids';
  import { named } from '$ui/named';
  import { theBusiness } from '$ui/window/session.svelte';
  import SelectItem from '$ui/fields/SelectItem.svelte';

  const system = $derived(theBusiness().system);
  const contacts = $derived(
    Object.values(system.contacts).sort((a, b) => a.name.localeCompare(b.name, 'en')),
  );
  const lists = $derived(Object.values(system.lists));
  const people = $derived(Object.values(system.people));
  let fresh = $state({ name: '', number: '' });
  let freshList = $state('');
  let problem = $state<{ field: string; message: string } | null>(null);
  const wrong = (field: string) => (problem?.field === field ? problem.message : '');

  const set = (contact: Contact, change: Partial<Omit<Contact, 'id'>>, words: string) =>
    theBusiness().keep(`${contact.name}: ${words}`, [{ do: 'contact.set', id: contact.id, change }]);

  const readThem = (text: string) => readNumbers(text, system.business.country, system.business.outsideDigit);
  async function add(event: Event) {
    event.preventDefault();
    const read = readThem(fresh.number);
    if (!fresh.name.trim()) problem = { field: 'name', message: 'Give the caller a name.' };
    else if (!read.ok) problem = { field: 'number', message: read.message };
    else if (!read.numbers.length) problem = { field: 'number', message: 'Give a number they call from.' };
    else {
      const value: Contact = {
        id: freshId('contact'),
        name: fresh.name.trim(),
        numbers: read.numbers,
        ownerId: null,
        listIds: [],
        blocked: false,
      };
      const message = await theBusiness().keepStored(`Add the contact ${value.name}`, [
        { do: 'contact.add', value },
      ]);
      problem = message === undefined ? null : { field: 'number', message };
      if (!problem) fresh = { name: '', number: '' };
    }
  }
  async function addList(event: Event) {
    event.preventDefault();
    if (!freshList.trim()) return;
    const message = await theBusiness().keepStored(`Start the list ${freshList.trim()}`, [
      { do: 'list.add', value: { id: freshId('list'), name: freshList.trim() } },
    ]);
    problem = message === undefined ? null : { field: 'list', message };
    if (!problem) freshList = '';
  }
</script>

<svelte:head><title>Callers · Answering · Upper Line</title></svelte:head>

<h1>Callers</h1>
<p class="sub">
  People outside whom plans know by their numbers: who looks after them, which lists they are on, who is
  blocked.
</p>
<div class="columns">
  <section class="card">
    <h2>Contacts</h2>
    {#each contacts as c (c.id)}
      <div class="contact" id={c.id} data-testid="contact">
        <EditField
          hideLabel
          label="Name of {c.name}"
          value={c.name}
          keep={(name) => set(c, { name }, `called “${name}”`)}
        />
        <EditField
          hideLabel
          label="Numbers of {c.name}"
          value={c.numbers.map((n) => theBusiness().number(n)).join(', ')}
          keep={(text) => {
            const read = readThem(text);
            return read.ok ? set(c, { numbers: read.numbers }, 'numbers') : read.message;
          }}
        />
        <Select
          size="sm"
          hideLabel
          labelText="Who looks after {c.name}"
          selected={c.ownerId ?? ''}
          on:update={(e) => set(c, { ownerId: String(e.detail) || null }, 'who looks after them')}
        >
          <SelectItem value="" text="nobody in particular" />
          {#each people as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
        </Select>
        <div {@attach named(`Lists of ${c.name}`)}>
          <MultiSelect
            size="sm"
            hideLabel
            labelText="Lists of {c.name}"
            label={c.listIds.map((id) => system.lists[id]?.name).join(', ') || 'no list'}
            items={lists.map((l) => ({ id: l.id, text: l.name }))}
            selectedIds={[...c.listIds]}
            on:select={(e) => {
              const listIds = e.detail.selectedIds.map(String);
              if (listIds.join() !== c.listIds.join()) set(c, { listIds }, 'lists');
            }}
          />
        </div>
        <Checkbox
          labelText="Blocked"
          checked={c.blocked}
          on:check={(e) => {
            if (e.detail !== c.blocked) set(c, { blocked: e.detail }, e.detail ? 'blocked' : 'not blocked');
          }}
        />
        <button
          class="linkish small"
          type="button"
          aria-label="Remove {c.name}"
          onclick={() =>
            theBusiness().edit(`Remove the contact ${c.name}`, [{ do: 'contact.remove', id: c.id }], {
              withNotice: true,
            })}>Remove</button
        >
      </div>
    {:else}<p class="soft">Nobody yet: every caller is treated alike.</p>{/each}
    <form onsubmit={add} aria-label="Add a contact">
      <TextInput
        size="sm"
        labelText="Name"
        bind:value={fresh.name}
        invalid={!!wrong('name')}
        invalidText={wrong('name')}
      />
      <TextInput
        size="sm"
        labelText="Numbers they call from"
        bind:value={fresh.number}
        invalid={!!wrong('number')}
        invalidText={wrong('number')}
      />
      <Button size="small" type="submit">Add a contact</Button>
    </form>
  </section>
  <div>
    <section class="card">
      <h2>Lists</h2>
      {#each lists as l (l.id)}
        <div class="list">
          <EditField
            hideLabel
            label="Name of the list {l.name}"
            value={l.name}
            keep={(name) =>
              theBusiness().keep(`Call a list “${name}”`, [{ do: 'list.set', id: l.id, change: { name } }])}
          />
          <span class="small soft">{contacts.filter((c) => c.listIds.includes(l.id)).length} on it</span>
          <button
            class="linkish small"
            type="button"
            aria-label="Remove the list {l.name}"
            onclick={() =>
              theBusiness().edit(`Remove the list ${l.name}`, [{ do: 'list.remove', id: l.id }], {
                withNotice: true,
              })}>Remove</button
          >
        </div>
      {:else}<p class="soft">None yet. Regular customers, suppliers, people to keep out.</p>{/each}
      <form class="one" onsubmit={addList} aria-label="Start a list">
        <TextInput
          size="sm"
          labelText="Name of a list"
          bind:value={freshList}
          invalid={!!wrong('list')}
          invalidText={wrong('list')}
        />
        <Button size="small" kind="tertiary" type="submit">Start a list</Button>
      </form>
    </section>
    <Unwanted />
  </div>
</div>

<style>
  .columns {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 300px;
    gap: 16px;
    align-items: start;
  }
  .columns > .card {
    container-type: inline-size;
  }
  .contact {
    display: grid;
    grid-template-columns: 150px 1fr 170px 140px auto auto;
    gap: 8px;
    align-items: center;
    padding: 4px 0;
    border-bottom: 1px solid var(--rule);
  }
  @container (max-width: 760px) {
    .contact {
      grid-template-columns: repeat(auto-fill, minmax(140px, 1fr));
    }
  }
  .list {
    display: grid;
    grid-template-columns: 1fr auto auto;
    gap: 8px;
    align-items: center;
    padding: 3px 0;
  }
  form {
    display: grid;
    grid-template-columns: 1fr 1fr auto;
    gap: 8px;
    align-items: end;
    margin-top: 12px;
  }
  .one {
    grid-template-columns: 1fr auto;
  }
</style>
