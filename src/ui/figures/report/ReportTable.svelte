<script lang="ts">
  import type { Table } from '$core/traffic';
  import { saveText } from '../../files/download';
  import { count } from '../../format';
  import { partText } from '../value';
  import { valueText } from '$core/traffic';

  /** Figures as a table: each count leads to its calls, and all of it is taken along as a file. */
  interface Props {
    table: Table;
    currency: string;
    /** Of the file, without its end. */
    file: string;
    chosen: string | null;
    onbehind: (key: string, title: string) => void;
  }
  let { table, currency, file, chosen, onbehind }: Props = $props();
  /** So many rows are drawn at first. */
  const AT_ONCE = 30;
  let all = $state(false);
  const rows = $derived(all ? table.rows : table.rows.slice(0, AT_ONCE));

  async function csv() {
    const { unparse } = await import('papaparse');
    const lines = [
      [table.of, ...table.heads],
      // Numbers as they are: a spreadsheet reckons with them.
      ...table.rows.map((r) => [r.name, ...r.cells.map((c) => c.value ?? '')]),
    ];
    saveText(`${file}.csv`, 'text/csv', `${unparse(lines, { newline: '\r\n', escapeFormulae: true })}\r\n`);
  }
</script>

<section>
  <h3>
    {table.title}
    {#if table.rows.length}<button class="linkish small" type="button" onclick={() => void csv()}
        >as CSV</button
      >{/if}
  </h3>
  {#if table.rows.length}
    <div class="scroll">
      <table class="list">
        <thead>
          <tr>
            <th scope="col">{table.of}</th>
            {#each table.heads as head (head)}<th scope="col" class="figure">{head}</th>{/each}
          </tr>
        </thead>
        <tbody>
          {#each rows as row, i (i)}
            <tr>
              <th scope="row">{partText(row.name)}</th>
              {#each row.cells as cell, j (j)}
                <td class="figure">
                  {#if cell.key}
                    {@const key = cell.key}
                    <button
                      class="linkish"
                      type="button"
                      aria-pressed={chosen === key}
                      onclick={() => onbehind(key, `${partText(row.name)}: ${table.heads[j]}`)}
                      >{valueText(cell.value, cell.unit, currency)}</button
                    >
                  {:else}{valueText(cell.value, cell.unit, currency)}{/if}
                </td>
              {/each}
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
    {#if table.rows.length > rows.length}
      <p class="small">
        <button class="linkish" type="button" onclick={() => (all = true)}
          >Show all {count(table.rows.length, 'row')}</button
        >
      </p>
    {/if}
    {#if table.more}<p class="soft small">
        {count(table.more, 'more row')} not shown, those with least.
      </p>{/if}
  {:else}<p class="soft">{table.none}</p>{/if}
</section>

<style>
  h3 {
    display: flex;
    gap: 12px;
    align-items: baseline;
    margin: 14px 0 4px;
    font-size: var(--text-lead);
  }
  .scroll {
    overflow-x: auto;
  }
  tbody th {
    font-weight: 400;
  }
  .figure {
    text-align: right;
    font-variant-numeric: tabular-nums;
    white-space: nowrap;
  }
  button[aria-pressed='true'] {
    background: var(--copper-wash);
  }
  @media print {
    h3 button,
    p button {
      display: none;
    }
  }
</style>
