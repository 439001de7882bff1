<script lang="ts">
  import { Button, ContentSwitcher, Search, Select, Switch } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import { byName, directory, type DirectoryEntry } from '$core/people';
  import { withOwn } from '$core/system';
  import { businessNumber } from '$workspace';
  import { saveText } from '../files/download';
  import { dateText } from '../format';
  import Dot from '../drawn/Dot.svelte';
  import { Line } from '../phone/line.svelte';
  import { theBusiness } from '../window/session.svelte';
  import Numbers from '../Numbers.svelte';
  import PersonCards from './PersonCards.svelte';
  import { presenceInWords, presenceOf, type Presence } from '$core/phone';
  import Held from '../holding/Held.svelte';
  import { lamp } from './lamp';
  import SelectItem from '../fields/SelectItem.svelte';

  /** People, rooms and groups with what one may see of them; on screen, on paper, and as files. */
  const DOTS = { free: 'on', busy: 'busy', away: 'waiting', off: 'off' } as const;
  const system = $derived(theBusiness().system);
  const line = new Line(theBusiness().view.business.id);
  onDestroy(() => line.close());
  let query = $state('');
  let order = $state<'name' | 'site'>('name');
  let view = $state(0);
  const seenBy = $derived(theBusiness().actor);
  let asIf = $state('');
  const looker = $derived(seenBy ?? (asIf || null));
  const all = $derived(directory(withOwn(system, theBusiness().standing.own), looker));
  const words = $derived(query.toLowerCase().split(/\s+/).filter(Boolean));
  const digits = $derived(query.replace(/\D/g, ''));
  const entries = $derived(
    all.filter((e) => {
      const text = `${e.name}\n${e.extension}\n${e.email}\n${e.groups.join('\n')}`.toLowerCase();
      const number = digits.length > 2 && [...e.direct, ...e.mobile].some((n) => n.includes(digits));
      return number || words.every((w) => text.includes(w));
    }),
  );
  const siteName = (e: DirectoryEntry) => system.sites[e.siteId ?? '']?.name ?? '';
  const sections = $derived.by((): [string, DirectoryEntry[]][] => {
    if (order === 'name') return [['', entries]];
    const by = new Map<string, DirectoryEntry[]>();
    for (const e of entries) {
      const title = e.kind === 'group' ? 'Groups' : siteName(e) || 'No site';
      by.set(title, [...(by.get(title) ?? []), e]);
    }
    return [...by].map(([title, list]): [string, DirectoryEntry[]] => [title, list.sort(byName)]);
  });
  const phonesOf = $derived.by(() => {
    const found = new Map<string, (typeof system.phones)[string][]>();
    for (const p of Object.values(system.phones))
      if (p.personId) found.set(p.personId, [...(found.get(p.personId) ?? []), p]);
    return found;
  });
  const presence = (e: DirectoryEntry): Presence | null => {
    const set = withOwn(system, theBusiness().standing.own);
    const person = e.kind === 'group' ? undefined : set.people[e.id];
    const now = theBusiness().now;
    const state = { system: set, standing: theBusiness().standing, calls: line.calls, now };
    return person ? presenceOf(person, phonesOf.get(e.id) ?? [], state) : null;
  };

  async function saveCsv() {
    const { default: Papa } = await import('papaparse');
    const rows = entries.map((e) => ({
      name: e.name,
      kind: e.kind,
      extension: e.extension,
      'direct number': e.direct.join('; '),
      mobile: e.mobile.join('; '),
      'e-mail': e.email,
      site: siteName(e),
      groups: e.groups.join('; '),
    }));
    const text = Papa.unparse(rows, { newline: '\r\n', escapeFormulae: /^[=@\t\r]|^[+-](?!\d)/ });
    saveText('directory.csv', 'text/csv;charset=utf-8', text);
  }
  async function savePresence() {
    const { asPidf } = await import('$core/formats/pidf');
    const seen = Object.fromEntries(
      entries.flatMap((e) => {
        const is = presence(e);
        return is ? [[e.id, is]] : [];
      }),
    );
    saveText('presence.pidf.xml', 'application/pidf+xml', asPidf(system, seen, theBusiness().now));
  }
  async function saveVcards() {
    const { writeVcards } = await import('$core/formats/people/vcard');
    const text = writeVcards(entries, businessNumber(system) ?? null, system.business.name);
    saveText('directory.vcf', 'text/vcard;charset=utf-8', text);
  }
</script>

<div class="tools">
  <Search
    size="sm"
    labelText="Look somebody up"
    placeholder="A name, extension or number"
    bind:value={query}
  />
  <Select
    size="sm"
    hideLabel
    labelText="In the order of"
    selected={order}
    on:update={(e) => (order = e.detail === 'site' ? 'site' : 'name')}
  >
    <SelectItem value="name" text="by name" />
    <SelectItem value="site" text="by site" />
  </Select>
  {#if seenBy === null}
    <Select size="sm" hideLabel labelText="As seen by" bind:selected={asIf}>
      <SelectItem value="" text="as you see it" />
      {#each Object.values(system.people) as p (p.id)}<SelectItem
          value={p.id}
          text="as {p.name} sees it"
        />{/each}
    </Select>
  {/if}
  <ContentSwitcher size="sm" bind:selectedIndex={view}>
    <Switch text="List" />
    <Switch text="Cards" />
  </ContentSwitcher>
</div>
<div class="files small">
  <Button size="small" kind="tertiary" on:click={() => window.print()}
    >Print {view ? 'the cards' : 'the list'}</Button
  >
  <button class="linkish" type="button" onclick={() => void saveCsv()}>Save as CSV</button>
  <button class="linkish" type="button" onclick={() => void saveVcards()}>Save as vCards</button>
  <button
    class="linkish"
    type="button"
    title="A presence document, RFC 3863"
    onclick={() => void savePresence()}>Save presence</button
  >
</div>
{#if view === 0}
  <div class="paper">
    <p class="title">{system.business.name}: who has which number, {dateText(theBusiness().today)}</p>
    {#each sections as [title, list] (title)}
      {#if title}<h2>{title}</h2>{/if}
      <table class="list">
        <thead>
          <tr
            ><th scope="col">Name</th><th scope="col">Ext.</th><th scope="col">Direct</th><th scope="col"
              >Mobile</th
            ><th scope="col">{order === 'site' ? 'Groups' : 'Site and groups'}</th><th scope="col" class="now"
              >Now</th
            ></tr
          >
        </thead>
        <tbody>
          {#each list as e (e.kind + e.id)}
            {@const p = presence(e)}
            <tr>
              <td
                ><b>{e.name}</b>{#if e.kind !== 'person'}<span class="soft">&nbsp;{e.kind}</span>{/if}</td
              >
              <td>{e.extension || '–'}</td>
              <td><Numbers numbers={e.direct} /></td>
              <td><Numbers numbers={e.mobile} /></td>
              <td class="soft"
                >{[order === 'name' && e.kind !== 'group' ? siteName(e) : '', e.groups.join(', ')]
                  .filter(Boolean)
                  .join(' · ')}</td
              >
              <td class="now"
                >{#if p}<Dot kind={DOTS[lamp(p)]} />{presenceInWords(
                    p,
                    dateText,
                  )}{/if}{#if e.kind === 'person'}<Held personId={e.id} />{/if}</td
              >
            </tr>
          {/each}
        </tbody>
      </table>
    {/each}
    {#if !entries.length}<p class="soft">
        {all.length ? `Nobody here matches “${query.trim()}”.` : 'Nobody has an extension yet.'}
        {#if !all.length && theBusiness().may('change the system')}<a href="/people">Add somebody</a>.{/if}
      </p>{/if}
  </div>
{:else}
  <PersonCards entries={entries.filter((e) => e.kind !== 'group')} />
{/if}

<style>
  .tools {
    display: grid;
    grid-template-columns: minmax(180px, 300px) 130px 210px 160px;
    gap: 12px;
    align-items: center;
  }
  .files {
    display: flex;
    gap: 18px;
    align-items: center;
    margin: 10px 0 14px;
  }
  table.list td {
    padding: 6px 12px;
  }
  h2 {
    margin: 16px 0 6px;
  }
  .title {
    display: none;
  }
  @media print {
    .tools,
    .files,
    .now {
      display: none;
    }
    .title {
      display: block;
      font-weight: 650;
      margin: 0 0 8px;
    }
    table.list {
      border: 0;
      margin-bottom: 8px;
    }
    table.list td,
    table.list th {
      padding: 2px 6px;
      font-size: var(--text-tiny);
    }
  }
</style>
