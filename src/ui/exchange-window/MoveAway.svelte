<script lang="ts">
  import { Button, ProgressBar } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import { fetchFrom, RelayClient } from '../../channel/relay';
  import { Giver } from '$exchange/moving/giver';
  import { writeMove } from '$exchange/moving/words';
  import { besideOf, letGoOfKeys, rest } from '$workspace';
  import { Files } from '../data/files';
  import { bytesText } from '../format';
  import { readSharing } from '../phones/apart/sharing';
  import { session, theBusiness } from '../window/session.svelte';

  /** Gives the exchange to another machine, by a link that is opened there. */
  let link = $state('');
  let picture = $state('');
  let asks = $state('');
  let gone = $state<{ n: number; of: number } | null>(null);
  let problem = $state('');
  let giver = $state.raw<Giver | null>(null);
  /** Given by this window or one that is gone, and not known to have arrived. */
  const resting = $derived(theBusiness().view.moved);
  const files = new Files();
  onDestroy(() => {
    giver?.close();
    files.stop();
  });

  async function offer() {
    problem = '';
    giver = await Giver.offer(
      theBusiness().system.business.name,
      {
        asked: (kind) => (asks = kind),
        gone: (n, of) => (gone = { n, of }),
        taken: () => void taken(),
        failed: (why, all) => void failed(why, all),
      },
      (token, told) => new RelayClient({ as: 'exchange', token }, told, fetchFrom('')),
    );
    const sharing = await readSharing();
    link = `${sharing?.address ?? location.origin}/exchange#${writeMove(await giver.link())}`;
    const { toDataURL } = await import('qrcode');
    picture = await toDataURL(link, { errorCorrectionLevel: 'M', width: 320, margin: 2 });
  }
  /** Calls rest from here on, so that nothing happens that does not go along. */
  async function give() {
    const { workspace, now } = theBusiness();
    const { db, changes, id } = workspace;
    gone = { n: 0, of: 0 };
    try {
      await rest(db, id, { at: now, to: asks, known: false });
      changes.tell({ businessId: id, what: 'businesses' });
      const written = await files.write(await workspace.whole(), () => {});
      if (!written?.ok) throw new Error(written?.message ?? 'No file was made.');
      const { calls, around } = await besideOf(db, id);
      await giver?.give(written.file, calls, around);
    } catch (error) {
      const why = error instanceof Error ? error.message : String(error);
      giver?.notNow(why);
      await failed(why);
    }
  }
  async function taken() {
    const { workspace, now } = theBusiness();
    const { db, changes, id } = workspace;
    await letGoOfKeys(db, id);
    changes.tell({ businessId: id, what: 'devices' });
    await rest(db, id, { at: now, to: asks, known: true });
    changes.tell({ businessId: id, what: 'businesses' });
  }
  /** It goes on here. */
  async function failed(why: string, all = false) {
    const { db, changes, id } = theBusiness().workspace;
    // Once everything was sent it may go on there: then only somebody who has looked says where it does.
    if (all) return stop();
    if (gone) {
      await rest(db, id, null);
      changes.tell({ businessId: id, what: 'businesses' });
      session.say({ kind: 'error', title: 'Not moved: calls go on here', detail: why });
    }
    problem = why;
    stop();
  }
  async function goOn() {
    const { db, changes, id } = theBusiness().workspace;
    await rest(db, id, null);
    changes.tell({ businessId: id, what: 'businesses' });
    problem = '';
  }
  function stop() {
    giver?.close();
    giver = null;
    link = asks = '';
    gone = null;
  }
</script>

<section class="card" aria-label="Move to another machine">
  <h2>Move to another machine</h2>
  {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
  {#if resting && !giver}
    <p>
      It was given to <b>{resting.to}</b>, by another window or one that is gone, and whether it arrived is
      not known here. Look there: if calls are switched there, close this window. If not:
    </p>
    <Button size="small" kind="tertiary" on:click={() => void goOn()}>Go on here</Button>
  {:else if gone}
    <ProgressBar
      labelText="It goes to {asks}"
      helperText={gone.of ? `${bytesText(gone.n)} of ${bytesText(gone.of)}` : 'Everything is put together…'}
      value={gone.n}
      max={gone.of || 1}
    />
  {:else if asks}
    <p>
      <b>{asks}</b> has come by the link. Everything goes there, and calls rest for as long as that takes.
    </p>
    <Button size="small" on:click={() => void give()}>Give it to them</Button>
    <Button size="small" kind="ghost" on:click={stop}>No</Button>
  {:else if link}
    <p>
      Open this link there, once, while this window stays open. Whoever has it can ask for everything; you say
      yes.
    </p>
    <p class="link" data-testid="move-link">{link}</p>
    {#if picture}<img src={picture} width="160" height="160" alt="The same link, for a camera" />{/if}
    <Button size="small" kind="ghost" on:click={stop}>Not after all</Button>
  {:else}
    <p class="small">
      Calls between phones on other machines go on there. A window of this browser that is on a call is not
      taken along: finish those first.
    </p>
    <Button size="small" kind="tertiary" on:click={() => void offer()}>Make a link</Button>
  {/if}
</section>

<style>
  .link {
    overflow-wrap: anywhere;
    font-family: var(--mono, monospace);
  }
  .problem {
    color: var(--alarm);
  }
</style>
