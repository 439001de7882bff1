<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import type { Aside } from '$workspace';
  import { saveText } from '../files/download';
  import { count } from '../format';
  import { theBusiness } from '../window/session.svelte';

  /** Records that could not be read: they lie aside as they were, until somebody has seen to them. */
  const aside = $derived(theBusiness().view.aside);
  const WHAT: Record<Aside['store'], string> = {
    drafts: 'the draft',
    heads: 'the last edits of the draft',
    edits: 'an edit of the history',
    versions: 'an earlier version',
    standing: 'settings that hold at once, and paired phones',
    dealings: 'dealings with the carrier',
    invitations: 'an invitation',
    mail: 'a mail',
    messages: 'a message',
    texts: 'a text',
    faxes: 'a fax',
    errands: 'something a follow-up does',
    tasks: 'a task',
    runs: 'a dialogue by text',
    rounds: 'a round of texts',
    bookings: 'an appointment',
    meetings: 'a meeting',
    devices: 'a phone on another machine',
    callLists: 'a call list',
    listed: 'somebody on a call list',
    circles: 'a conversation of colleagues',
    words: 'words of a colleague',
    ownContacts: 'a contact of somebody’s own',
    threads: 'who has a conversation by text',
    calls: 'a call of the log',
    exchange: 'calls in progress',
    carrier: 'the carrier’s book',
    settings: 'the clock of the bench',
  };
  let saved = $state(false);
  function save() {
    saveText('upper-line-unread.json', 'application/json', JSON.stringify(aside, null, 2));
    saved = true;
  }
</script>

<section class="card" data-testid="unread">
  <h2>{count(aside.length, 'record')} could not be read</h2>
  <p>
    {aside.length === 1 ? 'It lies' : 'They lie'} aside as found; everything else opened. Save {aside.length ===
    1
      ? 'it'
      : 'them'} as a file before you let go: whoever looks after this product may be able to read it.
  </p>
  <ul>
    {#each aside.slice(0, 20) as a (a.id)}
      <li><b>{WHAT[a.store]}</b> <span class="soft">{a.why}</span></li>
    {/each}
    {#if aside.length > 20}<li>and {aside.length - 20} more, all of them in the file</li>{/if}
  </ul>
  <div class="row">
    <Button size="small" on:click={save}>Save as a raw file</Button>
    <Button
      size="small"
      kind="tertiary"
      disabled={!saved}
      on:click={() => void theBusiness().workspace.dropAside(aside.map((a) => a.id))}
      >Let go of {aside.length === 1 ? 'it' : 'them'}</Button
    >
  </div>
</section>

<style>
  .card {
    border-left: 4px solid var(--alarm);
    margin-bottom: 16px;
  }
  ul {
    list-style: disc;
    padding-left: 18px;
    overflow-wrap: anywhere;
  }
  .row {
    display: flex;
    gap: 8px;
    margin-top: 12px;
  }
</style>
