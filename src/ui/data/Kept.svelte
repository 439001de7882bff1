<script lang="ts">
  import { Button, ProgressBar } from 'carbon-components-svelte';
  import { bytesText, count } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import { keeping } from './keeping.svelte';

  /** How the browser holds the data, and how much room there is. */
  const view = $derived(theBusiness().view);
  const { room, kept } = $derived(keeping);
  /** All of them; the window itself has the newest. */
  let calls = $state<number | undefined>();
  $effect(() => {
    void view.calls;
    const { db, id } = theBusiness();
    void db
      .countFromIndex('calls', 'business', id)
      .then((n) => (calls = n))
      .catch(() => {});
  });
</script>

<section class="card">
  <h2>In this browser</h2>
  <p data-testid="kept">
    {#if kept}
      <b>The browser keeps it.</b> It has promised not to clear it by itself. Clearing the browser’s data still
      does.
    {:else if kept === false}
      <b>The browser may clear it</b> when the machine runs out of room, beginning with what was not used for long.
    {:else}
      This browser does not say whether it keeps it.
    {/if}
  </p>
  {#if kept === false}
    <Button size="small" on:click={() => void keeping.ask()}>Ask the browser to keep it</Button>
    <p class="soft small">Browsers grant it to pages that are used often, or were installed.</p>
  {/if}
  {#if room}
    <div class="room">
      <ProgressBar
        labelText="Room"
        value={room.used}
        max={Math.max(room.of, 1)}
        helperText="{bytesText(room.used)} used, {bytesText(
          Math.max(0, room.of - room.used),
        )} left for this product"
      />
    </div>
  {/if}
  <p class="soft">
    {view.business.kind === 'demonstration' ? 'The demonstration' : theBusiness().system.business.name} has {count(
      view.draft.edits.length,
      'edit',
    )} to go back to, {count(view.messages.length, 'message')}, {count(calls ?? view.calls.length, 'call')}, {count(
      view.texts.length,
      'text',
    )}, {count(view.faxes.length, 'fax', 'faxes')}, {count(view.mail.length, 'mail')}.
  </p>
</section>

<style>
  .room {
    margin: 16px 0;
  }
  p {
    margin: 8px 0 10px;
  }
</style>
