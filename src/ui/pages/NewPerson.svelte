<script lang="ts">
  import { Button, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import { goto } from '$app/navigation';
  import { nextFreeExtension } from '$core/numbering';
  import { newPerson, newPhone } from '$core/system';
  import { freshId } from '../ids';
  import { Remembered } from '../remembered.svelte';
  import { session } from '../session.svelte';

  const system = $derived(session.system!);
  const suggested = $derived(
    nextFreeExtension(
      Object.values(system.people).map((p) => ({ extension: p.extension, who: p.name })),
      system.business,
    ) ?? '',
  );
  const draft = new Remembered(`new-person:${session.view!.business.id}`, {
    name: '',
    email: '',
    extension: '',
    siteId: '',
  });
  const { name, email, extension, siteId } = $derived(draft.value);
  const type = (change: Partial<typeof draft.value>) => (draft.value = { ...draft.value, ...change });
  let problems = $state<Record<string, string>>({});

  async function add(event: Event) {
    event.preventDefault();
    const id = freshId('person');
    const mailboxId = freshId('mailbox');
    const result = session.edit(
      `Add ${name.trim()}`,
      [
        {
          do: 'person.add',
          value: newPerson({
            id,
            name,
            email: email.trim(),
            extension: extension.trim() || suggested,
            siteId: siteId || null,
          }),
        },
        {
          do: 'phone.add',
          value: newPhone({
            id: freshId('phone'),
            name: 'Browser softphone',
            kind: 'browser',
            personId: id,
            outsideOffice: true,
          }),
        },
        {
          do: 'mailbox.add',
          value: {
            id: mailboxId,
            name: name.trim() || '-',
            ownerIds: [id],
            greetingId: null,
            longest: 180,
            mailTo: [],
          },
        },
        { do: 'person.set', id, change: { mailboxId } },
      ],
      { quiet: true, undoable: true },
    );
    if (!result.ok) {
      problems = Object.fromEntries(result.problems.map((p) => [p.field, p.message]));
      return;
    }
    type({ name: '', email: '', extension: '' });
    problems = {};
    await goto(`/people/${id}`);
  }
</script>

<form class="card" onsubmit={add}>
  <h2>Add a person</h2>
  <div class="fields">
    <TextInput
      labelText="Name"
      value={name}
      on:input={(e) => type({ name: String(e.detail ?? '') })}
      invalid={!!problems.name}
      invalidText={problems.name ?? ''}
    />
    <TextInput
      labelText="E-mail"
      value={email}
      on:input={(e) => type({ email: String(e.detail ?? '') })}
      invalid={!!problems.email}
      invalidText={problems.email ?? ''}
      helperText="The invitation goes there."
    />
    <TextInput
      labelText="Extension"
      placeholder={suggested}
      value={extension}
      on:input={(e) => type({ extension: String(e.detail ?? '') })}
      invalid={!!problems.extension}
      invalidText={problems.extension ?? ''}
      helperText="Next free: {suggested}"
    />
    {#if Object.keys(system.sites).length}
      <Select labelText="Site" selected={siteId} on:update={(e) => type({ siteId: String(e.detail) })}>
        <SelectItem value="" text="none" />
        {#each Object.values(system.sites) as s (s.id)}<SelectItem value={s.id} text={s.name} />{/each}
      </Select>
    {/if}
    <Button type="submit" size="field">Add</Button>
    <p class="small soft">They get a browser softphone and a mailbox.</p>
  </div>
</form>
