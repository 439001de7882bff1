<script lang="ts">
  import { Button, ProgressBar } from 'carbon-components-svelte';
  import { onDestroy, onMount } from 'svelte';
  import { fetchFrom } from '../../channel/relay';
  import { relayAt } from '$exchange/devices/far';
  import { Taker } from '$exchange/moving/taker';
  import type { Around, MoveLink } from '$exchange/moving/words';
  import { Changes, openDatabase, putAround, readCalls, writeWhole } from '$workspace';
  import { Files } from '../data/files';
  import { kindOfDevice } from '../device/kind';
  import { bytesText } from '../format';

  /** Takes the exchange over from another machine. */
  let { link, ontaken }: { link: MoveLink; ontaken: () => void } = $props();
  let step = $state<'link' | 'asks' | 'comes' | 'storing'>('link');
  let business = $state('');
  let problem = $state('');
  let got = $state({ n: 0, of: 0 });
  let taker: Taker | null = null;
  const files = new Files();
  onMount(() => void start());
  onDestroy(() => {
    taker?.close();
    files.stop();
  });

  async function start() {
    problem = '';
    step = 'link';
    taker = new Taker(
      link,
      await kindOfDevice(),
      {
        waits(name) {
          business = name;
          step = 'asks';
        },
        got(n, of) {
          got = { n, of };
          step = 'comes';
        },
        all: (file, calls, around) => void store(file, calls, around),
        failed(why) {
          // Once it is stored here nothing of it fails any more.
          if (step !== 'storing') problem = why;
          taker?.close();
        },
      },
      relayAt(fetchFrom('')),
    );
  }
  async function store(file: Blob, calls: unknown, around: Around) {
    step = 'storing';
    try {
      const read = await files.read(file, () => {});
      if (!read?.ok) throw new Error(read?.message ?? 'The reading was stopped.');
      const db = await openDatabase();
      const { id } = read.whole.business;
      await writeWhole(db, read.whole, { opens: true, calls: readCalls(calls) });
      await putAround(db, id, around);
      await taker?.taken();
      const changes = new Changes();
      changes.tell({ businessId: null, what: 'clock' });
      changes.tell({ businessId: id, what: 'businesses' });
      changes.tell({ businessId: null, what: 'carrier' });
      changes.close();
      db.close();
      ontaken();
    } catch (error) {
      problem = error instanceof Error ? error.message : String(error);
      taker?.failed(problem);
      step = 'link';
    }
  }
</script>

<main>
  <h1>Take the exchange over</h1>
  {#if problem}
    <p class="problem" role="alert">{problem}</p>
    <Button size="small" kind="tertiary" on:click={() => void start()}>Try again</Button>
  {:else if step === 'link'}<p role="status">Finding the other machine…</p>
  {:else if step === 'asks'}
    <p role="status">
      Somebody at the machine of <b>{business}</b> has to say yes now. What is here of a business of the same name
      is replaced.
    </p>
  {:else}
    <ProgressBar
      labelText={step === 'comes' ? 'It comes here' : 'It is stored'}
      helperText={got.of ? `${bytesText(got.n)} of ${bytesText(got.of)}` : ''}
      value={got.n}
      max={got.of || 1}
    />
  {/if}
</main>

<style>
  main {
    max-width: 720px;
    margin: 40px auto;
    padding: 0 20px;
  }
  .problem {
    color: var(--alarm);
  }
</style>
