<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { logJson } from '$core/story';
  import type { Contact, System } from '$core/system';
  import { forget, sweepBytes } from '$workspace';
  import { saveText } from '../files/download';
  import { byWhom, count } from '../format';
  import { theBusiness } from '../window/session.svelte';

  /** What somebody may ask for: to have all there is about them, or to have it deleted. */
  interface Props {
    contact: Contact;
    /** How many entries there are with them. */
    total: number;
    system: System;
  }
  let { contact, total, system }: Props = $props();
  let sure = $state(false);
  let busy = $state(false);
  let problem = $state('');

  async function take() {
    const { told } = await theBusiness().logbook.with(contact.numbers, Infinity);
    const settled = new Map(told.map((t) => [t.entry, t.settled]));
    const entries = logJson([...settled.keys()], system, (entry) => settled.get(entry));
    const all = { contact, entries };
    saveText(
      `${contact.name.replace(/[^\p{L}\p{N}]+/gu, '-').slice(0, 40)}.json`,
      'application/json',
      `${JSON.stringify(all, null, 2)}\n`,
    );
  }
  async function drop() {
    busy = true;
    const { db, id, workspace, now, actorName } = theBusiness();
    try {
      await forget(db, id, contact.numbers, byWhom(actorName), now);
      await workspace.changed('calls', 'messages', 'texts', 'threads', 'ownContacts', 'faxes', 'dealings');
      await sweepBytes(db, id);
      problem =
        (await theBusiness().keepStored('Remove a contact for good', [
          { do: 'contact.remove', id: contact.id },
        ])) ?? '';
    } catch (error) {
      problem = error instanceof Error ? error.message : String(error);
    } finally {
      busy = false;
    }
  }
</script>

<div class="acts">
  <button class="linkish small" type="button" onclick={() => void take()}>Take all about them along</button>
  <button class="linkish small" type="button" aria-expanded={sure} onclick={() => (sure = !sure)}
    >Delete all about them for good…</button
  >
</div>
{#if sure}
  <div class="sure" role="group" aria-label="Delete for good">
    <p>
      {count(total, 'entry', 'entries')} with recordings, and the contact. That cannot be undone. What was done
      to the contact stays in the history of edits, and in copies outside this browser.
    </p>
    <Button size="small" kind="danger" disabled={busy} on:click={() => void drop()}>Delete for good</Button>
    <Button size="small" kind="ghost" disabled={busy} on:click={() => (sure = false)}>Leave it</Button>
  </div>
{/if}
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}

<style>
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
  }
  .sure {
    border-left: 3px solid var(--alarm);
    padding-left: 10px;
  }
  .problem {
    color: var(--alarm);
  }
</style>
