<script lang="ts">
  import { Button, ProgressBar, Select } from 'carbon-components-svelte';
  import { onDestroy, onMount } from 'svelte';
  import { addressOfHelp, helpFor } from '$core/calls';
  import { addressLine, profileOf } from '$core/numbering';
  import type { Person, Phone, System } from '$core/system';
  import { here } from '../../window/session.svelte';
  import OwnAddress from './OwnAddress.svelte';
  import Way from './Way.svelte';
  import type { OwnPhoneMemory } from '../own-phone.svelte';
  import type { Hurdle } from '$core/phone';
  import type { SoundCheck } from '../sounds/sound.svelte';
  import SelectItem from '../../fields/SelectItem.svelte';

  /** What a phone needs of its person before the first call, step by step; each can be left for later. */
  let {
    person,
    phone,
    system,
    own,
    sound,
    notifications,
    hurdles,
    apart,
    onnotifications,
    done,
  }: {
    person: Person;
    phone: Phone;
    system: System;
    own: OwnPhoneMemory;
    sound: SoundCheck;
    notifications: NotificationPermission;
    hurdles: Hurdle[];
    /** The exchange is on another machine. */
    apart: boolean;
    onnotifications: (state: NotificationPermission) => void;
    done: () => void;
  } = $props();
  let step = $state(0);
  onMount(() => void sound.look());
  onDestroy(() => sound.stop());

  const help = $derived(helpFor(system, here().standing, person.id, here().now, phone));
  const address = $derived(addressOfHelp(system, help.place));
  const line = $derived(address ? addressLine(address) : '');
  const emergency = $derived(profileOf(system.business.country).emergency[0] ?? '112');
  const network = $derived(here().standing.registrations[phone.id]?.address);
  let elsewhere = $state(false);

  async function ask() {
    if ('Notification' in window) onnotifications(await Notification.requestPermission());
    step = 2;
  }
  function confirmAddress() {
    own.set({ confirmed: { at: here().now, address: line, network } });
    step = 4;
  }
  const finish = () => {
    own.set({ setUp: true });
    done();
  };
  const STEPS = ['Microphone', 'Notifications', 'Sound', 'Address', 'Ready'];
</script>

<section class="pad" data-testid="set-up">
  <h1>Set up this phone</h1>
  <ProgressBar
    size="sm"
    labelText="{step + 1} of {STEPS.length}: {STEPS[step]}"
    value={step + 1}
    max={STEPS.length}
  />
  <div class="card">
    {#if step === 0}
      <h2>The microphone</h2>
      <p>
        So that callers hear you. The browser asks once; it is listened to only while you talk, and now to
        show you that it works.
      </p>
      {#if sound.microphone === 'granted'}<p class="good">It is allowed.</p>{/if}
      {#if sound.problem}<p class="warn" role="alert">{sound.problem}</p>{/if}
      {#if apart && sound.microphone === 'granted'}<Way />{/if}
      <div class="row">
        {#if sound.microphone === 'granted'}
          <Button on:click={() => (step = 1)}>Go on</Button>
        {:else}
          <Button
            on:click={async () => {
              await sound.listen(own.value.microphone);
              if (sound.microphone === 'granted') step = 1;
            }}>Allow the microphone</Button
          >
          <Button kind="ghost" on:click={() => (step = 1)}>Later</Button>
        {/if}
      </div>
    {:else if step === 1}
      <h2>Notifications</h2>
      <p>So that a call shows while you look at another window. Nothing else is ever shown by them.</p>
      {#if apart}<p class="small" data-testid="locked">
          It rings as long as this page is open, in sight or behind others. A device that is locked, or whose
          browser is closed, does not: no outside service wakes it. Where that matters, let your own number
          ring as well: <i>Me</i>,
          <i>How you are reached</i>.
        </p>{/if}
      {#if notifications === 'denied'}<p class="warn">
          The browser refuses them. Calls ring in this window: keep it in sight.
        </p>{/if}
      <div class="row">
        {#if notifications === 'default'}
          <Button on:click={() => void ask()}>Allow notifications</Button>
          <Button kind="ghost" on:click={() => (step = 2)}>Later</Button>
        {:else}<Button on:click={() => (step = 2)}>Go on</Button>{/if}
      </div>
    {:else if step === 2}
      <h2>Sound check</h2>
      <div class="fields">
        <Select
          size="sm"
          labelText="Microphone"
          selected={own.value.microphone}
          on:update={(e) => {
            if (e.detail === own.value.microphone) return;
            own.set({ microphone: String(e.detail) });
            void sound.listen(own.value.microphone);
          }}
        >
          <SelectItem value="" text="the usual one" />
          {#each sound.microphones as d (d.id)}<SelectItem value={d.id} text={d.name} />{/each}
        </Select>
        <div>
          <p class="bx--label" id="level-label">Say something: it moves</p>
          <meter min="0" max="1" value={sound.level} aria-labelledby="level-label" data-testid="level"
          ></meter>
        </div>
        {#each [['speaker', 'Speaker, for talking'], ['ring', 'Where it rings']] as const as [which, label] (which)}
          <div class="two">
            <Select
              size="sm"
              labelText={label}
              selected={own.value[which]}
              on:update={(e) => e.detail !== own.value[which] && own.set({ [which]: String(e.detail) })}
            >
              <SelectItem value="" text="the usual one" />
              {#each sound.speakers as d (d.id)}<SelectItem value={d.id} text={d.name} />{/each}
            </Select>
            <Button size="small" kind="tertiary" on:click={() => void sound.playTone(own.value[which])}
              >Play a tone<span class="visually-hidden">&nbsp;on {label}</span></Button
            >
          </div>
        {/each}
      </div>
      {#if sound.problem}<p class="warn" role="alert">{sound.problem}</p>{/if}
      <div class="row">
        {#if sound.level === 0}<Button
            kind="tertiary"
            on:click={() => void sound.listen(own.value.microphone)}>Listen</Button
          >{/if}
        <Button
          on:click={() => {
            sound.stop();
            step = 3;
          }}>It works</Button
        >
      </div>
    {:else if step === 3}
      <h2>If you call {emergency}</h2>
      {#if line && !elsewhere}
        <p>From this phone, help is sent to:</p>
        <p class="address">{line}</p>
        <div class="row">
          <Button on:click={confirmAddress}>That is where I am</Button>
          <Button kind="tertiary" on:click={() => (elsewhere = true)}>I am elsewhere</Button>
        </div>
      {:else}
        {#if !line}<p class="warn">
            No address is known for this phone: help would not know where to go.
          </p>{/if}
        <OwnAddress
          {phone}
          done={(text) => {
            own.set({ confirmed: { at: here().now, address: text, network } });
            step = 4;
          }}
        />
        <Button kind="ghost" size="small" on:click={() => (step = 4)}>Later</Button>
      {/if}
    {:else}
      {#if hurdles.some((h) => h.stops)}
        <h2>Not quite ready</h2>
        <ul>
          {#each hurdles as h (h.words)}<li><b>{h.words}.</b> {h.todo}</li>{/each}
        </ul>
      {:else}
        <h2>Ready</h2>
        <p>Calls to {person.extension} ring here, as long as this window is open.</p>
        {#each hurdles as h (h.words)}<p class="small">{h.words}. {h.todo}</p>{/each}
      {/if}
      {#if !own.value.confirmed}<p class="warn">You have not confirmed where help is sent.</p>{/if}
      <Button on:click={finish}>To the phone</Button>
    {/if}
  </div>
</section>

<style>
  .pad {
    padding: 16px 18px;
  }
  .pad :global(.bx--progress-bar) {
    margin: 6px 0 14px;
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    margin-top: 14px;
  }
  .two {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 10px;
    align-items: end;
  }
  meter {
    width: 100%;
    height: 16px;
  }
  .address {
    font-size: var(--text-title);
    font-weight: 650;
  }
  .good {
    color: var(--group);
  }
  .warn {
    color: var(--alarm);
  }
  ul {
    padding-left: 18px;
  }
  li {
    padding: 4px 0;
  }
</style>
