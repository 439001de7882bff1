<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { addressLine, addressProblems } from '$core/numbering';
  import { civicAddress, type CivicAddress, type Phone } from '$core/system';
  import AddressFields from '../../fields/AddressFields.svelte';
  import { here } from '../../window/session.svelte';
  import { deskOf } from '../desk.svelte';

  /** Where a phone is used: given by whoever uses it, kept as the phone's own address. */
  let { phone, done }: { phone: Phone; done: (line: string) => void } = $props();
  let address = $state.raw<CivicAddress>(
    untrack(() => phone.address ?? civicAddress({ country: here().system.business.country })),
  );
  let tried = $state(false);
  let problem = $state('');
  const problems = $derived(addressProblems(address));

  async function keep() {
    tried = true;
    if (Object.keys(problems).length) return;
    try {
      problem = (await deskOf(here()).ask({ do: 'address', address })) ?? '';
    } catch (error) {
      problem = error instanceof Error ? error.message : String(error);
    }
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
<Button size="small" on:click={() => void keep()}>This is where I am</Button>

<style>
  .problem {
    color: var(--alarm);
  }
</style>
