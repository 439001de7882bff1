<script lang="ts">
  import type { Conversation } from '$core/story';
  import SeesToIt from '../messages/SeesToIt.svelte';
  import { here, session } from '../window/session.svelte';

  /** Who has a conversation, and taking it, giving it away, closing it. What somebody else did first is said. */
  let { conversation, name }: { conversation: Conversation; name: string } = $props();
  const { assignedTo, closed } = $derived(conversation);
  const me = $derived(here().me);

  async function change(
    words: string,
    what: Parameters<ReturnType<typeof here>['deeds']['changeThread']>[1],
  ) {
    const done = await here().deeds.changeThread(conversation, what);
    if (done.ok) here().sayDone({ kind: 'info', title: words }, done.back);
    else session.say({ kind: 'error', title: 'Not done', detail: done.message });
  }
  const nameOf = (id: string | undefined) =>
    id ? (here().system.people[id]?.name ?? 'Somebody') : 'Nobody in particular';
  const give = (to: string | undefined) =>
    change(to === me ? `You have ${name}` : `${nameOf(to)} has ${name}`, {
      does: 'give',
      to,
      seen: assignedTo,
    });
</script>

<div class="has" data-testid="who-has">
  {#if assignedTo && assignedTo === me}
    <span><b>You have it.</b></span>
    <button class="linkish small" type="button" onclick={() => void give(undefined)}>Give it back</button>
  {:else if me && !assignedTo}
    <button class="linkish small" type="button" onclick={() => void give(me)}>Take it</button>
  {:else if me}
    <span><b>{nameOf(assignedTo)} has it.</b></span>
    <button class="linkish small" type="button" onclick={() => void give(me)}>Take it over</button>
  {/if}
  <SeesToIt personId={assignedTo} about={name} ongive={(id) => void give(id || undefined)} />
  {#if closed}
    <button
      class="linkish small"
      type="button"
      onclick={() => void change(`${name} is open again`, { does: 'open' })}>Open it again</button
    >
  {:else}
    <button
      class="linkish small"
      type="button"
      onclick={() => void change(`Done with ${name}`, { does: 'close' })}>Done with it</button
    >
  {/if}
</div>

<style>
  .has {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
    align-items: center;
    margin: 4px 0;
  }
</style>
