<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { contactOf } from '$core/system';
  import { deleteEntries, sendFax, type FaxRecord } from '$workspace';
  import KeepContact from '../contacts/KeepContact.svelte';
  import EditField from '../fields/EditField.svelte';
  import { byWhom } from '../format';
  import AnswerBack from '../messages/AnswerBack.svelte';
  import SeesToIt from '../messages/SeesToIt.svelte';
  import { session, theBusiness } from '../window/session.svelte';
  import FaxPages from './FaxPages.svelte';
  import { faxInWords } from './reached';

  /** One fax in full: its pages, who sees to it, and what can be done with it. */
  let { fax }: { fax: FaxRecord } = $props();
  const business = $derived(theBusiness());
  const other = $derived(fax.way === 'in' ? fax.from : fax.to);
  const contact = $derived(contactOf(other, business.system.contacts));
  const name = $derived(contact?.name ?? business.number(other));
  const where = $derived(faxInWords(fax, business.now, business.zone));
  type Change = Parameters<typeof business.workspace.change<'faxes'>>[2];
  async function change(to: Change, words: string) {
    const back = await business.workspace.change('faxes', [fax.id], to, 'a fax');
    business.sayDone({ kind: 'info', title: words }, back);
  }
  // Whoever looks has seen it.
  $effect(() => {
    if (fax.way === 'in' && !fax.seen) void business.workspace.change('faxes', [fax.id], { seen: true });
  });
  const turn = () => {
    const next = ((fax.turned ?? 0) + 90) % 360;
    void change({ turned: (next || undefined) as Change['turned'] }, 'Turned');
  };
  let sure = $state(false);
  async function drop() {
    try {
      await deleteEntries(business.workspace, { faxes: [fax.id] }, byWhom(business.actorName));
      business.didForGood('Delete a fax', 'It was deleted for good.');
    } catch (error) {
      const detail = error instanceof Error ? error.message : String(error);
      session.say({ kind: 'error', title: 'Not deleted', detail });
    }
  }
  async function again() {
    const { from, to, file, pages } = fax;
    const done = await sendFax(business.workspace, { from, to, file, pages });
    if (!done.ok) session.say({ kind: 'error', title: 'Not sent', detail: done.message });
  }
</script>

<article class="card" aria-label="Fax {fax.way === 'in' ? 'from' : 'to'} {name}" data-testid="fax">
  <h2>{fax.way === 'in' ? `From ${name}` : `To ${name}`}</h2>
  <p class="small" class:failed={where.failed}>{where.words}{fax.by ? ` · ${fax.by}` : ''}</p>
  <div class="acts">
    <AnswerBack number={other} answered={() => Promise.resolve()} />
    {#if !contact}<KeepContact number={other} />{/if}
    {#if fax.way === 'in'}
      <SeesToIt
        personId={fax.assignedTo}
        about="the fax from {name}"
        ongive={(id) =>
          void change(
            { assignedTo: id || undefined },
            `${business.system.people[id]?.name ?? 'Nobody in particular'} sees to the fax from ${name}`,
          )}
      />
      {#if fax.answeredAt}
        <button
          class="linkish small"
          type="button"
          onclick={() => void change({ answeredAt: undefined }, 'Open again')}>Open it again</button
        >
      {:else}
        <button
          class="linkish small"
          type="button"
          onclick={() => void change({ answeredAt: business.now }, `Done: the fax from ${name}`)}>Done</button
        >
      {/if}
      {#if fax.folder}
        <button
          class="linkish small"
          type="button"
          onclick={() => void change({ folder: undefined }, 'Back among the faxes')}
          >Back among the faxes</button
        >
      {:else}
        <button
          class="linkish small"
          type="button"
          onclick={() => void change({ folder: 'archive' }, 'In the archive')}>Archive</button
        >
      {/if}
    {:else if where.failed}
      <button class="linkish small" type="button" onclick={() => void again()}>Send it again</button>
    {/if}
    <button class="linkish small" type="button" onclick={turn}>Turn the pages</button>
    <button class="linkish small" type="button" aria-expanded={sure} onclick={() => (sure = !sure)}
      >Delete for good…</button
    >
  </div>
  {#if sure}
    <div role="group" aria-label="Delete this fax for good">
      <p class="small">Its pages go with it, and nothing brings them back.</p>
      <Button size="small" kind="danger" on:click={() => void drop()}>Delete it</Button>
      <Button size="small" kind="ghost" on:click={() => (sure = false)}>Leave it</Button>
    </div>
  {/if}
  <EditField
    label="Note"
    value={fax.note ?? ''}
    keep={(text) => {
      void change({ note: text.slice(0, 2000) || undefined }, 'A note');
      return undefined;
    }}
  />
  <FaxPages file={fax.file} pages={fax.pages} turned={fax.turned} />
</article>

<style>
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
    margin-bottom: 8px;
  }
  .failed {
    color: var(--alarm);
    font-weight: 600;
  }
</style>
