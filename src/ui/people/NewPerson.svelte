<script lang="ts">
  import { Button, Select, TextInput } from 'carbon-components-svelte';
  import { nextFreeExtension } from '$core/numbering';
  import { joiningCommands } from '$core/people';
  import { extensionsInUse } from '$core/system';
  import { freshId } from '../ids';
  import { Remembered } from '../remembered.svelte';
  import { theBusiness } from '../window/session.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  /** Adds one person, or a room that a shared phone serves. */
  const system = $derived(theBusiness().system);
  const suggested = $derived(nextFreeExtension(extensionsInUse(system), system.business) ?? '');
  const draft = new Remembered(`new-person:${theBusiness().view.business.id}`, {
    what: 'person' as 'person' | 'room',
    name: '',
    email: '',
    extension: '',
    siteId: '',
  });
  const { what, name, email, extension, siteId } = $derived(draft.value);
  const type = (change: Partial<typeof draft.value>) => (draft.value = { ...draft.value, ...change });
  let problems = $state<Record<string, string>>({});
  let field = $state<HTMLInputElement | null>(null);
  /** Those added since the page was opened, the last first. */
  let added = $state.raw<{ id: string; name: string; extension: string }[]>([]);
  const MOST_NAMED = 5;

  async function add(event: Event) {
    event.preventDefault();
    const proposed = suggested;
    const id = freshId('person');
    const result = theBusiness().edit(
      `Add ${name.trim()}`,
      joiningCommands(
        id,
        { what, name, email, extension: extension.trim() || proposed, siteId: siteId || null },
        freshId,
      ),
      { quiet: true, withNotice: true },
    );
    if (!result.ok) {
      problems = Object.fromEntries(result.problems.map((p) => [p.field, p.message]));
      return;
    }
    // Another window may have been first: what was typed stays, with the reason beside it.
    void theBusiness().storedLate();
    const late = await result.stored;
    if (late.length) {
      problems = Object.fromEntries(late.map((p) => [p.field || 'name', p.message]));
      return;
    }
    added = [{ id, name: name.trim(), extension: extension.trim() || proposed }, ...added];
    type({ name: '', email: '', extension: '' });
    problems = {};
    // The next one follows at once.
    field?.focus();
  }
</script>

<form class="card" onsubmit={add} data-part="add a person">
  <h2>Add one</h2>
  <div role="status" data-testid="added">
    {#each added.filter((p) => system.people[p.id]).slice(0, MOST_NAMED) as person, i (person.id)}
      <p class="small">
        {i ? '' : 'Added: '}<a href="/people/{person.id}">{person.name}</a>, {person.extension}
      </p>
    {/each}
    {#if added.length > MOST_NAMED}<p class="small soft">and {added.length - MOST_NAMED} before</p>{/if}
  </div>
  <div class="fields">
    <Select
      size="sm"
      labelText="What"
      selected={what}
      on:update={(e) => type({ what: e.detail === 'room' ? 'room' : 'person' })}
    >
      <SelectItem value="person" text="a person" />
      <SelectItem value="room" text="a room with a shared phone" />
    </Select>
    <TextInput
      size="sm"
      labelText="Name"
      bind:ref={field}
      value={name}
      on:input={(e) => type({ name: String(e.detail ?? '') })}
      invalid={!!problems.name}
      invalidText={problems.name ?? ''}
    />
    {#if what === 'person'}
      <TextInput
        size="sm"
        labelText="E-mail"
        value={email}
        on:input={(e) => type({ email: String(e.detail ?? '') })}
        invalid={!!problems.email}
        invalidText={problems.email ?? ''}
        helperText="The invitation goes there."
      />
    {/if}
    <TextInput
      size="sm"
      labelText="Extension"
      placeholder={suggested}
      value={extension}
      on:input={(e) => type({ extension: String(e.detail ?? '') })}
      invalid={!!problems.extension}
      invalidText={problems.extension ?? ''}
      helperText="Next free: {suggested}"
    />
    {#if Object.keys(system.sites).length}
      <Select
        size="sm"
        labelText="Site"
        selected={siteId}
        on:update={(e) => type({ siteId: String(e.detail) })}
      >
        <SelectItem value="" text="none" />
        {#each Object.values(system.sites) as s (s.id)}<SelectItem value={s.id} text={s.name} />{/each}
      </Select>
    {/if}
    <Button type="submit" size="field">Add</Button>
    <p class="small soft">
      {what === 'person'
        ? 'They get a browser softphone and a mailbox.'
        : 'It gets a desk phone, and no mailbox.'}
    </p>
  </div>
</form>
