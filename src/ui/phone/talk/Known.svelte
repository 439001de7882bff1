<script lang="ts">
  import { sentence } from '$core/calls';
  import { contactOf, recordsOf, type System } from '$core/system';
  import type { LiveCall } from '$exchange';
  import { momentText } from '../../format';
  import KeepContact from '../../contacts/KeepContact.svelte';
  import { here } from '../../window/session.svelte';

  /** What is known of an outside number that is talked with: who it is, who looks after them, the last calls and messages. */
  let { call, number, system }: { call: LiveCall; number: string; system: System } = $props();
  const MOST = 5;
  const contact = $derived(contactOf(number, system.contacts));
  const records = $derived(recordsOf(system.business.recordsLink, number, contact?.name ?? ''));
  const owner = $derived(contact?.ownerId ? system.people[contact.ownerId]?.name : undefined);
  const lists = $derived((contact?.listIds ?? []).flatMap((id) => system.lists[id]?.name ?? []).join(', '));
  const before = $derived(
    [...here().log]
      .reverse()
      .filter(
        (c) =>
          c.id !== call.request.id &&
          ((c.request.from.kind === 'outside' && c.request.from.number === number) ||
            c.trace.some((e) => e.kind === 'goes out' && e.number === number)),
      ),
  );
  const messages = $derived(
    [...here().messages].reverse().filter((m) => m.fromNumber === number && !m.folder),
  );
</script>

<aside aria-label="Who that is" data-testid="known">
  <h2>{contact?.name ?? here().number(number, system)}</h2>
  <p class="soft">
    {contact ? here().number(number, system) : 'Nobody of this number is among the contacts.'}
  </p>
  {#if contact?.firm}<p>{contact.firm}</p>{/if}
  {#if contact?.note}<p class="note">{contact.note}</p>{/if}
  {#if records}<p>
      <a href={records} target="_blank" rel="noopener noreferrer external">Their records</a>
    </p>{/if}
  {#if !contact}<KeepContact {number} />{/if}
  {#if owner}<p><b>{owner}</b> looks after them.</p>{/if}
  {#if lists}<p class="soft">On {lists}.</p>{/if}
  {#if messages.length}
    <h3>Messages</h3>
    {#each messages.slice(0, 3) as m (m.id)}
      <p>
        <span class="soft small">{momentText(m.at, here().zone)}</span><br />{m.said || `${m.seconds} s`}
      </p>
    {/each}
  {/if}
  <h3>Calls before</h3>
  {#each before.slice(0, MOST) as c (c.id)}
    <p>
      <span class="soft small">{momentText(c.at, here().zone)}</span><br />{sentence(c.trace, system, 'past')}
    </p>
  {:else}<p class="soft">None.</p>{/each}
  {#if before.length > MOST}<p class="soft small">{before.length - MOST} more in the log.</p>{/if}
</aside>

<style>
  .note {
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }
  h2 {
    margin: 0;
  }
  h3 {
    margin: 14px 0 4px;
    font-size: var(--text-body);
  }
  p {
    margin: 0 0 6px;
    font-size: var(--text-body);
    overflow-wrap: anywhere;
  }
</style>
