<script lang="ts">
  import { detailOf, keptWith, lastOf, settledBy, settledInWords, settling, titleOf } from '$core/story';
  import { contactOf, recordsOf, type System } from '$core/system';
  import Picture from '../contacts/Picture.svelte';
  import { momentText } from '../format';
  import { here } from '../window/session.svelte';

  /** Who calls, before anybody lifts: who looks after them, and the last dealings this phone may know of. */
  interface Props {
    /** E.164. */
    number: string;
    system: System;
    /** The call that rings. */
    callId: string;
  }
  let { number, system, callId }: Props = $props();
  const MOST = 3;
  const contact = $derived(contactOf(number, system.contacts));
  const records = $derived(recordsOf(system.business.recordsLink, number, contact?.name ?? ''));
  const owner = $derived(contact?.ownerId ? system.people[contact.ownerId]?.name : undefined);
  const lists = $derived((contact?.listIds ?? []).flatMap((id) => system.lists[id]?.name ?? []));
  const kept = $derived(
    keptWith({ calls: here().log, messages: here().messages, texts: here().texting.texts }, [number]),
  );
  const before = $derived(
    lastOf(kept, MOST + 1, system)
      .filter((e) => e.id !== callId)
      .slice(0, MOST),
  );
  const by = $derived(settling(kept));
</script>

{#if contact?.picture}<Picture hash={contact.picture} name={contact.name} />{/if}
{#if contact?.firm || contact?.note || records}
  <p class="small" data-testid="about-caller">
    {[contact?.firm, contact?.note].filter(Boolean).join(' · ')}
    {#if records}<a href={records} target="_blank" rel="noopener noreferrer external">Their records</a>{/if}
  </p>
{/if}
{#if owner || lists.length}
  <p class="small" data-testid="who-calls">
    {[owner ? `${owner} looks after them` : '', lists.length ? `on ${lists.join(', ')}` : '']
      .filter(Boolean)
      .join(' · ')}
  </p>
{/if}
{#if before.length}
  <ol aria-label="Last dealings" data-testid="before">
    {#each before as entry (entry.id)}
      {@const settled = settledBy(entry, by)}
      <li>
        <span class="soft small">{momentText(entry.at, here().zone)}</span>
        {entry.message?.said ? `“${entry.message.said}”` : detailOf(entry, system) || titleOf(entry, system)}
        {#if entry.facts.missed && !settled}<b>{settledInWords(settled, entry.at, system)}</b>{/if}
      </li>
    {/each}
  </ol>
{/if}

<style>
  p {
    margin: 0 0 8px;
  }
  ol {
    list-style: none;
    margin: 0 0 12px;
    padding: 0 0 0 10px;
    border-left: 3px solid var(--rule);
    font-size: var(--text-body);
  }
  li {
    margin-bottom: 6px;
    overflow-wrap: anywhere;
  }
  b {
    color: var(--copper);
  }
</style>
