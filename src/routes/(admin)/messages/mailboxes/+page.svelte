<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { addMailbox } from '$ui/mailboxes/edits';
  import MailboxCard from '$ui/mailboxes/MailboxCard.svelte';
  import { theBusiness } from '$ui/window/session.svelte';

  const mailboxes = $derived(Object.values(theBusiness().system.mailboxes));
</script>

<svelte:head><title>Mailboxes · Messages · Upper Line</title></svelte:head>

<h1>Mailboxes</h1>
<p class="sub">
  Where callers leave messages: who hears them, and what callers are greeted with on which occasion.
</p>
{#each mailboxes as m (m.id)}
  <MailboxCard mailbox={m} />
{:else}
  <div class="empty">
    <h2>No mailbox yet</h2>
    <p>People have one of their own; one for several is started here or in a Voicemail step.</p>
  </div>
{/each}
<Button size="small" kind="tertiary" on:click={() => addMailbox('New mailbox')}>Start a mailbox</Button>
