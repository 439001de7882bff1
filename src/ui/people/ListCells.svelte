<script lang="ts">
  import { createVirtualizer } from '@tanstack/svelte-virtual';
  import { Select } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { FIELDS, type Field, type PeoplePreview, type PeopleTable } from '$core/formats/people';
  import SelectItem from '../fields/SelectItem.svelte';

  /** The cells of a list, each column with what it is read as, each wrong cell with why; cells are typed into. */
  let {
    table,
    preview,
    order,
    onfield,
    oncell,
  }: {
    table: PeopleTable;
    preview: PeoplePreview | null;
    /** Indexes of the rows shown, in order. */
    order: readonly number[];
    onfield: (column: number, field: Field | null) => void;
    oncell: (row: number, column: number, text: string) => void;
  } = $props();

  let box: HTMLDivElement | undefined = $state();
  const virtual = createVirtualizer<HTMLDivElement, HTMLDivElement>({
    count: 0,
    getScrollElement: () => box ?? null,
    estimateSize: () => 34,
    overscan: 6,
  });
  const problemsOf = (row: number) => preview?.rows[row]?.problems ?? [];
  /** What somebody has now and would have, where a row changes them. */
  const changesOf = (row: number) =>
    preview?.rows[row]?.does === 'changes' ? preview.rows[row].changes : [];
  $effect(() => {
    const shown = [...order];
    void preview;
    void box;
    untrack(() =>
      $virtual.setOptions({
        count: shown.length,
        getScrollElement: () => box ?? null,
        getItemKey: (i) => shown[i] ?? i,
        estimateSize: (i) =>
          34 + 17 * (problemsOf(shown[i] ?? -1).length + Math.min(1, changesOf(shown[i] ?? -1).length)),
      }),
    );
    untrack(() => $virtual.measure());
  });
  const grid = $derived(`44px 74px repeat(${table.fields.length}, minmax(0, 1fr))`);
  /** Wide enough for every cell; more columns than fit are scrolled to. */
  const width = $derived(`${118 + 150 * table.fields.length}px`);
  const wrong = (row: number, column: number) => {
    const field = table.fields[column];
    return field != null && problemsOf(row).some((p) => p.field === field);
  };
</script>

<div class="box" bind:this={box}>
  <div class="row head" style:grid-template-columns={grid} style:min-width={width}>
    <span>Row</span><span>What</span>
    {#each table.header as name, c (c)}
      <div>
        <b title={name}>{name}</b>
        <Select
          size="sm"
          hideLabel
          labelText="Column {name} is read as"
          selected={table.fields[c] ?? ''}
          on:update={(e) => onfield(c, (e.detail || null) as Field | null)}
        >
          <SelectItem value="" text="not read" />
          {#each FIELDS as f (f)}<SelectItem value={f} text={f} />{/each}
        </Select>
      </div>
    {/each}
  </div>
  <div class="all" style:height="{$virtual.getTotalSize()}px" style:min-width={width}>
    {#each $virtual.getVirtualItems() as item (item.key)}
      {@const row = order[item.index]}
      {#if row !== undefined && table.rows[row]}
        {@const read = preview?.rows[row]}
        <div class="line {read?.does ?? ''}" style:transform="translateY({item.start}px)">
          <div class="row" style:grid-template-columns={grid}>
            <span class="soft">{row + 1}</span>
            <span class="does">{read?.does ?? ''}</span>
            {#each table.rows[row] as cell, c (c)}
              {@const proposed = read?.proposed && table.fields[c] === 'extension' && !cell}
              <input
                class:wrong={wrong(row, c)}
                class:unread={table.fields[c] === null}
                value={cell}
                placeholder={proposed ? read.extension : ''}
                aria-label="{table.fields[c] ?? table.header[c]}, row {row + 1}"
                aria-invalid={wrong(row, c) ? 'true' : undefined}
                onchange={(e) => oncell(row, c, e.currentTarget.value.trim())}
              />
            {/each}
          </div>
          {#if changesOf(row).length}
            <p
              class="changes"
              title={changesOf(row)
                .map((c) => `${c.field}: ${c.from || 'nothing'} → ${c.to || 'nothing'}`)
                .join('; ')}
            >
              {#each changesOf(row) as c, n (n)}<span
                  ><b>{c.field}</b> <del>{c.from || 'nothing'}</del> → {c.to || 'nothing'}</span
                >{/each}
            </p>
          {/if}
          {#each problemsOf(row) as p (p.field + p.message)}
            <p class="problem"><b>{p.field}</b> {p.message}</p>
          {/each}
        </div>
      {/if}
    {/each}
  </div>
</div>

<style>
  .box {
    height: 380px;
    overflow: auto;
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  .row {
    display: grid;
    align-items: center;
  }
  .head {
    position: sticky;
    top: 0;
    z-index: 2;
    background: var(--sheet);
    border-bottom: 1px solid var(--rule);
    padding: 6px 0;
    font-size: var(--text-small);
    color: var(--ink-soft);
  }
  .head > span,
  .row > span {
    padding: 0 8px;
  }
  .head div {
    padding: 0 4px;
    min-width: 0;
  }
  .head b {
    display: block;
    padding: 0 4px 3px;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    color: var(--ink);
  }
  .all {
    position: relative;
  }
  .line {
    position: absolute;
    inset: 0 0 auto 0;
    border-bottom: 1px solid var(--rule);
  }
  .changes {
    margin: 0 0 0 52px;
    height: 17px;
    overflow: hidden;
    white-space: nowrap;
    text-overflow: ellipsis;
    font-size: var(--text-small);
  }
  .changes span + span {
    margin-left: 14px;
  }
  .line .row {
    height: 33px;
    font-size: var(--text-body);
  }
  input {
    border: 1px solid transparent;
    background: none;
    color: var(--ink);
    height: 29px;
    padding: 0 8px;
    font-size: var(--text-body);
    min-width: 0;
    width: 100%;
  }
  input:hover {
    border-color: var(--rule);
  }
  input.wrong {
    border-color: var(--alarm);
    background: var(--alarm-wash);
  }
  input.unread {
    color: var(--ink-soft);
    text-decoration: line-through;
  }
  .does {
    font-size: var(--text-small);
    color: var(--ink-soft);
  }
  .new .does {
    color: var(--group);
    font-weight: 650;
  }
  .wrong .does {
    color: var(--alarm);
    font-weight: 650;
  }
  .problem {
    color: var(--alarm);
    font-size: var(--text-small);
    line-height: 17px;
    margin: 0;
    padding-left: 126px;
    height: 17px;
    white-space: nowrap;
  }
</style>
