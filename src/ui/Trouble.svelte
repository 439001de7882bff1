<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { DEMO_ID, demonstration } from '$demo/lantern-cove';
  import { dumpDatabase, writeWhole } from '$workspace';
  import { saveText } from './download';
  import { session, type Trouble } from './session.svelte';

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
    await writeWhole(session.db!, demonstration(Date.now(), id));
    await session.db!.put('settings', id, 'business');
    await session.open(id);
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
  .row {
    display: flex;
    gap: 8px;
    margin-top: 18px;
  }
</style>
