<script lang="ts">
  import { contactOf, type System } from '$core/system';
  import type { FaxRecord } from '$workspace';
  import FaxPages from '../../faxes/FaxPages.svelte';
  import { count, momentText } from '../../format';
  import AnswerBack from '../../messages/AnswerBack.svelte';
  import type { PhoneDesk } from '../desk.svelte';

  /** Faxes of one's mailboxes: each is opened to be read. */
  let { desk, system }: { desk: PhoneDesk; system: System } = $props();
  const faxes = $derived([...desk.faxes].reverse().filter((f) => !f.folder));
  let open = $state<string | null>(null);
  const nameOf = (f: FaxRecord) => contactOf(f.from, system.contacts)?.name ?? desk.number(f.from);
  function show(fax: FaxRecord) {
    open = open === fax.id ? null : fax.id;
    if (open && !fax.seen) void desk.changeFax(fax, { seen: true }, '');
  }
  const NEXT = { 0: 90, 90: 180, 180: 270, 270: undefined } as const;
</script>

{#if faxes.length}
  <h2>Faxes</h2>
  {#each faxes as fax (fax.id)}
    <article class="card" class:new={!fax.seen} data-testid="fax">
      <button class="linkish" type="button" aria-expanded={open === fax.id} onclick={() => show(fax)}
        >{nameOf(fax)}: {count(fax.pages, 'page')}</button
      >
      <p class="small soft">
        {momentText(fax.at, desk.zone)}, {system.mailboxes[fax.mailboxId ?? '']?.name ?? ''}{fax.assignedTo
          ? ` · ${system.people[fax.assignedTo]?.name ?? 'somebody'} sees to it`
          : ''}{fax.answeredAt ? ' · done' : ''}
      </p>
      {#if fax.note}<p class="small">“{fax.note}”</p>{/if}
      {#if open === fax.id}
        <div class="acts">
          <AnswerBack number={fax.from} own={desk.phoneId} answered={() => Promise.resolve()} />
          {#if !fax.answeredAt}<button
              class="linkish small"
              type="button"
              onclick={() =>
                void desk.changeFax(fax, { answeredAt: desk.now }, `Done: the fax from ${nameOf(fax)}`)}
              >Done</button
            >{/if}
          <button
            class="linkish small"
            type="button"
            onclick={() => void desk.changeFax(fax, { turned: NEXT[fax.turned ?? 0] }, 'Turned')}
            >Turn the pages</button
          >
          <button
            class="linkish small"
            type="button"
            onclick={() =>
              void desk.changeFax(fax, { folder: 'archive' }, `In the archive: the fax from ${nameOf(fax)}`)}
            >Archive</button
          >
        </div>
        <FaxPages file={fax.file} pages={fax.pages} turned={fax.turned} />
      {/if}
    </article>
  {/each}
{/if}

<style>
  .new {
    border-left: 3px solid var(--message);
  }
  p {
    margin: 2px 0;
    overflow-wrap: anywhere;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
    margin: 4px 0;
  }
</style>
