<script lang="ts">
  import { alertDelay } from '$core/system';
  import InviteButton from '$ui/pages/InviteButton.svelte';
  import { phoneState } from '$ui/pages/phone-state';
  import { session } from '$ui/session.svelte';

  const system = $derived(session.system!);
  const rows = $derived(
    Object.values(system.phones)
      .map((phone) => ({
        phone,
        person: phone.personId ? system.people[phone.personId] : undefined,
        state: phoneState(phone, session.standing!, session.view!.invitations, session.now, session.zone),
      }))
      .sort(
        (a, b) =>
          Number(b.state.unpaired) - Number(a.state.unpaired) ||
          (a.person?.extension ?? '').localeCompare(b.person?.extension ?? ''),
      ),
  );
</script>

<svelte:head><title>Phones · Upper Line</title></svelte:head>

<h1>Phones</h1>
<p class="sub">Every phone that calls can ring. Those not paired yet stand first.</p>
{#if rows.length}
  <table class="list">
    <thead
      ><tr
        ><th scope="col">Person</th><th scope="col">Phone</th><th scope="col">Sounds after</th><th scope="col"
          >Outside the office</th
        ><th scope="col">Where it stands</th><th scope="col"
          ><span class="visually-hidden">What to do</span></th
        ></tr
      ></thead
    >
    <tbody>
      {#each rows as { phone, person, state } (phone.id)}
        <tr>
          <td
            >{#if person}<a href="/people/{person.id}">{person.name}</a>
              <span class="soft">{person.extension}</span>{:else}shared{/if}</td
          >
          <td
            >{phone.name}{#if phone.number}
              <span class="soft">{session.number(phone.number)}</span>{/if}</td
          >
          <td>{alertDelay(phone)} s</td>
          <td>{phone.number ? '–' : phone.outsideOffice ? 'allowed' : 'not allowed'}</td>
          <td><i class:on={state.on} aria-hidden="true"></i>{state.words}</td>
          <td
            >{#if state.unpaired && person}<InviteButton {person} {phone} />{/if}</td
          >
        </tr>
      {/each}
    </tbody>
  </table>
{:else}
  <div class="empty">
    <h2>No phones yet</h2>
    <p>Each person you add gets a browser softphone. <a href="/people">Add a person</a>.</p>
  </div>
{/if}

<style>
  i {
    display: inline-block;
    width: 10px;
    height: 10px;
    border: 2px solid var(--ended);
    border-radius: 50%;
    margin-right: 7px;
  }
  i.on {
    background: var(--group);
    border-color: var(--group);
  }
</style>
