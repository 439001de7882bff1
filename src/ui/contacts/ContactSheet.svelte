<script lang="ts">
  import { Checkbox, InlineLoading, Select } from 'carbon-components-svelte';
  import { readNumbers } from '$core/numbering';
  import { recordsOf, TimeZone, type Contact, type System } from '$core/system';
  import EditField from '../fields/EditField.svelte';
  import SelectItem from '../fields/SelectItem.svelte';
  import SeveralField from '../fields/SeveralField.svelte';
  import { count } from '../format';
  import EntryRow from '../log/EntryRow.svelte';
  import type { Told } from '../log/reader.svelte';
  import { theBusiness } from '../window/session.svelte';
  import AskedFor from './AskedFor.svelte';
  import Consent from './Consent.svelte';
  import KindFields from './KindFields.svelte';
  import PictureField from './PictureField.svelte';

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
  const logbook = $derived(theBusiness().logbook);
  let there = $state.raw<{ told: Told[]; total: number } | null>(null);
  let problem = $state('');
  $effect(() => {
    const { numbers } = c;
    // Asked anew when something comes, changes or goes.
    void logbook.state;
    logbook.with(numbers, MOST).then(
      (now) => {
        problem = '';
        if (numbers === c.numbers) there = now;
      },
      (error: unknown) => (problem = error instanceof Error ? error.message : String(error)),
    );
  });
  const people = $derived(Object.values(system.people));
</script>

<article class="card" aria-label={c.name} data-testid="contact-sheet">
  <PictureField contact={c} set={(picture, words) => set({ picture }, words)} />
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
  <KindFields contact={c} set={(kinds) => set({ kinds }, 'what numbers and addresses are for')} />
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
  <Consent contact={c} {set} />
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
  {#if problem || logbook.problem}<p role="alert">{problem || logbook.problem}</p>
  {:else if !there || (!there.total && !logbook.state?.whole)}<InlineLoading
      description="The log is gone through"
    />
  {:else if there.total}
    <ul aria-label="With {c.name}">
      {#each there.told as told (told.entry.id)}
        <EntryRow {...told} {system} chosen={false} onopen={onlog} />
      {/each}
    </ul>
    <button class="linkish small" type="button" onclick={onlog}
      >{there.total > MOST
        ? `All ${count(there.total, 'entry', 'entries')} in the log`
        : 'In the log'}</button
    >
  {:else}<p class="soft">No call, message or text yet.</p>{/if}
  {#if there && logbook.state?.whole}<AskedFor contact={c} total={there.total} {system} />{/if}
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
