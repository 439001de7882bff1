<script lang="ts">
  import { logJson, logTable } from '$core/story';
  import type { System } from '$core/system';
  import { saveText } from '../files/download';
  import { fieldText } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import type { Told } from './reader.svelte';

  /** All that is found in the log, as files. */
  let { total, system }: { total: number; system: System } = $props();
  /** How many of them have been read; null while nothing is saved. */
  let done = $state<number | null>(null);
  let problem = $state('');
  const written = (at: number) => fieldText(at, theBusiness().zone).replace('T', ' ');
  const name = (end: string) => `log-${fieldText(theBusiness().now, theBusiness().zone).slice(0, 10)}.${end}`;

  /** @param take what becomes of some of them */
  async function read(take: (told: Told[]) => void): Promise<boolean> {
    problem = '';
    done = 0;
    try {
      await theBusiness().logbook.all(total, (told, before) => {
        take(told);
        done = before + told.length;
      });
      return true;
    } catch (error) {
      problem = error instanceof Error ? error.message : String(error);
      return false;
    } finally {
      done = null;
    }
  }
  const settledIn = (told: readonly Told[]) => {
    const by = new Map(told.map((t) => [t.entry, t.settled]));
    return (entry: Told['entry']) => by.get(entry);
  };
  async function csv() {
    const { unparse } = await import('papaparse');
    const rows: string[][] = [];
    const whole = await read((told) => {
      const table = logTable(
        told.map((t) => t.entry),
        system,
        settledIn(told),
        written,
      );
      rows.push(...(rows.length ? table.slice(1) : table));
    });
    // What begins like a formula is text to a spreadsheet, too.
    if (whole)
      saveText(name('csv'), 'text/csv', `${unparse(rows, { newline: '\r\n', escapeFormulae: true })}\r\n`);
  }
  async function json() {
    const all: object[] = [];
    const whole = await read((told) =>
      all.push(
        ...logJson(
          told.map((t) => t.entry),
          system,
          settledIn(told),
        ),
      ),
    );
    if (whole) saveText(name('json'), 'application/json', `${JSON.stringify(all, null, 2)}\n`);
  }
</script>

<p class="small">
  <button class="linkish" type="button" disabled={done !== null} onclick={() => void csv()}
    >Save what is shown as CSV</button
  >
  <button class="linkish" type="button" disabled={done !== null} onclick={() => void json()}>as JSON</button>
  {#if done !== null}<span class="soft" role="status"
      >{done.toLocaleString('en-US')} of {total.toLocaleString('en-US')} are read</span
    >{/if}
  {#if problem}<span class="problem" role="alert">{problem}</span>{/if}
</p>

<style>
  button {
    margin-right: 10px;
  }
  .problem {
    color: var(--alarm);
  }
</style>
