<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { DEMO_ID, demonstration } from '$demo/lantern-cove';
  import { dumpDatabase, mend, writeWhole, type WayOn } from '$workspace';
  import { saveText } from '../files/download';
  import { session, type Trouble } from '../window/session.svelte';

  let { trouble }: { trouble: Trouble } = $props();
  const WORDS: Record<Trouble['why'], string> = {
    newer: 'This browser holds data of a newer version',
    damaged: 'The stored data of this business is damaged',
    missing: 'This business is not here',
    storage: 'The browser does not let Upper Line store its data',
  };

  async function save() {
    const everything = await dumpDatabase();
    saveText('upper-line-raw-data.json', 'application/json', JSON.stringify(everything, null, 2));
  }
  /** The damaged business stays where it is; another one is opened beside it. */
  async function other() {
    const taken = await session.db!.get('businesses', DEMO_ID);
    const id = taken ? `${DEMO_ID}-${Date.now()}` : DEMO_ID;
    await writeWhole(session.db!, demonstration(Date.now(), id), { opens: true });
    await session.open(id);
  }
  const WAYS: Record<WayOn, { act: string; loses: string }> = {
    'draft without head': {
      act: 'Go on without the last edits',
      loses:
        'The draft opens as it was before the edits of the last minutes. Those edits could not be read; they are set aside.',
    },
    'draft from version': {
      act: 'Go on from what is in force',
      loses: 'What callers get now becomes the draft. What had been changed since is set aside.',
    },
    'version before': {
      act: 'Go back to the version before',
      loses:
        'Callers get what was in force before the last time. The one that cannot be read is set aside; the draft stays.',
    },
    'fresh standing': {
      act: 'Go on without settings that held at once',
      loses:
        'Phones have to be paired again, and do not disturb, forwarding people set themselves, and PINs are set anew. What could not be read is set aside.',
    },
    'fresh dealings': {
      act: 'Go on without the carrier’s papers',
      loses: 'Ports, approvals and texts are set aside. Numbers stay.',
    },
  };
  let taking = $state(false);
  let problem = $state('');
  /** What is damaged goes into a file first, whatever becomes of it. */
  async function take(way: WayOn) {
    taking = true;
    problem = '';
    try {
      await save();
      await mend(session.db!, trouble.businessId!, way);
      await session.open(trouble.businessId!);
    } catch (error) {
      problem = error instanceof Error ? error.message : String(error);
    }
    taking = false;
  }
</script>

<main>
  <h1>{WORDS[trouble.why]}</h1>
  <p>{trouble.message}</p>
  <p>
    Nothing has been overwritten. You can save everything as it lies in the browser, as a file, before you do
    anything else.
  </p>
  <div class="row">
    <Button size="small" on:click={save}>Save the raw data</Button>
    {#if trouble.why === 'damaged' || trouble.why === 'missing'}
      <Button size="small" kind="tertiary" on:click={other}>Open a demonstration beside it</Button>
    {/if}
  </div>
  {#if trouble.ways?.length}
    <h2>Ways on</h2>
    {#each trouble.ways as way (way)}
      <div class="way">
        <p>{WAYS[way].loses}</p>
        <Button size="small" kind="tertiary" disabled={taking} on:click={() => void take(way)}
          >{WAYS[way].act}</Button
        >
      </div>
    {/each}
    <p class="soft small">The raw data is saved as a file first.</p>
  {/if}
  {#if problem}<p class="wrong" role="alert">{problem}</p>{/if}
</main>

<style>
  main {
    max-width: 640px;
    margin: 60px auto;
    padding: 28px;
    background: var(--sheet);
    border: 1px solid var(--rule);
    border-top: 3px solid var(--copper);
  }
  p {
    margin: 10px 0;
  }
  .way {
    border-top: 1px solid var(--rule);
    padding: 6px 0 12px;
  }
  .wrong {
    color: var(--alarm);
  }
  h2 {
    margin: 22px 0 8px;
  }
  .row {
    display: flex;
    gap: 8px;
    margin-top: 18px;
  }
</style>
