<script lang="ts">
  import { Modal, ProgressBar } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import type { CsvKind, CsvPreview } from '$core/formats/csv';
  import { count } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import { TookTooLong } from '../asked/latest';
  import { readCsvFile } from './read';

  /** What reading a file would change, row by row; nothing is applied before it is confirmed. */
  let { kind, file, close }: { kind: CsvKind; file: File; close: () => void } = $props();
  const LARGEST = 5_000_000;
  let preview = $state.raw<CsvPreview | null>(null);
  let note = $state('');
  let done = $state<{ rows: number; of: number } | null>(null);
  const stop = new AbortController();
  onDestroy(() => stop.abort());

  async function look() {
    if (file.size > LARGEST) {
      preview = {
        ok: false,
        message: 'The file is larger than 5 MB. Is it the right one? Nothing was read.',
      };
      return;
    }
    try {
      const progress = (rows: number, of: number) => (done = { rows, of });
      ({ preview, note } = await readCsvFile(kind, file, theBusiness().system, progress, stop.signal));
    } catch (error) {
      const message =
        error instanceof TookTooLong ? error.message : 'The file could not be read. Nothing was changed.';
      preview = { ok: false, message };
    }
  }
  void look();

  const rows = $derived(preview?.ok ? preview.rows : []);
  const tally = (does: string) => rows.filter((r) => r.does === does).length.toLocaleString('en-US');
  const commands = $derived(preview?.ok ? preview.commands : []);
  /** Wrong rows first, then what changes; so many are drawn. */
  const MOST_SHOWN = 200;
  const ORDER = { wrong: 0, new: 1, changes: 2, same: 3 };
  const shown = $derived(
    [...rows].sort((a, b) => ORDER[a.does] - ORDER[b.does] || a.row - b.row).slice(0, MOST_SHOWN),
  );

  function apply() {
    if (!commands.length) return close();
    const result = theBusiness().edit(
      `Read ${count(commands.length, 'row')} of ${file.name}`.slice(0, 200),
      commands,
      {
        withNotice: true,
        quiet: true,
      },
    );
    if (result.ok) close();
    else
      preview = {
        ok: false,
        message: `Nothing was changed. ${result.problems.map((p) => p.message).join(' ')}`,
      };
  }
</script>

<Modal
  open
  size="lg"
  modalHeading="Read {file.name}?"
  primaryButtonText={!preview
    ? 'Reading…'
    : commands.length
      ? `Apply ${count(commands.length, 'row')}`
      : 'Nothing to apply'}
  primaryButtonDisabled={!commands.length}
  secondaryButtonText="Leave it"
  on:click:button--secondary={close}
  on:close={close}
  on:submit={apply}
>
  {#if !preview}
    <ProgressBar
      labelText="Reading"
      helperText={done ? `${done.rows} of ${done.of} rows` : ''}
      value={done?.rows}
      max={done?.of ?? 1}
    />
  {:else if !preview.ok}
    <p class="problem" role="alert">{preview.message}</p>
  {:else}
    <p>
      {count(rows.length, 'row')}: {tally('new')} new, {tally('changes')} with changes, {tally('same')} as they
      are{#if rows.some((r) => r.does === 'wrong')},
        <b class="problem">{tally('wrong')} wrong, which are left out</b>{/if}. {note}
    </p>
    {#if preview.ignored.length}<p class="small soft">Not read: {preview.ignored.join(', ')}.</p>{/if}
    <table class="list">
      <thead><tr><th>Row</th><th>{kind === 'sites' ? 'Site' : 'Number'}</th><th>What happens</th></tr></thead>
      <tbody>
        {#each shown as row (row.row)}
          <tr class={row.does}>
            <td>{row.row}</td>
            <td>{row.name || '–'}</td>
            <td>
              {#each row.problems as p (p.column + p.message)}<div class="problem">
                  <b>{p.column}</b>
                  {p.message}
                </div>{/each}
              {#if !row.problems.length}
                {#if row.does === 'same'}as it is{:else if row.does === 'new'}<b>new</b>{/if}
                {#each row.changes as c (c.column)}
                  <div>
                    <b>{c.column}</b>
                    {#if c.from}<s>{c.from}</s> →&nbsp;{/if}{c.to || 'nothing'}
                  </div>
                {/each}
              {/if}
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
    {#if rows.length > shown.length}<p class="soft">
        and {(rows.length - shown.length).toLocaleString('en-US')} more.
      </p>{/if}
  {/if}
</Modal>

<style>
  .problem {
    color: var(--alarm);
  }
  .same td {
    color: var(--ink-soft);
  }
  td {
    overflow-wrap: anywhere;
  }
</style>
