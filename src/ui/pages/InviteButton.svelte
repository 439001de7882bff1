<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import type { Person, Phone } from '$core/system';
  import { invite } from '$workspace';
  import { ui } from '../frame/open.svelte';
  import { freshId } from '../ids';
  import { session } from '../session.svelte';

  let { person, phone }: { person: Person; phone: Phone } = $props();
  let busy = $state(false);
  const open = $derived(
    session.view!.invitations.find(
      (i) => i.phoneId === phone.id && i.state === 'open' && session.now < i.expiresAt,
    ),
  );

  async function send() {
    busy = true;
    const random = () => crypto.getRandomValues(new Uint32Array(1))[0]! / 2 ** 32;
    const result = await invite(
      session.workspace!,
      person,
      phone,
      { id: () => freshId('mail'), random },
      `${location.origin}/phone`,
    );
    busy = false;
    if (result.ok) {
      session.say({
        kind: 'success',
        title: `Invitation sent to ${person.email}`,
        detail: 'It is in the bench’s mail.',
      });
      ui.bench = true;
    } else session.say({ kind: 'error', title: 'Not invited', detail: result.message });
  }
</script>

<Button size="small" kind="tertiary" disabled={busy} on:click={send}>
  {open ? 'Invite again' : 'Invite'}<span class="visually-hidden">&nbsp;{person.name}, {phone.name}</span>
</Button>
