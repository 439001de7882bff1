<script lang="ts">
  import Numbers from '$ui/Numbers.svelte';
  import { callBacks } from '$core/calls';
  import { contactOf, isBlockedNumber } from '$core/system';
  import AnswerBack from '$ui/messages/AnswerBack.svelte';
  import { giveTo, markAnswered } from '$ui/messages/answering';
  import SeesToIt from '$ui/messages/SeesToIt.svelte';
  import { agoText, count, momentText } from '$ui/format';
  import { theBusiness } from '$ui/window/session.svelte';

  const { calls, messages } = $derived(theBusiness().view);
  const contactsOf = (number: string) => contactOf(number, theBusiness().system.contacts);
  const waiting = $derived(
    callBacks(calls, messages, (n) => isBlockedNumber(n, theBusiness().standing, contactsOf(n))),
  );
  const saidBy = (ids: readonly string[]) =>
    messages.filter((m) => ids.includes(m.id)).map((m) => m.said || 'a recording');
  const done = (entry: (typeof waiting)[number]) =>
    markAnswered(entry.messageIds, entry.callIds, `Done: ${theBusiness().number(entry.number)}`);
</script>

<svelte:head><title>Call back · Messages · Upper Line</title></svelte:head>

<h1>Call back</h1>
<p class="sub">
  Everybody who called and reached nobody, or left a message, and whom nobody has talked with since. Whoever
  has waited longest stands first.
</p>
{#if waiting.length}
  <ul aria-label="To call back">
    {#each waiting as w (w.number)}
      {@const contact = contactsOf(w.number)}
      <li class="card">
        <div class="top">
          <b><Numbers numbers={[w.number]} /></b>
          {#if contact}<span>{contact.name}</span>{/if}
          {#if w.asked}<span class="asked">asked to be called back</span>{/if}
          <span class="soft"
            >waits since {momentText(w.since, theBusiness().zone)}, {agoText(
              w.since,
              theBusiness().minute,
            )}</span
          >
        </div>
        <p class="soft small">
          {[
            w.tries ? `called ${w.tries === 1 ? 'once' : `${w.tries} times`} in vain` : '',
            w.messageIds.length ? `left ${count(w.messageIds.length, 'message')}` : '',
          ]
            .filter(Boolean)
            .join(', ')}{w.last > w.since ? `; last ${momentText(w.last, theBusiness().zone)}` : ''}
        </p>
        {#each saidBy(w.messageIds) as said, i (i)}<p>“{said}”</p>{/each}
        <div class="acts">
          <AnswerBack number={w.number} answered={() => markAnswered(w.messageIds, w.callIds)} />
          <SeesToIt
            personId={w.assignedTo}
            about={theBusiness().number(w.number)}
            ongive={(id) =>
              void giveTo(id, w.messageIds, w.callIds, contact?.name ?? theBusiness().number(w.number))}
          />
          <button class="linkish small" type="button" onclick={() => void done(w)}
            >Done<span class="visually-hidden">&nbsp;with {theBusiness().number(w.number)}</span></button
          >
        </div>
      </li>
    {/each}
  </ul>
{:else}
  <div class="empty">
    <h2>Nobody waits to be called back</h2>
    <p>Whoever reaches nobody, or leaves a message, stands here until somebody has talked with them.</p>
  </div>
{/if}

<style>
  ul {
    list-style: none;
    margin: 14px 0 0;
    padding: 0;
    max-width: 860px;
  }
  .top {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
    align-items: baseline;
  }
  .asked {
    color: var(--message);
    font-weight: 650;
    font-size: var(--text-body);
  }
  p {
    margin: 4px 0;
    overflow-wrap: anywhere;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
  }
</style>
