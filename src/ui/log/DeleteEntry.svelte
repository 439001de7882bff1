<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import type { Entry } from '$core/story';
  import { deleteEntries } from '$workspace';
  import { byWhom } from '../format';
  import { session, theBusiness } from '../window/session.svelte';

  /** One entry goes for good, which is asked once more; that it went stays on record. */
  let { entry }: { entry: Entry } = $props();
  let sure = $state(false);
  let busy = $state(false);
  async function drop() {
    busy = true;
    const { id, call, message, text, fax } = entry;
    const { workspace, actorName } = theBusiness();
    try {
      await deleteEntries(
        workspace,
        {
          calls: call ? [id] : [],
          messages: message ? [message.id] : [],
          texts: text ? [id] : [],
          faxes: fax ? [id] : [],
        },
        byWhom(actorName),
      );
      theBusiness().didForGood('Delete an entry of the log', 'It was deleted for good.');
    } catch (error) {
      const detail = error instanceof Error ? error.message : String(error);
      session.say({ kind: 'error', title: 'Not deleted', detail });
    } finally {
      busy = false;
    }
  }
</script>

<button class="linkish small" type="button" aria-expanded={sure} onclick={() => (sure = !sure)}
  >Delete for good…</button
>
{#if sure}
  <div role="group" aria-label="Delete this entry for good">
    <p class="small">
      {entry.message && entry.call
        ? 'The call and the message left in it go'
        : entry.call?.recordings?.length
          ? 'It goes with its recordings'
          : 'It goes'}, and nothing brings it back.
    </p>
    <Button size="small" kind="danger" disabled={busy} on:click={() => void drop()}>Delete it</Button>
    <Button size="small" kind="ghost" on:click={() => (sure = false)}>Leave it</Button>
  </div>
{/if}

<style>
  div {
    flex-basis: 100%;
  }
  p {
    margin: 4px 0;
  }
</style>
