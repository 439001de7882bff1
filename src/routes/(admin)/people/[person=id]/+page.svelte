<script lang="ts">
  import { page } from '$app/state';
  import HoldsNow from '$ui/holding/HoldsNow.svelte';
  import IfCalled from '$ui/people/IfCalledNow.svelte';
  import OwnPage from '$ui/people/OwnPage.svelte';
  import PersonBasics from '$ui/people/PersonBasics.svelte';
  import PersonBelongs from '$ui/people/PersonBelongs.svelte';
  import PersonPhones from '$ui/people/PersonPhones.svelte';
  import PersonTimes from '$ui/people/PersonTimes.svelte';
  import { supposed } from '$ui/supposed/supposed.svelte';
  import Supposed from '$ui/supposed/Supposed.svelte';
  import { theBusiness } from '$ui/window/session.svelte';

  const system = $derived(theBusiness().system);
  const person = $derived(system.people[page.params.person ?? '']);
  const inOrder = $derived(Object.values(system.people).sort((a, b) => (a.extension < b.extension ? -1 : 1)));
  const index = $derived(inOrder.findIndex((p) => p.id === person?.id));
</script>

<svelte:head><title>{person ? `${person.name} · ` : ''}People · Upper Line</title></svelte:head>

{#if !person}
  <h1>Nobody is here</h1>
  <p class="sub">This person was removed. <a href="/people">Everybody</a></p>
{:else if theBusiness().may('see the system')}
  {#key person.id}
    <div class="head">
      <div>
        <h1>{person.name} <span class="soft">· {person.extension}</span></h1>
        <p class="sub">
          {[person.role, system.sites[person.siteId ?? '']?.name, person.email].filter(Boolean).join(' · ')}
        </p>
      </div>
      <nav aria-label="Other people">
        {#if inOrder[index - 1]}<a href="/people/{inOrder[index - 1]!.id}">← {inOrder[index - 1]!.name}</a
          >{/if}
        {#if inOrder[index + 1]}<a href="/people/{inOrder[index + 1]!.id}">{inOrder[index + 1]!.name} →</a
          >{/if}
      </nav>
    </div>
    <div class="halves">
      <section>
        <PersonBasics {person} />
        <PersonTimes {person} />
      </section>
      <section>
        <div class="card">
          <h2>If somebody dials {person.extension} now</h2>
          <IfCalled
            {person}
            {system}
            supposed={supposed.is('person', theBusiness().standing) ? 'all paired' : 'all on'}
          />
          <Supposed place="person" {system} of="what is in force" />
          <p class="small">
            <a href="/people/{person.id}/reach"
              >Which phones, how long, then where; not to be disturbed; who gets through</a
            >
          </p>
        </div>
        <HoldsNow personId={person.id} />
        <PersonPhones {person} />
        <PersonBelongs {person} />
        <p class="small">
          <a href="/people/{person.id}/leaving">{person.name} leaves: hand everything on</a>
        </p>
      </section>
    </div>
  {/key}
{:else}
  <OwnPage {person} />
{/if}

<style>
  .head {
    display: flex;
    justify-content: space-between;
    gap: 20px;
  }
  h1 .soft {
    font-weight: 400;
  }
  .head nav {
    display: flex;
    gap: 18px;
    font-size: var(--text-body);
  }
  .halves {
    display: grid;
    grid-template-columns: minmax(0, 1.05fr) minmax(0, 1fr);
    gap: 0 22px;
  }
</style>
