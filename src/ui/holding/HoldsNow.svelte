<script lang="ts">
  import { sentence } from '$core/calls';
  import { holdingNow, ifCalled, type Holding } from '$core/phone';
  import { withOwn } from '$core/system';
  import { momentText } from '../format';
  import { endOverride } from '../hours/edits';
  import { theBusiness } from '../window/session.svelte';

  /** What holds because somebody set it, of everybody or of one person: who, since when, until when, what callers get of it, and its end in one tap. */
  let { personId = null }: { personId?: string | null } = $props();
  const business = $derived(theBusiness());
  const inForce = $derived(business.view.inForce.system);
  const { standing, minute } = $derived(business);
  const holding = $derived(
    holdingNow(inForce, standing, minute).filter((h) => personId === null || h.personId === personId),
  );
  /** So many are shown at first. */
  const AT_ONCE = 5;
  let all = $state(false);
  const shown = $derived(all ? holding : holding.slice(0, AT_ONCE));
  const own = $derived(withOwn(inForce, standing.own));
  /** What a caller gets of each of them who is shown. */
  const gets = $derived(
    new Map(
      [...new Set(shown.flatMap((h) => (h.forCallers && h.personId) || []))].map((id) => [
        id,
        sentence(ifCalled(own.people[id]!, own, standing, minute), own),
      ]),
    ),
  );
  /** A person of several rows is told of once. */
  const first = (h: Holding, i: number) =>
    h.forCallers && shown.findIndex((o) => o.forCallers && o.personId === h.personId) === i;
  let problem = $state('');
  let heading = $state<HTMLElement>();

  async function end({ end: how }: Holding) {
    problem = '';
    try {
      if (how.by === 'setting')
        await business.deeds.set(how.words, [how.setting], business.actorName ?? 'the overview');
      else if (how.by === 'hours') await endOverride(inForce.hours[how.hoursId]!);
      else if (how.by === 'planned') await business.workspace.putInForceLater(null);
      // What has ended is gone from the list: whoever works by keys goes on from its beginning.
      heading?.focus();
    } catch (error) {
      problem = error instanceof Error ? error.message : String(error);
    }
  }
  const when = ({ by, since, until }: Holding) =>
    [
      by ? `by ${by}` : '',
      since === null ? '' : `since ${momentText(since, business.zone)}`,
      until === null ? 'until somebody ends it' : `until ${momentText(until, business.zone)}`,
    ]
      .filter(Boolean)
      .join(', ');
</script>

<section class="card" aria-label="Set by hand" data-testid="holds-now">
  <h2 bind:this={heading} tabindex="-1">
    Set by hand{#if holding.length}
      <span class="soft">{holding.length}</span>{/if}
  </h2>
  {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
  {#if holding.length}
    <ul>
      {#each shown as h, i (h.key)}
        <li>
          <p>
            {#if h.personId}<a href="/people/{h.personId}">{h.who}</a>{:else}<b>{h.who}</b>{/if}
            {h.what}
          </p>
          <p class="soft small">
            {h.end.by === 'planned'
              ? `on ${momentText(h.until!, business.zone)}${h.by ? `, planned by ${h.by}` : ''}`
              : when(h)}
          </p>
          {#if h.personId && first(h, i)}<p class="small">Whoever calls now: {gets.get(h.personId)}</p>{/if}
          {#if h.end.by === 'page'}
            <a class="small" href={h.end.href} aria-label="Change it: {h.who}">Change it</a>
          {:else}
            <button
              class="linkish small"
              type="button"
              aria-label="End it: {h.who} {h.what}"
              onclick={() => void end(h)}>{h.end.by === 'planned' ? 'Take that back' : 'End it'}</button
            >
          {/if}
        </li>
      {/each}
    </ul>
    {#if holding.length > AT_ONCE}
      <button class="linkish small" type="button" onclick={() => (all = !all)}
        >{all ? 'Show fewer' : `Show all ${holding.length}`}</button
      >
    {/if}
  {:else}
    <p class="soft">Nothing: what callers get is what plans and hours say.</p>
  {/if}
</section>

<style>
  h2:focus {
    outline: none;
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  li {
    padding: 5px 0;
    border-top: 1px solid var(--rule);
    overflow-wrap: anywhere;
  }
  p {
    margin: 0;
  }
  .problem {
    color: var(--alarm);
  }
</style>
