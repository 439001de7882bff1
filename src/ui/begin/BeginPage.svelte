<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { nextOf } from '$core/begin';
  import { theBusiness } from '../window/session.svelte';
  import { layAside, workHere } from './here.svelte';

  /** The order of the work: what is done, what is next, and why. Each thing is done where it belongs. */
  const work = $derived(workHere());
  const next = $derived(nextOf(work));
  const done = $derived(work.filter((e) => e.stands === 'done').length);
  const of = $derived(work.filter((e) => e.stands !== 'aside').length);
  const empty = $derived(!Object.keys(theBusiness().system.plans).length);
  const MARKS = { done: '✓', open: '○', aside: '–' } as const;
  const SAID = { done: 'done', open: 'open', aside: 'not for us' } as const;
</script>

<div class="columns">
  <section>
    <h1>From an empty business to answered calls</h1>
    <p class="sub" data-testid="how-far">
      {done} of {of} done. {next
        ? `Next: ${next.name}.`
        : 'All of it is done; what changes later is shown here again.'} You may leave at any time and come back.
    </p>
    <ol aria-label="The order of the work">
      {#each work as entry (entry.id)}
        <li class={entry.stands} class:next={entry === next} data-testid="task-{entry.id}">
          <span class="mark" aria-hidden="true">{MARKS[entry.stands]}</span>
          <div>
            <a href={entry.href}>{entry.name}</a>
            <span class="visually-hidden">({SAID[entry.stands]})</span>
            <span class="why">{entry.why}</span>
          </div>
          <span class="says">{entry.stands === 'aside' ? 'Not for us.' : entry.says}</span>
          <span class="do">
            {#if entry === next}
              <span class="go"><Button size="small" href={entry.href}>Go there</Button></span>
            {/if}
            {#if entry.optional && entry.stands !== 'done'}
              <button
                class="linkish small"
                type="button"
                aria-label={entry.stands === 'aside'
                  ? `${entry.name}: for us after all`
                  : `${entry.name}: not for us`}
                onclick={() => layAside(entry.id, entry.stands !== 'aside')}
                >{entry.stands === 'aside' ? 'For us after all' : 'Not for us'}</button
              >
            {/if}
          </span>
        </li>
      {/each}
    </ol>
  </section>
  <aside>
    <div class="card">
      <h2>Begin as a kind of business</h2>
      <p>
        {empty
          ? 'Three to six questions in plain words make people, hours and a plan. You see who would answer in the week before anything is made.'
          : 'What is there stays: a plan, and what it needs, is made beside it. One undo takes all of it away.'}
      </p>
      <Button size="small" kind={empty ? 'primary' : 'tertiary'} href="/begin/kind"
        >Answer the questions</Button
      >
    </div>
    <div class="card">
      <h2>Bring along what you have</h2>
      <p class="small">
        <a href="/people/list">A list of people</a>, <a href="/hours/year">a calendar of holidays</a>,
        <a href="/messages/contacts">contacts</a>, <a href="/numbers/bring">your numbers</a>.
      </p>
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
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  li {
    display: grid;
    grid-template-columns: 18px minmax(0, 1.25fr) minmax(0, 1fr) 124px;
    gap: 12px;
    align-items: center;
    padding: 5px 14px;
    min-height: 36px;
    border-top: 1px solid var(--rule);
    font-size: var(--text-body);
  }
  li:first-child {
    border-top: 0;
  }
  .mark {
    color: var(--copper);
    font-weight: 700;
  }
  li a {
    color: var(--ink);
    font-weight: 650;
    text-decoration: none;
  }
  li a:hover {
    text-decoration: underline;
  }
  .done a,
  .aside a {
    font-weight: 400;
  }
  .next {
    background: var(--copper-wash);
  }
  .why {
    display: block;
    color: var(--ink-soft);
    font-size: var(--text-small);
  }
  .done .why,
  .aside .why {
    display: none;
  }
  .says {
    color: var(--ink-soft);
    overflow-wrap: anywhere;
  }
  .go :global(.bx--btn) {
    min-width: 0;
    padding: 0 14px;
    white-space: nowrap;
  }
  .do {
    text-align: right;
  }
</style>
