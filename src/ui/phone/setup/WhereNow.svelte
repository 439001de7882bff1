<script lang="ts">
  import { addressOfHelp, helpFor } from '$core/calls';
  import { addressLine } from '$core/numbering';
  import type { Person, Phone, System } from '$core/system';
  import type { PhoneDesk } from '../desk.svelte';
  import OwnAddress from './OwnAddress.svelte';
  import type { OwnPhoneMemory } from '../own-phone.svelte';

  /** The phone is on another network than when somebody last said where it is: help would be sent to the wrong door. */
  let {
    desk,
    person,
    phone,
    system,
    own,
  }: { desk: PhoneDesk; person: Person; phone: Phone; system: System; own: OwnPhoneMemory } = $props();
  const registration = $derived(desk.standing.registrations[phone.id]);
  const moved = $derived(
    registration?.outside === true && own.value.confirmed?.network !== registration.address,
  );
  const help = $derived(helpFor(system, desk.standing, person.id, desk.minute, phone));
  const known = $derived(help.elsewhere ? null : addressOfHelp(system, help.place));
  let elsewhere = $state(false);
  function confirm(address: string) {
    own.set({ confirmed: { at: desk.now, address, network: registration?.address } });
    elsewhere = false;
  }
</script>

{#if moved}
  <div class="card" data-testid="where-now">
    <h2>Where are you now?</h2>
    <p>
      This phone is on another network. {known
        ? `If you call for help, it is sent to ${addressLine(known)}.`
        : 'If you call for help, nobody knows where to send it: you would have to say.'}
    </p>
    {#if elsewhere}
      <OwnAddress {phone} done={confirm} />
    {:else}
      <div class="row">
        {#if known}<button type="button" onclick={() => confirm(addressLine(known))}
            >That is where I am</button
          >{/if}
        <button type="button" onclick={() => (elsewhere = true)}>I am somewhere else</button>
      </div>
    {/if}
  </div>
{/if}

<style>
  .card {
    border-left: 4px solid var(--alarm);
    grid-column: 1 / -1;
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
  }
  button {
    min-height: 44px;
    padding: 0 14px;
    border: 1px solid var(--rule);
    background: var(--sheet);
    color: var(--ink);
    font: inherit;
    cursor: pointer;
  }
</style>
