<script lang="ts">
  import { Search } from 'carbon-components-svelte';
  import { goto } from '$app/navigation';
  import type { CardPicture } from '$core/formats/contacts';
  import { ANY } from '$core/story';
  import type { Contact } from '$core/system';
  import { saveText } from '../files/download';
  import { count } from '../format';
  import { forgottenInWords } from '../log/forgotten';
  import { Near } from '../drawn/near.svelte';
  import { Remembered } from '../remembered.svelte';
  import { theBusiness } from '../window/session.svelte';
  import ContactSheet from './ContactSheet.svelte';
  import ReadCards from './ReadCards.svelte';
  import RecordsField from './RecordsField.svelte';
  import SharedShortcuts from './SharedShortcuts.svelte';

  /** Everybody outside whom the business knows, the same that plans go by. */
  const system = $derived(theBusiness().system);
  const contacts = $derived(Object.values(system.contacts).sort((a, b) => a.name.localeCompare(b.name)));
  const form = new Remembered(`contacts ${theBusiness().view.business.id}`, { query: '', open: '' });
  const words = $derived(form.value.query.toLowerCase().split(/\s+/).filter(Boolean));
  const textOf = (c: Contact) =>
    [
      c.name,
      c.firm,
      c.note,
      ...(c.emails ?? []),
      ...c.numbers.flatMap((n) => [n.replace(/\D/g, ''), theBusiness().number(n)]),
      ...c.listIds.map((id) => system.lists[id]?.name),
    ]
      .join(' ')
      .toLowerCase();
  const found = $derived(contacts.filter((c) => words.every((w) => textOf(c).includes(w))));
  const AT_ONCE = 60;
  let shown = $state(AT_ONCE);
  const open = $derived(found.find((c) => c.id === form.value.open) ?? found[0]);
  async function inLog(id: string) {
    new Remembered('log', ANY).value = { ...ANY, contactId: id };
    await goto('/messages/log');
  }
  async function saveTable() {
    const { writeContactTable } = await import('$core/formats/contacts');
    saveText('contacts.csv', 'text/csv;charset=utf-8', writeContactTable(found, system));
  }
  async function saveJson() {
    saveText(
      'contacts.json',
      'application/vcard+json',
      (await import('$core/formats/contacts')).asJCards(await cards()),
    );
  }
  const save = async () => saveText('contacts.vcf', 'text/vcard;charset=utf-8', await cards());
  async function cards() {
    const { writeCards } = await import('$core/formats/contacts');
    const { fileTypeFromBuffer } = await import('file-type');
    const pictures = new Map<string, CardPicture>();
    for (const { picture } of found) {
      const bytes = picture && (await theBusiness().deeds.fileBytes(picture));
      const type = bytes && (await fileTypeFromBuffer(bytes))?.mime;
      if (bytes && type) pictures.set(picture, { type, bytes });
    }
    return writeCards(found, system.lists, pictures);
  }
</script>

<h1>Contacts</h1>
<p class="sub">
  People outside, the same that plans know callers by. Whoever calls becomes one from the <a
    href="/messages/log">log</a
  >; lists and what plans do with them stand under <a href="/answering/callers">Callers</a>.
</p>
<div class="columns">
  <section>
    <Search
      size="sm"
      labelText="Search contacts"
      placeholder="Search: names, firms, numbers, notes"
      value={form.value.query}
      on:input={(e) => (form.value = { ...form.value, query: (e.target as HTMLInputElement).value })}
      on:clear={() => (form.value = { ...form.value, query: '' })}
    />
    <p class="soft small" aria-live="polite">
      {count(found.length, 'contact')}{words.length ? ` of ${contacts.length.toLocaleString('en-US')}` : ''}
    </p>
    <ul aria-label="Contacts">
      {#each found.slice(0, shown) as c (c.id)}
        <li>
          <button
            type="button"
            class:here={c === open}
            aria-current={c === open ? 'true' : undefined}
            data-testid="contact-row"
            onclick={() => (form.value = { ...form.value, open: c.id })}
          >
            <b>{c.name}</b>
            <span class="soft small"
              >{[c.firm, c.numbers[0] ? theBusiness().number(c.numbers[0]) : '', c.blocked ? 'blocked' : '']
                .filter(Boolean)
                .join(' · ')}</span
            >
          </button>
        </li>
      {:else}<li class="soft none">{contacts.length ? 'None is found by that.' : 'None yet.'}</li>{/each}
    </ul>
    {#if found.length > shown}
      {#key shown}
        {@const end = new Near(false, () => (shown += AT_ONCE))}
        <button class="linkish small" type="button" {@attach end.attach} onclick={() => (shown += AT_ONCE)}
          >Show more of {found.length.toLocaleString('en-US')}</button
        >
      {/key}
    {/if}
    <div class="files">
      <ReadCards />
      {#if found.length}<button class="linkish small" type="button" onclick={() => void save()}
          >Save {words.length ? 'what is found' : 'all'} as vCards</button
        >
        <button class="linkish small" type="button" onclick={() => void saveTable()}
          >Save {words.length ? 'what is found' : 'all'} as CSV</button
        >
        <button class="linkish small" type="button" onclick={() => void saveJson()}
          >Save {words.length ? 'what is found' : 'all'} as JSON</button
        >{/if}
      <SharedShortcuts />
      <RecordsField />
      {#each theBusiness().view.dealings.forgotten ?? [] as gone (gone.at)}
        <p class="soft small" data-testid="forgotten">
          {forgottenInWords(gone, theBusiness().zone)}
        </p>
      {/each}
    </div>
  </section>
  <aside>
    {#if open}
      {#key open.id}<ContactSheet contact={open} {system} onlog={() => void inLog(open.id)} />{/key}
    {/if}
  </aside>
</div>

<style>
  .columns {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.3fr);
  }
  ul {
    list-style: none;
    margin: 6px 0;
    padding: 0;
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  li {
    border-bottom: 1px solid var(--rule);
  }
  ul button {
    display: grid;
    width: 100%;
    padding: 7px 12px;
    border: 0;
    border-left: 3px solid transparent;
    background: none;
    text-align: left;
    color: inherit;
    font: inherit;
    cursor: pointer;
    overflow-wrap: anywhere;
  }
  ul button.here {
    border-left-color: var(--copper);
    background: var(--copper-wash);
  }
  .none {
    padding: 10px 12px;
  }
  .files {
    display: grid;
    gap: 6px;
    justify-items: start;
    margin-top: 12px;
  }
  .files > :global(section) {
    width: 100%;
  }
</style>
