<script lang="ts">
  import { onDestroy, onMount, untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { readLink } from '$standins/mail/invitation';
  import { takeLinks } from '$ui/phone/links';
  import { isInvitedHere } from '$ui/device/invited';
  import { startExchange } from '$ui/exchange';
  import { readJoin, writeJoin } from '../../channel/link';
  import { PhoneDesk } from '$ui/phone/desk.svelte';
  import Pairing from '$ui/phone/setup/Pairing.svelte';
  import PhonePage from '$ui/phone/PhonePage.svelte';
  import StaffPhone from '$ui/phone/StaffPhone.svelte';
  import Trouble from '$ui/data/Trouble.svelte';
  import { session } from '$ui/window/session.svelte';

  const phoneId = $derived(page.url.searchParams.get('as'));
  const businessId = $derived(page.url.searchParams.get('business'));
  let desk = $state.raw<PhoneDesk | null>(null);
  /** The number a link asks to call; asked again it counts up. */
  let given = $state.raw({ to: untrack(() => page.url.searchParams.get('call') ?? ''), n: 0 });
  $effect(() => {
    const opened = phoneId && businessId ? new PhoneDesk(businessId, phoneId, session.say) : null;
    desk = opened;
    untrack(() => (session.phone = opened));
    const stop = phoneId ? takeLinks(phoneId, called) : () => {};
    return () => {
      stop();
      opened?.close();
      desk = session.phone = null;
    };
  });
  function called(to: string) {
    given = { to, n: given.n + 1 };
  }
  /** A link that was sent by a business of another browser makes a phone of this one. */
  let looked = $state(untrack(() => !page.url.hash));
  onMount(async () => {
    const link = readJoin(page.url.hash);
    if (link && !(await isInvitedHere(link.invitationId))) {
      await goto(`/device#${writeJoin(link)}`, { replaceState: true });
      return;
    }
    if (link) startExchange();
    looked = true;
  });
  onDestroy(() => (session.phone = null));
</script>

<svelte:head><title>Staff phone · Upper Line</title></svelte:head>

<PhonePage>
  {#if desk?.none}
    <Trouble trouble={{ why: 'missing', message: desk.none, raw: null }} />
  {:else if desk}
    {#if desk.isOpen}{#key desk}<StaffPhone {desk} {given} />{/key}{:else}
      <p class="pad soft" role="status">Asking the exchange…</p>{/if}
  {:else if !phoneId && looked}
    <Pairing
      given={readLink(page.url.href) ?? null}
      onopen={(business, phone) => void goto(`/phone?business=${business}&as=${phone}`)}
    />
  {/if}
</PhonePage>
