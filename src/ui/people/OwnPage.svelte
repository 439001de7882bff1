<script lang="ts">
  import { directNumbersOf } from '$core/people';
  import { groupsOf, type Person } from '$core/system';
  import { theBusiness } from '../window/session.svelte';
  import IfCalled from './IfCalledNow.svelte';
  import PersonTimes from './PersonTimes.svelte';

  /** What a member of staff sees of themselves, and may change. */
  let { person }: { person: Person } = $props();
  const system = $derived(theBusiness().system);
  const facts = $derived([
    ['Extension', [person.extension, ...person.further.map((f) => f.extension)].join(', ')],
    [
      'Direct number',
      (directNumbersOf(system).get(person.id) ?? []).map((n) => theBusiness().number(n)).join(', ') || 'none',
    ],
    ['E-mail', person.email || 'none'],
    ['Site', system.sites[person.siteId ?? '']?.name ?? 'none'],
    [
      'Groups',
      groupsOf(system, person.id)
        .map((g) => g.name)
        .join(', ') || 'none',
    ],
    ['Mailbox', system.mailboxes[person.mailboxId ?? '']?.name ?? 'none'],
  ]);
</script>

<h1>Your page, {person.name}</h1>
<p class="sub">
  What is wrong here, whoever does the phones can change. How you are reached, and days away, you set
  yourself: that holds at once.
</p>
<div class="halves">
  <section>
    <div class="card">
      <h2>You</h2>
      <dl>
        {#each facts as [label, text] (label)}<dt>{label}</dt>
          <dd>{text}</dd>{/each}
      </dl>
    </div>
    <PersonTimes {person} />
  </section>
  <section>
    <div class="card">
      <h2>If somebody dials {person.extension} now</h2>
      <IfCalled {person} system={theBusiness().inForce.people[person.id] ? theBusiness().inForce : system} />
    </div>
    <p>
      <a href="/people/{person.id}/reach">How you are reached: phones, forwarding, quiet hours</a><br />
      <a href="/phone" target="_blank" rel="opener">Open your phone</a>
    </p>
  </section>
</div>

<style>
  .halves {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 0 22px;
  }
  dl {
    display: grid;
    grid-template-columns: 120px 1fr;
    gap: 6px 12px;
    margin: 0;
  }
  dt {
    color: var(--ink-soft);
  }
  dd {
    margin: 0;
  }
</style>
