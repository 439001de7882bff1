<script lang="ts">
  import { nextOf } from '$core/begin';
  import { ringableNow } from '$core/calls';
  import { withOwn } from '$core/system';
  import { workHere } from '$ui/begin/here.svelte';
  import FindingList from '$ui/FindingList.svelte';
  import { ui } from '$ui/frame/open.svelte';
  import { count } from '$ui/format';
  import HoldsNow from '$ui/holding/HoldsNow.svelte';
  import { theBusiness } from '$ui/window/session.svelte';
  import CoverageBoard from '$ui/coverage/CoverageBoard.svelte';

  const inForce = $derived(theBusiness().view.inForce.system);
  const own = $derived(theBusiness().view.business.kind === 'own');

  /** The order of the work, and how far it is. */
  const work = $derived(workHere());
  const next = $derived(nextOf(work));
  const open = $derived(work.filter((e) => e.stands === 'open'));
  /** So many of what is open stand here; all of it stands on a page of its own. */
  const FEW = 4;

  /** All are named, not only those who cannot be rung. */
  let everybody = $state(false);
  const MOST = 30;
  const people = $derived(Object.values(inForce.people));
  /** Phones that a call would ring now, as people have set them. */
  const reachable = $derived.by(() => {
    const shown = people.slice(0, MOST);
    const system = withOwn(inForce, theBusiness().standing.own);
    const ids = shown.map((p) => p.id);
    const found = ringableNow(system, theBusiness().standing, ids, theBusiness().minute);
    return shown.map((person) => {
      const phones = found.get(person.id)!;
      const on = phones.filter((r) => r.why === null).length;
      const reasons = new Set(phones.map((r) => r.why));
      const why = reasons.size === 1 ? phones[0]!.why : null;
      return { person, on, all: phones.length, why };
    });
  });
</script>

<svelte:head><title>Overview · Upper Line</title></svelte:head>

<div class="columns">
  <section>
    <h1>Who answers, this week</h1>
    <p class="sub">
      Every unanswered call to every number, worked out from what is in force. Bar: who is rung first. Line
      below: where the call ends.
    </p>
    {#if Object.keys(inForce.numbers).length}
      <CoverageBoard system={inForce} />
    {:else}
      <div class="empty">
        <h2>Nothing is in force yet</h2>
        <p>
          Once a number has a plan that is in force, this board shows who answers at every hour.
          <a href="/begin/kind">Begin as a kind of business</a>, or follow
          <a href="/begin">the order of the work</a>.
        </p>
      </div>
    {/if}
    {#if !own}
      <p class="own soft">
        This is the demonstration. <button
          class="linkish"
          type="button"
          onclick={() => (ui.ownBusiness = true)}>Start with your own business</button
        >
      </p>
    {/if}
  </section>
  <aside>
    {#if next && own}
      <div class="card" data-testid="next">
        <h2>What to do next</h2>
        <ol>
          {#each open.slice(0, FEW) as entry (entry.id)}
            <li class:next={entry === next}>
              <span aria-hidden="true">○</span> <a href={entry.href}>{entry.name}</a>
              {#if entry === next}<span class="small soft why">{entry.why}</span>{/if}
            </li>
          {/each}
        </ol>
        <p class="small">
          {work.filter((e) => e.stands === 'done').length} of {work.length} done.
          <a href="/begin">All of it</a>
        </p>
      </div>
    {/if}
    {#if reachable.length}
      <div class="card" data-testid="reachable">
        <h2>Reachable now</h2>
        <p>
          {reachable.filter((r) => r.on).length} of {count(reachable.length, 'person', 'people')} can be rung.
          {#if people.length > MOST}
            <span class="soft small"
              >{people.length - MOST} more in <a href="/people/directory">the directory</a>.</span
            >{/if}
        </p>
        {#each everybody ? reachable : reachable.filter((r) => !r.on) as r (r.person.id)}
          <div class="who">
            <a href="/people/{r.person.id}">{r.person.name}</a>
            <span>{r.why ?? (r.all ? `${r.on} of ${count(r.all, 'phone')}` : 'no phone')}</span>
          </div>
        {/each}
        <button
          class="linkish small"
          type="button"
          aria-expanded={everybody}
          onclick={() => (everybody = !everybody)}>{everybody ? 'Only who cannot be' : 'Everybody'}</button
        >
      </div>
    {/if}
    <HoldsNow />
    <div class="card">
      <h2>Before callers notice</h2>
      {#if theBusiness().checks.findings.length}<FindingList
          findings={theBusiness().checks.findings}
          most={4}
        />{:else}<p class="soft">Nothing found.</p>{/if}
    </div>
  </aside>
</div>

<style>
  .columns {
    grid-template-columns: minmax(0, 1fr) 300px;
  }
  ol {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  li {
    padding: 4px 0;
    font-size: var(--text-lead);
  }
  .why {
    display: block;
    font-weight: 400;
    padding-left: 18px;
  }
  li.next {
    font-weight: 650;
  }
  .who {
    display: flex;
    justify-content: space-between;
    padding: 3px 0;
    font-size: var(--text-body);
  }
  .who a {
    color: var(--ink);
    text-decoration: none;
  }
  .who span {
    color: var(--ink-soft);
  }
  .own {
    margin-top: 10px;
  }
</style>
