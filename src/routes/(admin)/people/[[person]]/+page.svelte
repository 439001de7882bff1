<script lang="ts">
  import { page } from '$app/state';
  import { isLinked, type Person } from '$core/system';
  import { count } from '$ui/format';
  import NewPerson from '$ui/pages/NewPerson.svelte';
  import PersonSheet from '$ui/pages/PersonSheet.svelte';
  import { session } from '$ui/session.svelte';

  const system = $derived(session.system!);
  const people = $derived(
    Object.values(system.people).sort((a, b) => a.extension.localeCompare(b.extension)),
  );
  const chosen = $derived(page.params.person ? system.people[page.params.person] : undefined);
  const phonesOf = (p: Person) => Object.values(system.phones).filter((x) => x.personId === p.id);

  function state(p: Person): string {
    const phones = phonesOf(p);
    if (!phones.length) return 'no phone';
    const paired = phones.filter((x) => isLinked(x) || session.standing!.registrations[x.id]).length;
    return paired === phones.length
      ? count(phones.length, 'phone')
      : `${paired} of ${count(phones.length, 'phone')} paired`;
  }
</script>

<svelte:head><title>{chosen ? `${chosen.name} · ` : ''}People · Upper Line</title></svelte:head>

<div class="columns">
  <section>
    <h1>People</h1>
    <p class="sub">
      Everybody with an extension. Choose somebody to change them or to invite them to pair a phone.
    </p>
    {#if people.length}
      <table class="list">
        <thead
          ><tr
            ><th scope="col">Ext.</th><th scope="col">Name</th><th scope="col">E-mail</th><th scope="col"
              >Site</th
            ><th scope="col">Phones</th></tr
          ></thead
        >
        <tbody>
          {#each people as p (p.id)}
            <tr class:here={p.id === chosen?.id}>
              <td>{p.extension}</td>
              <td
                ><a href="/people/{p.id}" aria-current={p.id === chosen?.id ? 'page' : undefined}>{p.name}</a
                ></td
              >
              <td class:missing={!p.email}>{p.email || 'missing'}</td>
              <td>{(p.siteId && system.sites[p.siteId]?.name) || '–'}</td>
              <td>{state(p)}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    {:else}
      <div class="empty">
        <h2>Nobody here yet</h2>
        <p>Add the first person beside this: a name, an e-mail address, an extension.</p>
      </div>
    {/if}
  </section>
  <aside>
    {#if chosen}
      {#key chosen.id}<PersonSheet person={chosen} />{/key}
    {/if}
    <NewPerson />
  </aside>
</div>

<style>
  td a {
    color: var(--ink);
    font-weight: 650;
  }
  .here td {
    background: var(--copper-wash);
  }
  .missing {
    color: var(--alarm);
  }
</style>
