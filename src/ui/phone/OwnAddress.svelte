<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { addDays } from '$core/hours';
  import { addressLine, addressProblems } from '$core/numbering';
  import { civicAddress, type CivicAddress, type Phone } from '$core/system';
  import AddressFields from '../fields/AddressFields.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** Where a phone is used: given by whoever uses it, kept as the phone's own address. */
  let { phone, done }: { phone: Phone; done: (line: string) => void } = $props();
  let address = $state.raw<CivicAddress>(
    untrack(() => phone.address ?? civicAddress({ country: theBusiness().system.business.country })),
  );
  let tried = $state(false);
  let problem = $state('');
  const problems = $derived(addressProblems(address));

  function keep() {
    tried = true;
    if (Object.keys(problems).length) return;
    problem =
      theBusiness().keep(`Say where ${phone.name.toLowerCase()} is used`, [
        {
          do: 'phone.set',
          id: phone.id,
          change: { address, checkAgainOn: addDays(theBusiness().today, 365) },
        },
      ]) ?? '';
    if (!problem) done(addressLine(address));
  }
</script>

<p class="small soft">
  Where you use this phone. It holds as soon as whoever does the phones has put it in force.
</p>
<AddressFields
  {address}
  problems={tried ? problems : {}}
  keep={(next) => {
    address = next;
    return undefined;
  }}
/>
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
<Button size="small" on:click={keep}>This is where I am</Button>

<style>
  .problem {
    color: var(--alarm);
  }
</style>
