<script lang="ts">
  import { Button, Select, Tag } from 'carbon-components-svelte';
  import { registeredAt, type Registration } from '$core/system';
  import { phoneOf, putPhones } from '$workspace';
  import { theBusiness } from '../window/session.svelte';
  import DeskSetup from './DeskSetup.svelte';
  import { placesOf, takeUp } from './standins';
  import SelectItem from '../fields/SelectItem.svelte';

  /** Stand-ins of the staff's phones: where each is and how it is, and setting new ones up. */
  const system = $derived(theBusiness().system);
  const standing = $derived(theBusiness().standing);
  let places = $state.raw<{ address: string; name: string }[]>([]);
  $effect(() => {
    void placesOf(system).then((found) => (places = found));
  });
  const devices = $derived(
    Object.entries(standing.registrations)
      .flatMap(([account, r]) => {
        const phone = phoneOf(system, account);
        if (!r.standIn || !phone) return [];
        const owner = account === phone.id ? phone.personId : account.split('--')[1];
        const at = registeredAt(r, phone.kind, standing.accounts[account], theBusiness().now);
        return [{ account, r, phone, at, who: system.people[owner ?? '']?.name ?? 'shared' }];
      })
      .sort((a, b) => a.who.localeCompare(b.who)),
  );
  const letters = $derived(
    theBusiness().view.invitations.filter(
      (i) =>
        i.state === 'open' &&
        theBusiness().now < i.expiresAt &&
        theBusiness().delivery(i).state === 'arrived' &&
        system.phones[i.phoneId] &&
        !standing.registrations[i.phoneId],
    ),
  );
  const CONDITIONS: Registration['condition'][] = ['in reach', 'asleep', 'no network'];
  let busy = $state('');
  let problems = $state<string[]>([]);

  async function takeAllUp() {
    problems = [];
    for (const [i, letter] of letters.entries()) {
      busy = `${i + 1} of ${letters.length}`;
      const said = await takeUp(letter, places[0]?.address ?? '');
      if (said) problems = [...problems, said];
    }
    busy = '';
  }
  const shownAddress = (r: Registration) => r.address || (places[0]?.address ?? '');
</script>

<h3>Invitations that have arrived</h3>
{#if letters.length}
  <p class="small">
    Stand-ins take them up as staff would: each opens its mail, reads the settings file in it, and pairs with
    the code. Pair by hand in a window instead to use the phone yourself.
  </p>
  <Button size="small" disabled={!!busy} on:click={() => void takeAllUp()}
    >{busy
      ? `Pairing ${busy}…`
      : `Let stand-ins take up ${letters.length === 1 ? 'the letter' : `all ${letters.length}`}`}</Button
  >
  <ul class="slips" aria-label="Letters to take up">
    {#each letters as i (i.id)}
      <li class="row">
        <span>{system.people[i.personId]?.name} · {system.phones[i.phoneId]?.name}</span>
        <button
          class="linkish small"
          type="button"
          onclick={async () => {
            const said = await takeUp(i, places[0]?.address ?? '');
            problems = said ? [said] : [];
          }}
          >Take it up<span class="visually-hidden">&nbsp;for {system.people[i.personId]?.name}</span></button
        >
      </li>
    {/each}
  </ul>
{:else}<p class="small soft">None is waiting.</p>{/if}
{#each problems as p (p)}<p class="small problem" role="alert">{p}</p>{/each}

<h3>A stand-in desk phone</h3>
<DeskSetup {places} />

<h3>Where they are and how</h3>
<ul class="slips" aria-label="Stand-in phones">
  {#each devices as { account, r, phone, at, who } (account)}
    <li>
      <div class="row">
        <b>{who} · {phone.name}</b>
        <a
          class="small"
          href="/phone?business={theBusiness().view.business.id}&as={phone.id}"
          target="_blank"
          rel="opener">Operate it<span class="visually-hidden">: {who}’s {phone.name}</span></a
        >
        <Tag size="sm" type={at.registered ? 'green' : 'warm-gray'}
          >{at.registered ? 'registered' : 'not registered'}</Tag
        >
      </div>
      <div class="two">
        <Select
          size="sm"
          hideLabel
          labelText="Where {who}’s {phone.name} is"
          selected={shownAddress(r)}
          on:update={(e) =>
            e.detail !== r.address &&
            void putPhones(theBusiness().workspace, [account], { address: String(e.detail) })}
        >
          {#each places as p (p.address)}<SelectItem value={p.address} text={p.name} />{/each}
        </Select>
        <Select
          size="sm"
          hideLabel
          labelText="How {who}’s {phone.name} is"
          selected={r.condition}
          on:update={(e) =>
            e.detail !== r.condition &&
            void putPhones(theBusiness().workspace, [account], {
              condition: e.detail as Registration['condition'],
            })}
        >
          {#each CONDITIONS.filter((c) => c !== 'asleep' || phone.kind !== 'desk') as c (c)}<SelectItem
              value={c}
              text={c}
            />{/each}
        </Select>
      </div>
    </li>
  {:else}<li class="soft small">No stand-in phone is paired yet.</li>{/each}
</ul>

<style>
  h3 {
    margin: 18px 0 6px;
  }
  h3:first-child {
    margin-top: 0;
  }
  p {
    margin: 0 0 8px;
  }
  .row {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 8px;
  }
  .two {
    display: grid;
    grid-template-columns: 1.3fr 1fr;
    gap: 8px;
    margin-top: 4px;
  }
  .problem {
    color: var(--alarm);
  }
</style>
