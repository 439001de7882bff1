<script lang="ts">
  import { Button, Checkbox, FileUploaderButton } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import type { CardRow } from '$core/formats/contacts';
  import { storeBytes } from '$workspace';
  import { FileReading } from '../files/file-reader.svelte';
  import { count } from '../format';
  import ReadingFile from '../files/ReadingFile.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** Reads a file of cards: who is new and who is known is seen first, and each can be left out. */
  const reading = new FileReading();
  let rows = $state.raw<CardRow[] | null>(null);
  /** Those that are not to be taken. */
  let without = $state<number[]>([]);
  let problem = $state('');
  let said = $state('');
  const AT_ONCE = 60;
  let shown = $state(AT_ONCE);
  const IS: Record<CardRow['is'], string> = {
    new: 'new',
    adds: 'known: adds',
    same: 'known, the same',
    'not taken': 'not taken',
  };
  const commands = $derived(
    (rows ?? []).flatMap((r, i) => (r.command && !without.includes(i) ? [r.command] : [])),
  );
  const tally = (is: CardRow['is']) => (rows ?? []).filter((r) => r.is === is).length;

  async function read(files: readonly File[]) {
    const [file] = files;
    if (!file) return;
    problem = said = '';
    rows = null;
    const found = await reading.cards(
      file,
      untrack(() => theBusiness().system),
    );
    if (!found) return;
    if (!found.ok) return (problem = found.message);
    rows = found.rows;
    without = [];
    shown = AT_ONCE;
  }
  async function take() {
    const { db, id } = theBusiness();
    try {
      for (const [i, { picture }] of (rows ?? []).entries())
        if (picture && !without.includes(i)) await storeBytes(db, id, picture);
    } catch (error) {
      return (problem = error instanceof Error ? error.message : String(error));
    }
    const message = await theBusiness().keepStored(
      `Take ${count(commands.length, 'contact')} from a file`,
      commands,
    );
    problem = message ?? '';
    if (problem) return;
    said = `${count(commands.length, 'contact')} taken.`;
    rows = null;
  }
</script>

<FileUploaderButton
  size="small"
  kind="tertiary"
  labelText="Read a file of contacts"
  accept={[
    '.vcf',
    '.vcard',
    'text/vcard',
    '.csv',
    '.tsv',
    '.txt',
    'text/csv',
    '.json',
    'application/vcard+json',
  ]}
  disableLabelChanges
  on:change={(e) => void read(e.detail)}
/>
<ReadingFile {reading} />
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
<p role="status" class="small soft">{said}</p>
{#if rows}
  <section class="card" aria-label="What the file has">
    <h2>{count(rows.length, 'contact')} in the file</h2>
    <p class="soft small">
      {tally('new')} new, {tally('adds')} known with something to add, {tally('same')} the same, {tally(
        'not taken',
      )} not taken. Nothing is changed yet.
    </p>
    <ul>
      {#each rows.slice(0, shown) as row, i (i)}
        <li>
          {#if row.command}
            <Checkbox
              labelText={row.name}
              checked={!without.includes(i)}
              on:check={(e) =>
                (without = e.detail
                  ? without.filter((x) => x !== i)
                  : [...without.filter((x) => x !== i), i])}
            />
          {:else}<span>{row.name}</span>{/if}
          <span class="small" class:soft={!row.command}
            >{IS[row.is]}{row.contact && row.contact.name !== row.name
              ? ` (${row.contact.name})`
              : ''}{row.says ? `: ${row.says}` : ''}</span
          >
        </li>
      {/each}
    </ul>
    {#if rows.length > shown}<button class="linkish small" type="button" onclick={() => (shown += 200)}
        >Show more of {rows.length.toLocaleString('en-US')}</button
      >{/if}
    <div class="acts">
      <Button size="small" disabled={!commands.length} on:click={() => void take()}
        >Take {count(commands.length, 'contact')}</Button
      >
      <Button size="small" kind="ghost" on:click={() => (rows = null)}>Leave it</Button>
    </div>
  </section>
{/if}

<style>
  ul {
    list-style: none;
    margin: 8px 0;
    padding: 0;
    max-height: 46vh;
    overflow-y: auto;
  }
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.4fr);
    gap: 10px;
    align-items: center;
    padding: 3px 0;
    border-bottom: 1px solid var(--rule);
    overflow-wrap: anywhere;
  }
  .acts {
    display: flex;
    gap: 8px;
    margin-top: 8px;
  }
  .problem {
    color: var(--alarm);
  }
</style>
