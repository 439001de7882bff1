<script lang="ts">
  import { Search, Select } from 'carbon-components-svelte';
  import { contactOf } from '$core/system';
  import type { FaxRecord } from '$workspace';
  import SelectItem from '../fields/SelectItem.svelte';
  import { count } from '../format';
  import { Remembered } from '../remembered.svelte';
  import { theBusiness } from '../window/session.svelte';
  import FaxNumbers from './FaxNumbers.svelte';
  import FaxSheet from './FaxSheet.svelte';
  import { faxInWords } from './reached';
  import SendFax from './SendFax.svelte';

  /** Faxes that came and went, each with its pages, and sending one. */
  const business = $derived(theBusiness());
  const all = $derived([...business.view.faxes].reverse());
  type Which = 'all' | 'open' | 'out' | 'archive';
  const form = new Remembered<{ which: Which; open: string }>(`faxes ${theBusiness().id}`, {
    which: 'all',
    open: '',
  });
  let query = $state('');
  const words = $derived(query.toLowerCase().split(/\s+/).filter(Boolean));
  const otherOf = (f: FaxRecord) => (f.way === 'in' ? f.from : f.to);
  const nameOf = (f: FaxRecord) =>
    contactOf(otherOf(f), business.system.contacts)?.name ?? business.number(otherOf(f));
  const isOpen = (f: FaxRecord) => f.way === 'in' && !f.folder && f.answeredAt === undefined;
  function isAmong(f: FaxRecord): boolean {
    switch (form.value.which) {
      case 'all':
        return !f.folder;
      case 'open':
        return isOpen(f);
      case 'out':
        return f.way === 'out';
      case 'archive':
        return f.folder === 'archive';
    }
  }
  const found = $derived(
    all.filter((f) => {
      const text = [nameOf(f), otherOf(f), otherOf(f).replace(/\D/g, ''), f.file.name, f.note]
        .join(' ')
        .toLowerCase();
      return isAmong(f) && words.every((w) => text.includes(w));
    }),
  );
  const open = $derived(found.find((f) => f.id === form.value.open) ?? found[0]);
  const waiting = $derived(all.filter(isOpen).length);
</script>

<h1>Faxes</h1>
<p class="sub">
  {waiting ? `${count(waiting, 'fax waits', 'faxes wait')} for somebody to see to it.` : 'None waits.'} What comes
  in goes to the mailbox of its number.
</p>
<div class="columns">
  <section>
    <Search
      size="sm"
      labelText="Search faxes"
      placeholder="Search: names, numbers, files, notes"
      bind:value={query}
    />
    <Select
      size="sm"
      hideLabel
      labelText="Which faxes"
      selected={form.value.which}
      on:update={(e) => (form.value = { ...form.value, which: e.detail as Which })}
    >
      <SelectItem value="all" text="what came and went" />
      <SelectItem value="open" text="that wait" />
      <SelectItem value="out" text="that went out" />
      <SelectItem value="archive" text="the archive" />
    </Select>
    <ul aria-label="Faxes">
      {#each found as f (f.id)}
        {@const where = faxInWords(f, business.now, business.zone)}
        <li>
          <button
            type="button"
            class:here={f === open}
            aria-current={f === open ? 'true' : undefined}
            data-testid="fax-row"
            onclick={() => (form.value = { ...form.value, open: f.id })}
          >
            <b>{f.way === 'in' ? nameOf(f) : `To ${nameOf(f)}`}</b>
            <span class="small">{count(f.pages, 'page')}: {f.file.name}</span>
            <span class="small" class:waits={where.failed || isOpen(f)}
              >{where.words}{f.assignedTo
                ? ` · ${business.system.people[f.assignedTo]?.name ?? 'somebody'} sees to it`
                : ''}{f.answeredAt ? ' · done' : ''}</span
            >
          </button>
        </li>
      {:else}<li class="soft none">
          {all.length ? 'None is found by that.' : 'No faxes yet.'}
        </li>{/each}
    </ul>
    <SendFax />
    <FaxNumbers />
  </section>
  <aside>
    {#if open}
      {#key open.id}<FaxSheet fax={open} />{/key}
    {:else}
      <div class="empty">
        <h2>No fax to look at</h2>
        <p>
          Say below which number takes faxes. A fax machine outside, on the <b>bench</b>, sends one; a picture
          or PDF of yours goes to any number.
        </p>
      </div>
    {/if}
  </aside>
</div>

<style>
  .columns {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.5fr);
  }
  ul {
    list-style: none;
    margin: 8px 0;
    padding: 0;
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  li {
    border-bottom: 1px solid var(--rule);
  }
  li button {
    display: grid;
    gap: 2px;
    width: 100%;
    padding: 8px 12px;
    border: 0;
    border-left: 3px solid transparent;
    background: none;
    text-align: left;
    color: inherit;
    font: inherit;
    cursor: pointer;
    overflow-wrap: anywhere;
  }
  button.here {
    border-left-color: var(--copper);
    background: var(--copper-wash);
  }
  .waits {
    color: var(--copper);
    font-weight: 600;
  }
  .none {
    padding: 10px 12px;
  }
</style>
