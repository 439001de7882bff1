<script lang="ts">
  import { ringableNow } from '$core/calls';
  import { withOwn } from '$core/system';
  import FindingList from '$ui/FindingList.svelte';
  import { ui } from '$ui/frame/open.svelte';
  import { count } from '$ui/format';
  import HoldsNow from '$ui/holding/HoldsNow.svelte';
  import { theBusiness } from '$ui/window/session.svelte';
  import CoverageBoard from '$ui/coverage/CoverageBoard.svelte';

  const system = $derived(theBusiness().system);
  const inForce = $derived(theBusiness().view.inForce.system);
  const own = $derived(theBusiness().view.business.kind === 'own');

  /** The way of the work, with what is done. */
  const todo = $derived.by(() => {
    const numbers = Object.values(system.numbers);
    const people = Object.values(system.people);
    const invited =
      theBusiness().view.invitations.length + Object.keys(theBusiness().standing.registrations).length > 0;
    return [
      { done: numbers.length > 0, text: 'Get a number', href: '/numbers/get' },
      { done: people.length > 0, text: 'Add a person with an extension', href: '/people' },
      { done: invited, text: 'Invite them to pair a phone', href: '/people' },
      {
        done: numbers.some((n) => n.planId),
        text: 'Say what happens to calls: write a plan',
        href: '/answering',
      },
      {
        done: theBusiness().view.inForce.n > 0 && theBusiness().waiting === 0,
        text: 'Look at what differs, and put it in force',
        href: '/changes',
      },
    ];
  });
  const next = $derived(todo.find((t) => !t.done));

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
          Get a number, add a person, write a plan and put it in force. Then this board shows who answers at
          every hour.
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
      <div class="card">
        <h2>What to do next</h2>
        <ol>
          {#each todo as item (item.text)}
            <li class:done={item.done} class:next={item === next}>
              <span aria-hidden="true">{item.done ? '✓' : '○'}</span>
              {#if item.done}{item.text} <span class="visually-hidden">(done)</span>{:else}<a href={item.href}
                  >{item.text}</a
                >{/if}
            </li>
          {/each}
        </ol>
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
    {#if reachable.length}
      <div class="card">
        <h2>Reachable now</h2>
        {#each reachable as r (r.person.id)}
          <div class="who">
            <a href="/people/{r.person.id}">{r.person.name}</a>
            <span>{r.why ?? (r.all ? `${r.on} of ${count(r.all, 'phone')}` : 'no phone')}</span>
          </div>
        {/each}
        {#if people.length > MOST}<p class="soft small">
            and {people.length - MOST} more, in <a href="/people/directory">the directory</a>.
          </p>{/if}
      </div>
    {/if}
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
  li.done {
    color: var(--ink-soft);
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
