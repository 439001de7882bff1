<script lang="ts">
  import { Button, TextInput } from 'carbon-components-svelte';
  import { addressLine, addressProblems } from '$core/numbering';
  import { civicAddress, newSite } from '$core/system';
  import { page } from '$app/state';
  import { goto } from '$app/navigation';
  import CsvButtons from '$ui/csv/CsvButtons.svelte';
  import { saveText } from '$ui/files/download';
  import { count } from '$ui/format';
  import { freshId } from '$ui/ids';
  import HelpTable from '$ui/numbers/HelpTable.svelte';
  import PhonesElsewhere from '$ui/numbers/PhonesElsewhere.svelte';
  import SiteSheet from '$ui/numbers/SiteSheet.svelte';
  import { theBusiness } from '$ui/window/session.svelte';

  const system = $derived(theBusiness().system);
  const sites = $derived(Object.values(system.sites));
  const chosen = $derived(system.sites[page.url.hash.slice(1)] ?? sites[0]);
  let name = $state('');
  let problem = $state('');

  async function add(event: Event) {
    event.preventDefault();
    const { country, timeZone } = system.business;
    const id = freshId('site');
    const refused = await theBusiness().keepStored(`Add the site ${name.trim()}`, [
      { do: 'site.add', value: newSite({ id, name, timeZone, address: civicAddress({ country }) }) },
    ]);
    problem = refused ?? '';
    if (refused) return;
    name = '';
    await goto(`#${id}`);
  }
  async function pidf() {
    const { asPidfLo } = await import('$core/formats/pidflo');
    saveText('places.pidf.xml', 'application/pidf+xml', asPidfLo(system, theBusiness().now));
  }
  const missing = (site: (typeof sites)[number]) => Object.values(addressProblems(site.address));
</script>

<svelte:head><title>Sites · Upper Line</title></svelte:head>

<div class="columns">
  <section>
    <h1>Sites</h1>
    <p class="sub">Where help is sent when somebody calls for it, and what counts as “in the office”.</p>
    {#if !sites.length}
      <div class="empty">
        <h2>No site yet</h2>
        <p>Add the place your people work at. Its address goes with every emergency call made there.</p>
      </div>
    {:else}
      <ul aria-label="Sites">
        {#each sites as site (site.id)}
          <li class:here={site.id === chosen?.id}>
            <a href="#{site.id}" aria-current={site.id === chosen?.id ? 'true' : undefined}
              ><b>{site.name}</b></a
            >
            <div>
              <p>{addressLine(site.address) || 'no address yet'}</p>
              {#each missing(site) as m (m)}<p class="problem small">{m}</p>{/each}
            </div>
            <span class="soft small"
              >{count(Object.values(system.numbers).filter((n) => n.siteId === site.id).length, 'number')},
              {count(
                Object.values(system.people).filter((p) => p.siteId === site.id).length,
                'person',
                'people',
              )}</span
            >
          </li>
        {/each}
      </ul>
    {/if}
    <form onsubmit={add}>
      <TextInput
        size="sm"
        labelText="A new site"
        placeholder="Sail loft"
        bind:value={name}
        invalid={!!problem}
        invalidText={problem}
      />
      <Button size="small" type="submit" kind="tertiary">Add it</Button>
    </form>
    <PhonesElsewhere />
    <HelpTable />
    <div class="out">
      {#if sites.length}
        <button class="linkish small" type="button" onclick={() => void pidf()} title="PIDF-LO, RFC 4119"
          >Save all as locations</button
        >
      {/if}
      <CsvButtons kind="sites" />
    </div>
  </section>
  <aside>
    {#if chosen}{#key chosen.id}<SiteSheet site={chosen} />{/key}{/if}
  </aside>
</div>

<style>
  ul {
    list-style: none;
    margin: 0 0 14px;
    padding: 0;
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  li {
    display: grid;
    grid-template-columns: 150px minmax(0, 1fr) auto;
    gap: 14px;
    padding: 10px 14px;
    border-bottom: 1px solid var(--rule);
    border-left: 3px solid transparent;
  }
  li:last-child {
    border-bottom: 0;
  }
  li.here {
    background: var(--copper-wash);
    border-left-color: var(--copper);
  }
  p {
    margin: 0;
  }
  .sub {
    margin-bottom: 14px;
  }
  .problem {
    color: var(--alarm);
  }
  form {
    display: flex;
    align-items: end;
    gap: 10px;
    max-width: 420px;
    margin-bottom: 22px;
  }
  .out {
    margin-top: 14px;
  }
</style>
