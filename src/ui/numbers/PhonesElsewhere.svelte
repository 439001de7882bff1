<script lang="ts">
  import { addressLine, addressProblems } from '$core/numbering';
  import { civicAddress, isLinked, type CivicAddress } from '$core/system';
  import { addDays } from '$core/hours';
  import AddressFields from '../fields/AddressFields.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** Phones that may be used outside the office, each with the address help is sent to from there. */
  const system = $derived(theBusiness().system);
  const phones = $derived(Object.values(system.phones).filter((p) => p.outsideOffice && !isLinked(p)));
  let open = $state<string | null>(null);
  const owner = (id: string | null) => (id ? system.people[id] : undefined);
  const today = $derived(theBusiness().today);

  function keep(id: string, address: CivicAddress): string | undefined {
    const phone = system.phones[id];
    if (!phone) return undefined;
    const checkAgainOn = phone.checkAgainOn ?? addDays(today, 365);
    return theBusiness().keep(
      `Change where ${owner(phone.personId)?.name ?? 'somebody'} uses ${phone.name.toLowerCase()}`,
      [{ do: 'phone.set', id, change: { address, checkAgainOn } }],
    );
  }
</script>

<h2>Phones used elsewhere</h2>
{#if !phones.length}
  <p class="soft">No phone may be used outside the office.</p>
{:else}
  <table class="list">
    <thead
      ><tr><th>Phone</th><th>Help is sent to</th><th><span class="visually-hidden">Change</span></th></tr
      ></thead
    >
    <tbody>
      {#each phones as phone (phone.id)}
        {@const person = owner(phone.personId)}
        {@const site = person?.siteId ? system.sites[person.siteId] : undefined}
        <tr>
          <td><b>{person?.name ?? 'Nobody'}</b><br /><span class="soft small">{phone.name}</span></td>
          <td>
            {#if phone.address}
              {addressLine(phone.address)}
              {#each Object.values(addressProblems(phone.address)) as m (m)}<p class="problem small">
                  {m}
                </p>{/each}
              {#if phone.checkAgainOn && phone.checkAgainOn <= today}
                <p class="small due">
                  Is this still right? <button
                    class="linkish"
                    type="button"
                    onclick={() =>
                      theBusiness().edit(
                        `The place of ${person?.name}’s ${phone.name.toLowerCase()} is still right`,
                        [{ do: 'phone.set', id: phone.id, change: { checkAgainOn: addDays(today, 365) } }],
                      )}>Yes, ask in a year</button
                  >
                </p>
              {/if}
            {:else}<span class="soft"
                >{site
                  ? `${site.name} as the business’s, while it is elsewhere`
                  : 'nowhere: no address is known'}</span
              >{/if}
          </td>
          <td>
            <button
              class="linkish small"
              type="button"
              aria-expanded={open === phone.id}
              onclick={() => (open = open === phone.id ? null : phone.id)}
              >{open === phone.id ? 'Done' : 'Give an address'}<span class="visually-hidden">
                &nbsp;for {person?.name}, {phone.name}</span
              ></button
            >
          </td>
        </tr>
        {#if open === phone.id}
          <tr>
            <td colspan="3">
              <AddressFields
                address={phone.address ?? civicAddress({ country: system.business.country })}
                problems={{}}
                keep={(address) => keep(phone.id, address)}
              />
            </td>
          </tr>
        {/if}
      {/each}
    </tbody>
  </table>
{/if}

<style>
  p {
    margin: 0;
  }
  .problem {
    color: var(--alarm);
  }
  .due {
    color: var(--amber);
    font-weight: 600;
  }
</style>
