<script lang="ts">
  import {
    Button,
    FileUploaderDropContainer,
    MultiSelect,
    ProgressBar,
    Select,
    TextArea,
    Toggle,
  } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import { goto } from '$app/navigation';
  import type { Field, PeopleOptions, PeoplePreview, PeopleTable } from '$core/formats/people';
  import { EXTENSION_RULES, type ExtensionRule } from '$core/people';
  import { PHONE_NAMES, type PhoneKind } from '$core/system';
  import { outsideConsequence } from '../phones/outside';
  import { count } from '../format';
  import { Remembered } from '../remembered.svelte';
  import { theBusiness } from '../window/session.svelte';
  import ListCells from './ListCells.svelte';
  import { TookTooLong } from '../asked/latest';
  import { ListReader } from './reader';
  import SelectItem from '../fields/SelectItem.svelte';

  /** Reads or pastes a list of people: columns matched, extensions proposed, errors beside their cells, then one edit. */
  const LARGEST = 5_000_000;
  const EXAMPLE = 'name\te-mail\tsite\tgroups\nAda Fenwick\tada@yard.example\tThe yard\tSlip';
  const OWN: PhoneKind[] = ['browser', 'computer', 'mobile app', 'desk'];
  const system = $derived(theBusiness().system);
  const key = theBusiness().view.business.id;
  const pasted = new Remembered(`people-list-text:${key}`, '');
  /** What was read and changed by hand, so that a reload loses none of it. */
  const kept = new Remembered<PeopleTable | null>(`people-list:${key}`, null);
  const options = new Remembered<PeopleOptions>(`people-list-options:${key}`, {
    rule: 'next free',
    makeGroups: false,
    phones: ['browser'],
    outside: ['mobile app', 'browser'],
  });
  const table = $derived(kept.value);
  let preview = $state.raw<PeoplePreview | null>(null);
  let problem = $state('');
  let busy = $state<{ done: number; of: number } | null>(null);
  let onlyWrong = $state(false);
  const reader = new ListReader();
  onDestroy(() => reader.stop());

  async function take(list: string | Uint8Array) {
    problem = '';
    busy = { done: 0, of: 1 };
    try {
      const read = await reader.table(list);
      if ('message' in read) problem = read.message;
      else kept.value = read;
    } catch (error) {
      problem =
        error instanceof TookTooLong ? error.message : 'The list could not be read. Nothing was changed.';
    }
    busy = null;
  }
  async function takeFile(files: readonly File[]) {
    const file = files[0];
    if (!file) return;
    if (file.size > LARGEST) problem = 'The file is larger than 5 MB. Is it the right one? Nothing was read.';
    else await take(new Uint8Array(await file.arrayBuffer()));
  }

  // What it would change is worked out anew with every change of a cell, a column, an option or the draft.
  $effect(() => {
    const list = table;
    const [given, now] = [options.value, system];
    if (!list) {
      preview = null;
      return;
    }
    const timer = setTimeout(async () => {
      busy = { done: 0, of: list.rows.length };
      try {
        const told = (done: number, of: number) => {
          busy = { done, of };
        };
        const plain = JSON.parse(JSON.stringify([list, given])) as [PeopleTable, PeopleOptions];
        const read = await reader.preview(
          plain[0].rows,
          plain[0].fields,
          plain[0].faults,
          plain[1],
          now,
          told,
        );
        if (!read) return;
        preview = read;
      } catch {
        problem = 'The list could not be worked out. Nothing was changed.';
      }
      busy = null;
    }, 60);
    return () => clearTimeout(timer);
  });

  const tally = (does: string) => preview?.rows.filter((r) => r.does === does).length ?? 0;
  const wrong = $derived(tally('wrong'));
  const ready = $derived(tally('new') + tally('changes'));
  const order = $derived.by(() => {
    const all = table?.rows.map((_, i) => i) ?? [];
    return onlyWrong && preview ? all.filter((i) => preview!.rows[i]?.does === 'wrong') : all;
  });
  const unread = $derived(table?.header.filter((_, c) => table.fields[c] === null) ?? []);

  const setField = (column: number, field: Field | null) => {
    if (!table || table.fields[column] === field) return;
    // A field stands in one column.
    const fields = table.fields.map((f, c) => (c === column ? field : f === field ? null : f));
    kept.value = { ...table, fields };
  };
  const setCell = (row: number, column: number, text: string) => {
    if (!table || table.rows[row]?.[column] === text) return;
    const rows = table.rows.map((r, i) => (i === row ? r.map((c, n) => (n === column ? text : c)) : r));
    kept.value = { ...table, rows };
  };
  const set = (change: Partial<PeopleOptions>) => (options.value = { ...options.value, ...change });

  async function apply() {
    if (!preview?.commands.length) return;
    const result = theBusiness().edit(`Read a list: ${count(ready, 'person', 'people')}`, preview.commands, {
      quiet: true,
      withNotice: true,
    });
    if (!result.ok) {
      problem = `Nothing was changed. ${result.problems.map((p) => p.message).join(' ')}`;
      return;
    }
    // What was wrong stays here, to be put right.
    const rows = table!.rows.filter((_, i) => preview!.rows[i]?.does === 'wrong');
    kept.value = rows.length ? { ...table!, rows, faults: {} } : null;
    if (!rows.length) {
      pasted.value = '';
      await goto('/people');
    }
  }
  function leave() {
    reader.stop();
    busy = null;
    kept.value = null;
    problem = '';
  }
</script>

{#if !table}
  <div class="start">
    <div class="card">
      <TextArea
        labelText="Paste a list"
        rows={9}
        placeholder={EXAMPLE}
        helperText="Cells copied from a spreadsheet, CSV, or vCards. A header helps and is not needed."
        value={pasted.value}
        on:input={(e: Event) => (pasted.value = (e.target as HTMLTextAreaElement).value)}
      />
      <Button size="small" disabled={!pasted.value.trim() || !!busy} on:click={() => void take(pasted.value)}
        >Read it</Button
      >
    </div>
    <div class="card">
      <p class="bx--label">Or a file</p>
      <FileUploaderDropContainer
        labelText="Drop a CSV or vCard file here, or choose one"
        accept={['.csv', '.txt', '.tsv', '.vcf', 'text/csv', 'text/vcard']}
        validateFiles={(files) => [...files]}
        on:change={(e) => void takeFile([...e.detail])}
      />
      <p class="small soft">
        Columns that are known: name, given name, family name, e-mail, extension, role, site, groups, phones,
        mobile, direct number, working hours. Others are shown, and not read.
      </p>
    </div>
  </div>
  {#if busy}
    <ProgressBar
      labelText="Reading"
      {...busy.of > 1
        ? { value: busy.done, max: busy.of, helperText: `${busy.done} of ${busy.of} rows` }
        : {}}
    />
    <button class="linkish small" type="button" onclick={() => reader.stop()}>Stop reading</button>
  {/if}
  {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
{:else}
  <div class="options">
    <Select
      size="sm"
      labelText="Extensions not given are"
      selected={options.value.rule}
      on:update={(e) => set({ rule: e.detail as ExtensionRule })}
    >
      {#each Object.entries(EXTENSION_RULES) as [rule, words] (rule)}<SelectItem
          value={rule}
          text={words}
        />{/each}
    </Select>
    <MultiSelect
      size="sm"
      labelText="Phones, where a row names none"
      label={options.value.phones.map((k) => PHONE_NAMES[k].toLowerCase()).join(', ') || 'none'}
      items={OWN.map((k) => ({ id: k, text: PHONE_NAMES[k] }))}
      selectedIds={options.value.phones}
      sortItem={() => 0}
      on:select={(e) => set({ phones: e.detail.selectedIds as PhoneKind[] })}
    />
    <div>
      <MultiSelect
        size="sm"
        labelText="Phones that may be used outside the office"
        label={options.value.outside.map((k) => PHONE_NAMES[k].toLowerCase()).join(', ') || 'none'}
        items={OWN.map((k) => ({ id: k, text: PHONE_NAMES[k] }))}
        selectedIds={options.value.outside}
        sortItem={() => 0}
        on:select={(e) => set({ outside: e.detail.selectedIds as PhoneKind[] })}
      />
    </div>
  </div>
  {#if !options.value.outside.includes('mobile app')}<p class="small warn">
      {outsideConsequence('mobile app', false, system)}
    </p>{/if}
  <p role="status" data-testid="list-status">
    {count(table.rows.length, 'row')}{#if preview}: {tally('new').toLocaleString('en-US')} new, {tally(
        'changes',
      ).toLocaleString('en-US')}
      with changes, {tally('same').toLocaleString('en-US')} as they are{#if wrong},
        <b class="warn">{wrong.toLocaleString('en-US')} wrong, which are left out</b>{/if}.{/if}
    {table.note}
    {#if unread.length}Not read: {unread.join(', ')}.{/if}
  </p>
  {#if preview?.missingGroups.length && !options.value.makeGroups}
    <p class="small">
      These groups do not exist: {preview.missingGroups.slice(0, 6).join(', ')}.
      <button class="linkish" type="button" onclick={() => set({ makeGroups: true })}>Make them</button>
    </p>
  {:else if options.value.makeGroups}
    <p class="small soft">
      Groups that do not exist are made{preview?.missingGroups.length
        ? `: ${preview.missingGroups.slice(0, 6).join(', ')}`
        : ''}.
      <button class="linkish" type="button" onclick={() => set({ makeGroups: false })}
        >Do not make them</button
      >
    </p>
  {/if}
  <ListCells {table} {preview} {order} onfield={setField} oncell={setCell} />
  {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
  <div class="foot">
    <Button disabled={!ready || !!busy} on:click={() => void apply()}
      >{busy
        ? `Working… ${busy.done} of ${busy.of}`
        : ready
          ? `Apply ${count(ready, 'row')}`
          : 'Nothing to apply'}</Button
    >
    <Button kind="ghost" on:click={leave}>Leave it</Button>
    {#if wrong}
      <Toggle
        size="sm"
        hideLabel
        labelText="Only what is wrong"
        labelA="all rows"
        labelB="only what is wrong"
        toggled={onlyWrong}
        on:toggle={(e) => (onlyWrong = e.detail.toggled)}
      />
    {/if}
  </div>
{/if}

<style>
  .start {
    display: grid;
    grid-template-columns: 1.4fr 1fr;
    gap: 26px;
  }
  .start :global(.bx--btn) {
    margin-top: 12px;
  }
  .options {
    display: grid;
    grid-template-columns: repeat(3, minmax(0, 1fr));
    gap: 14px;
    margin-bottom: 12px;
  }
  p {
    margin: 0 0 8px;
  }
  .warn,
  .problem {
    color: var(--alarm);
  }
  .foot {
    display: flex;
    gap: 12px;
    align-items: center;
    margin-top: 14px;
  }
</style>
