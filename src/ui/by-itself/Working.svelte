<script lang="ts">
  import { Button, TextArea } from 'carbon-components-svelte';
  import { whereaboutsOf } from '$core/numbering';
  import { contactOf } from '$core/system';
  import { endCall, putBack, takeNext, type CallListRecord } from '$workspace';
  import { agoText, momentText } from '../format';
  import AnswerBack from '../messages/AnswerBack.svelte';
  import { Remembered } from '../remembered.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** Working on a list: whoever is next, what is known of them, the call, and how it ended. */
  let { list }: { list: CallListRecord } = $props();
  const by = $derived(theBusiness().workspace.by ?? 'whoever runs the system');
  const system = $derived(theBusiness().system);
  const mine = $derived(
    theBusiness().view.listed.find((e) => e.listId === list.id && e.state === 'taken' && e.takenBy === by),
  );
  const contact = $derived(mine && contactOf(mine.number, system.contacts));
  const before = $derived(
    mine
      ? theBusiness()
          .view.calls.filter((c) => {
            const { from } = c.request;
            return (from.kind === 'outside' ? from.number : null) === mine.number;
          })
          .slice(-3)
          .reverse()
      : [],
  );
  const note = new Remembered(`call list note ${theBusiness().id}`, '');
  let says = $state('');
  const where = (number: string) =>
    whereaboutsOf(
      number,
      system.business.country,
      system.business.timeZone,
      contactOf(number, system.contacts)?.timeZone ?? undefined,
    );
  async function next() {
    says = '';
    const came = await takeNext(theBusiness().workspace, list.id, theBusiness().zone, where);
    if ('ok' in came) return (says = came.message);
    switch (came.is) {
      case 'somebody':
        return;
      case 'later':
        return (says = `Nobody of them may be called before ${momentText(came.at, theBusiness().zone)}.`);
      case 'with others':
        return (says = 'All who are left are before colleagues just now.');
      case 'over':
        return (says = 'The list is over.');
    }
  }
  async function end(outcomeId: string) {
    if (!mine) return;
    const words = list.outcomes.find((o) => o.id === outcomeId)?.name ?? '';
    const name = mine.name || theBusiness().number(mine.number);
    const done = await endCall(theBusiness().workspace, mine.id, outcomeId, note.value, theBusiness().zone);
    if (!done.ok) return (says = done.message);
    note.value = '';
    if (words)
      theBusiness().sayDone({ kind: 'success', title: `${name}: ${words}` }, async () => done.back());
    await theBusiness().workspace.refresh('dealings');
    await next();
  }
</script>

<section class="card" aria-label="Next on the list">
  {#if mine}
    <h2>{mine.name || theBusiness().number(mine.number)}</h2>
    <p>
      {theBusiness().number(mine.number)}{contact?.firm ? ` · ${contact.firm}` : ''}
      {#each Object.entries(mine.fields) as [field, value] (field)}{#if value}
          · {field}: {value}{/if}{/each}
    </p>
    {#if contact?.note}<p class="small">{contact.note}</p>{/if}
    {#each mine.calls as c (c.at)}
      <p class="small soft">
        {momentText(c.at, theBusiness().zone)}, {c.by}: {list.outcomes.find((o) => o.id === c.outcomeId)
          ?.name ?? 'an outcome that is gone'}{c.note ? `. ${c.note}` : ''}
      </p>
    {/each}
    {#each before as c (c.id)}
      <p class="small soft">They called {agoText(c.at, theBusiness().minute)}: {c.words}</p>
    {/each}
    {#if list.script}<blockquote>{list.script}</blockquote>{/if}
    <div class="call"><AnswerBack back={false} number={mine.number} answered={async () => {}} /></div>
    <TextArea
      rows={2}
      labelText="What came of it, in a few words"
      value={note.value}
      on:input={(e: Event) => (note.value = (e.target as HTMLTextAreaElement).value)}
    />
    <div class="ends" role="group" aria-label="How the call ended">
      {#each list.outcomes as o (o.id)}
        <Button size="small" kind="tertiary" on:click={() => void end(o.id)}>{o.name}</Button>
      {/each}
      <button
        class="linkish small"
        type="button"
        onclick={() => void putBack(theBusiness().workspace, mine.id)}>Put them back, not called</button
      >
    </div>
  {:else}
    <p>{list.script ? 'What is said stands here with each of them.' : ''}</p>
    <Button size="small" on:click={() => void next()}>The next one</Button>
  {/if}
  {#if says}<p class="problem" role="status">{says}</p>{/if}
</section>

<style>
  blockquote {
    border-left: 3px solid var(--copper);
    margin: 10px 0;
    padding: 4px 14px;
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }
  .ends,
  .call {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 12px;
    align-items: center;
    margin: 10px 0;
  }
  p {
    overflow-wrap: anywhere;
  }
</style>
