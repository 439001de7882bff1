<script lang="ts">
  import { onDestroy, onMount } from 'svelte';
  import AskIn from '$ui/device/AskIn.svelte';
  import OnDevice from '$ui/device/OnDevice.svelte';
  import CutOff from '$ui/device/CutOff.svelte';
  import { ThisDevice } from '$ui/device/device.svelte';
  import Notices from '$ui/frame/Notices.svelte';
  import PhonePage from '$ui/phone/PhonePage.svelte';
  import StaffPhone from '$ui/phone/StaffPhone.svelte';
  import { forgetFragment } from '$ui/window/secret';
  import { readJoin } from '../../channel/link';

  const device = new ThisDevice();
  let now = $state(Date.now());
  onMount(() => {
    const link = readJoin(location.hash);
    forgetFragment();
    void device.start(link);
    const ticking = setInterval(() => (now = Date.now()), 1000);
    return () => clearInterval(ticking);
  });
  onDestroy(() => device.close());
  const { standing } = $derived(device);
  const asking = $derived(device.own !== null && !device.own.paired);
</script>

<svelte:head>
  <title>A phone of your own · Upper Line</title>
  <link rel="manifest" href="/device.webmanifest" />
  <meta name="theme-color" content="#9c4316" />
</svelte:head>
<svelte:window ononline={device.wake} onfocus={device.wake} />

<PhonePage>
  {#if device.cut && device.own}<CutOff
      cut={device.cut}
      {now}
      zone={device.desk?.isOpen ? device.desk.zone : undefined}
      shows={device.desk?.isOpen ?? false}
    />{/if}
  <OnDevice settled={device.desk?.isOpen ?? false} />
  {#if device.problem}<p class="problem pad" role="alert">{device.problem}</p>{/if}
  {#if device.own?.paired && device.given}
    <p class="pad" data-testid="other-link">
      A link to become another phone was opened; this device is the phone of {device.own.paired.who}.
      <button class="linkish" type="button" onclick={() => void device.forget(device.given)}
        >Give that up and use the link</button
      >
      <button class="linkish" type="button" onclick={() => (device.given = null)}>Leave it as it is</button>
    </p>
  {/if}
  {#if !device.ready}
    <p class="pad soft" role="status">Looking what this device is…</p>
  {:else if device.elsewhere}
    <div class="card pad">
      <h1>Open in another window</h1>
      <p>This device is a phone in another window of this browser. Close that one, and it goes on here.</p>
    </div>
  {:else if standing?.is === 'shut out'}
    <div class="card pad" data-testid="shut-out">
      <h1>This device has been shut out</h1>
      <p>
        It is no phone any more{device.problem ? '' : ', and nothing of the business is kept on it'}. Ask for
        a new invitation if it is yours.
      </p>
    </div>
  {:else if standing?.is === 'suspended'}
    <div class="card pad" data-testid="suspended">
      <h1>Wait a moment</h1>
      <p>{standing.why}</p>
      <p>Whoever does the phones has been told, and says whether this device may go on.</p>
    </div>
  {:else if device.desk}
    {#if device.desk.isOpen}{#key device.desk}<StaffPhone
          desk={device.desk}
          cut={device.cut !== null}
        />{/key}
    {:else}<p class="pad soft" role="status">Asking the exchange…</p>{/if}
  {:else if asking}
    <Notices />
    <div class="card pad" data-testid="asking">
      <h1>{standing ? 'Asked to be let in' : 'Finding the business…'}</h1>
      {#if standing?.is === 'asks' && standing.business}
        <p>
          Somebody at <b>{standing.business}</b> has to say that this device is yours. Keep this page open; it goes
          on by itself.
        </p>
      {:else if device.cut?.why === 'no exchange'}
        <p>It asks as soon as somebody there has the business open.</p>
      {/if}
      <p><button class="linkish" type="button" onclick={() => void device.forget()}>Not now</button></p>
    </div>
  {:else if device.own?.paired && standing?.is === 'refused'}
    <div class="card pad" data-testid="not-known">
      <h1>Not known there now</h1>
      <p>{standing.why}</p>
      <p>What this device is stays on it, in case an older copy of the business was read there.</p>
      <p>
        <button class="linkish" type="button" onclick={() => void device.forget()}>Give this phone up</button>
      </p>
    </div>
  {:else if device.mayAsk}
    <div class="pad">
      <AskIn
        given={device.given}
        refused={standing?.is === 'refused' ? standing.why : ''}
        onask={(name) => void device.ask(name)}
        ongiven={(link) => (device.given = link)}
      />
    </div>
  {/if}
</PhonePage>

<style>
  .problem {
    color: var(--alarm);
    margin: 0;
  }
</style>
