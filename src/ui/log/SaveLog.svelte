<script lang="ts">
  import { logJson, logTable, type Entry, type Settling } from '$core/story';
  import type { System } from '$core/system';
  import { saveText } from '../download';
  import { fieldText } from '../format';
  import { theBusiness } from '../window/session.svelte';

  /** What is shown of the log, as files. */
  let { entries, system, settled }: { entries: readonly Entry[]; system: System; settled: Settling } =
    $props();
  const written = (at: number) => fieldText(at, theBusiness().zone).replace('T', ' ');
  const name = (end: string) => `log-${fieldText(theBusiness().now, theBusiness().zone).slice(0, 10)}.${end}`;
  async function csv() {
    const { unparse } = await import('papaparse');
    const table = logTable(entries, system, settled, written);
    // What begins like a formula is text to a spreadsheet, too.
    saveText(name('csv'), 'text/csv', `${unparse(table, { newline: '\r\n', escapeFormulae: true })}\r\n`);
  }
  const json = () =>
    saveText(
      name('json'),
      'application/json',
      `${JSON.stringify(logJson(entries, system, settled), null, 2)}\n`,
    );
</script>

<p class="small">
  <button class="linkish" type="button" onclick={() => void csv()}>Save what is shown as CSV</button>
  <button class="linkish" type="button" onclick={json}>as JSON</button>
</p>

<style>
  button {
    margin-right: 10px;
  }
</style>
