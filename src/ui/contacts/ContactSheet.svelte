<script lang="ts">
  import { Checkbox, Select } from 'carbon-components-svelte';
  import { readNumbers } from '$core/numbering';
  import { keptWith, settledBy, settling, storyOf } from '$core/story';
  import { recordsOf, TimeZone, type Contact, type System } from '$core/system';
  import EditField from '../fields/EditField.svelte';
  import SelectItem from '../fields/SelectItem.svelte';
  import SeveralField from '../fields/SeveralField.svelte';
  import { count } from '../format';
  import EntryRow from '../log/EntryRow.svelte';
  import { theBusiness } from '../window/session.svelte';
  import AskedFor from './AskedFor.svelte';

  /** Somebody outside: who they are, who looks after them, and everything there was with them. */
  interface Props {
    contact: Contact;
    system: System;
    /** Shows all of it in the log. */
    onlog: () => void;
  }
  let { contact: c, system, onlog }: Props = $props();
  const MOST = 6;
  const set = (change: Partial<Omit<Contact, 'id'>>, words: string) =>
    theBusiness().keep(`${c.name}: ${words}`, [{ do: 'contact.set', id: c.id, change }]);
  const several = (text: string) =>
    text
      .split(/[,;\s]+/)
      .map((t) => t.trim())
      .filter(Boolean);
  const records = $derived(
    c.numbers[0] ? recordsOf(system.business.recordsLink, c.numbers[0], c.name) : undefined,
  );
  const kept = $derived({
    calls: theBusiness().view.calls,
    messages: theBusiness().view.messages,
    texts: theBusiness().view.texts,
    faxes: theBusiness().view.faxes,
  });
  const by = $derived(settling(kept));
  const entries = $derived([...storyOf(keptWith(kept, c.numbers), system)]);
  const people = $derived(Object.values(system.people));
</script>

<article class="card" aria-label={c.name} data-testid="contact-sheet">
  <div class="two">
    <EditField label="Name" value={c.name} keep={(name) => set({ name }, `called “${name}”`)} />
    <EditField label="Firm" value={c.firm ?? ''} keep={(firm) => set({ firm: firm || undefined }, 'firm')} />
  </div>
  <EditField
    label="Numbers"
    value={c.numbers.map((n) => theBusiness().number(n)).join(', ')}
    keep={(text) => {
      const read = readNumbers(text, system.business.country, system.business.outsideDigit);
      return read.ok ? set({ numbers: read.numbers }, 'numbers') : read.message;
    }}
  />
  <EditField
    label="E-mail addresses"
    value={(c.emails ?? []).join(', ')}
    keep={(text) => set({ emails: text.trim() ? several(text) : undefined }, 'addresses')}
  />
  <EditField
    label="Time zone where they are"
    placeholder="America/New_York"
    helper="It decides when they may be bothered; empty is by their number."
    value={c.timeZone ?? ''}
    keep={(zone) => {
      const read = zone.trim() ? TimeZone.safeParse(zone.trim()) : null;
      return read && !read.success
        ? read.error.issues[0]!.message
        : set({ timeZone: zone.trim() || undefined }, 'where they are');
    }}
  />
  {#if records}<p class="small">
      <a href={records} target="_blank" rel="noopener noreferrer external">Their records</a>
    </p>{/if}
  <EditField label="Note" value={c.note ?? ''} keep={(note) => set({ note: note || undefined }, 'a note')} />
  <div class="two">
    <Select
      size="sm"
      labelText="Who looks after them"
      selected={c.ownerId ?? ''}
      on:update={(e) => {
        if (e.detail !== (c.ownerId ?? ''))
          set({ ownerId: String(e.detail) || null }, 'who looks after them');
      }}
    >
      <SelectItem value="" text="nobody in particular" />
      {#each people as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
    </Select>
    <SeveralField
      label="Lists"
      none="no list"
      items={Object.values(system.lists).map((l) => ({ id: l.id, text: l.name, name: l.name }))}
      chosen={c.listIds}
      onchange={(listIds) => set({ listIds }, 'lists')}
    />
  </div>
  <div class="acts">
    <Checkbox
      labelText="Blocked"
      checked={c.blocked}
      on:check={(e) => {
        if (e.detail !== c.blocked) set({ blocked: e.detail }, e.detail ? 'blocked' : 'not blocked');
      }}
    />
    <button
      class="linkish small"
      type="button"
      onclick={() =>
        theBusiness().edit(`Remove the contact ${c.name}`, [{ do: 'contact.remove', id: c.id }], {
          withNotice: true,
        })}>Remove</button
    >
  </div>
  <h3>What there was</h3>
  {#if entries.length}
    <ul aria-label="With {c.name}">
      {#each entries.slice(0, MOST) as entry (entry.id)}
        <EntryRow {entry} {system} settled={settledBy(entry, by)} chosen={false} onopen={onlog} />
      {/each}
    </ul>
    <button class="linkish small" type="button" onclick={onlog}
      >{entries.length > MOST
        ? `All ${count(entries.length, 'entry', 'entries')} in the log`
        : 'In the log'}</button
    >
  {:else}<p class="soft">No call, message or text yet.</p>{/if}
  <AskedFor contact={c} {entries} settled={by} {system} />
</article>

<style>
  article {
    display: grid;
    gap: 10px;
  }
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 10px;
  }
  .acts {
    display: flex;
    gap: 14px;
    align-items: center;
  }
  h3 {
    margin: 6px 0 0;
    font-size: var(--text-body);
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
    border: 1px solid var(--rule);
  }
</style>
