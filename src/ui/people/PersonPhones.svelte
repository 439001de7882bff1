<script lang="ts">
  import { isLinked, type Person } from '$core/system';
  import AddPhone from '../phones/AddPhone.svelte';
  import { isInvited } from '../phones/invite';
  import InviteButton from '../phones/InviteButton.svelte';
  import LinkedPhone from '../phones/LinkedPhone.svelte';
  import LinkPhone from '../phones/LinkPhone.svelte';
  import { whereItStands } from '../phones/where';
  import { theBusiness } from '../window/session.svelte';

  let { person }: { person: Person } = $props();
  const phones = $derived(
    Object.values(theBusiness().system.phones).filter(
      (p) => p.personId === person.id || p.keys.some((k) => k.personId === person.id),
    ),
  );
</script>

<div class="card">
  <h2>Phones</h2>
  {#each phones as phone (phone.id)}
    {@const where = whereItStands(phone, person.id, theBusiness().known)}
    {@const host =
      phone.personId === person.id ? undefined : theBusiness().system.people[phone.personId ?? '']}
    <div class="phone">
      <div>
        <b><a href="/phones/{phone.id}">{phone.name}</a></b>{#if host}<span class="inline soft">
            of {host.name}: a key</span
          >{/if}
        <span class="soft">{where.words}{where.place === 'outside' ? ' · outside' : ''}</span>
        {#if where.problem}<span class="problem"
            >{where.problem}. <span class="inline">{where.todo}</span></span
          >{/if}
      </div>
      {#if where.unpaired && isInvited(phone.kind)}<InviteButton {person} {phone} />{/if}
    </div>
    {#if isLinked(phone)}<div class="linked">
        {#key phone.id}<LinkedPhone {phone} />{/key}
      </div>{/if}
  {:else}
    <p class="soft small">No phone yet: nothing of theirs can ring.</p>
  {/each}
  {#if phones.length > 1}<p class="small soft">They ring together, each after its own delay.</p>{/if}
  <AddPhone {person} />
  {#if person.role !== 'shared room'}<LinkPhone {person} />{/if}
</div>

<style>
  .phone {
    display: flex;
    justify-content: space-between;
    gap: 8px;
    align-items: center;
    padding: 7px 0;
    border-bottom: 1px solid var(--rule);
    font-size: var(--text-body);
  }
  .phone b a {
    color: var(--ink);
  }
  .phone span {
    display: block;
    font-size: var(--text-small);
  }
  .phone span.inline {
    display: inline;
  }
  .problem {
    color: var(--alarm);
  }
  .linked {
    padding: 4px 0 12px 12px;
    border-left: 3px solid var(--rule);
  }
  p {
    margin: 8px 0;
  }
</style>
