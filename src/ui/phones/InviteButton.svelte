<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import type { Person, Phone } from '$core/system';
  import { withdraw } from '$workspace';
  import { session, theBusiness } from '../window/session.svelte';
  import { sendInvitations } from './invite';

  let { person, phone }: { person: Person; phone: Phone } = $props();
  let busy = $state(false);
  const open = $derived(
    theBusiness().view.invitations.find(
      (i) => i.phoneId === phone.id && i.state === 'open' && theBusiness().now < i.expiresAt,
    ),
  );

  async function send() {
    busy = true;
    await sendInvitations([{ person, phone }]);
    busy = false;
  }
  async function takeBack() {
    await withdraw(theBusiness().workspace, [phone.id]);
    session.say({ kind: 'info', title: `The invitation of ${person.name} was taken back` });
  }
</script>

<span class="row">
  <Button size="small" kind="tertiary" disabled={busy} on:click={send}>
    {open ? 'Invite again' : 'Invite'}<span class="visually-hidden">&nbsp;{person.name}, {phone.name}</span>
  </Button>
  {#if open}<button class="linkish small" type="button" onclick={takeBack}
      >Take back<span class="visually-hidden">&nbsp;the invitation of {person.name}, {phone.name}</span
      ></button
    >{/if}
</span>

<style>
  .row {
    display: inline-flex;
    gap: 8px;
    align-items: center;
    white-space: nowrap;
  }
</style>
