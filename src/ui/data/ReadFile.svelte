<script lang="ts">
  import { Modal, ProgressBar } from 'carbon-components-svelte';
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import { byPart, netChanges, type NetChange } from '$core/changes';
  import { remember, type Whole } from '$workspace';
  import { PART_HEADINGS } from '../changes/where';
  import { bytesText, count } from '../format';
  import { session, theBusiness } from '../window/session.svelte';
  import { Files } from './files';
  import { keeping } from './keeping.svelte';

  /** Reads a saved file, shows what it holds, and puts it into this browser when that is wanted. */
  let { file, onclose }: { file: File; onclose: () => void } = $props();
  const files = new Files();
  let read = $state(0);
  let whole = $state.raw<Whole | null>(null);
  let storing = $state(false);
  let problem = $state('');

  onMount(() => {
    void (async () => {
      try {
        const result = await files.read(file, (bytes) => (read = bytes));
        if (!result) return;
        if (result.ok) whole = result.whole;
        else refuse(result.message);
      } catch (error) {
        refuse(error instanceof Error ? error.message : String(error));
      }
    })();
    return () => files.stop();
  });
  function refuse(message: string) {
    session.say({ kind: 'error', title: 'Nothing was read', detail: message });
    onclose();
  }
  const replaces = $derived(theBusiness().view.businesses.find((b) => b.id === whole?.business.id));
  const holds = $derived.by(() => {
    if (!whole) return '';
    const { numbers, people, plans } = whole.draft.system;
    const size = (items: object) => Object.keys(items).length;
    return [
      count(size(numbers), 'number'),
      count(size(people), 'person', 'people'),
      count(size(plans), 'plan'),
      count(whole.messages.length, 'message'),
      count(whole.calls.length, 'call'),
      ...(whole.texts.length ? [count(whole.texts.length, 'text')] : []),
      ...(whole.faxes.length ? [count(whole.faxes.length, 'fax', 'faxes')] : []),
    ].join(', ');
  });

  /** What the business that is here would lose and get, where it is the one that is open. */
  const differs = $derived(
    whole && replaces?.id === theBusiness().id
      ? byPart(netChanges(theBusiness().system, whole.draft.system))
      : null,
  );
  /** So many names of a part are said. */
  const FEW = 3;
  const inWords = (all: readonly NetChange[], what: NetChange['what']): string => {
    const names = all.filter((c) => c.what === what).map((c) => c.name);
    if (!names.length) return '';
    const some = names.slice(0, FEW).join(', ');
    return `${names.length} ${what} (${some}${names.length > FEW ? ', …' : ''})`;
  };

  async function adopt() {
    if (!whole || storing) return;
    storing = true;
    problem = '';
    const { id } = whole.business;
    const { name } = whole.draft.system.business;
    try {
      await theBusiness().workspace.adopt(whole);
    } catch (error) {
      problem = error instanceof Error ? error.message : String(error);
      storing = false;
      return;
    }
    await session.open(id);
    await remember(theBusiness().db, id).catch(() => {});
    void keeping.ask();
    await goto('/');
    // Only now: who goes to another page meanwhile would be taken back from it.
    onclose();
    session.say({ kind: 'success', title: `Read ${name} from the file.` });
  }
</script>

{#if whole}
  <Modal
    open
    size="sm"
    modalHeading="Open {whole.draft.system.business.name}?"
    primaryButtonText={storing ? 'Storing…' : replaces ? 'Put it in its place' : 'Open it'}
    primaryButtonDisabled={storing}
    secondaryButtonText="Leave it"
    on:click:button--secondary={onclose}
    on:close={onclose}
    on:submit={adopt}
  >
    <p>The file holds {holds}.</p>
    {#if replaces}
      <p>
        <b>{replaces.name} is in this browser already.</b> What is here now is replaced, and cannot be brought back
        unless you save it first.
      </p>
      {#if differs}
        <h3>What would differ from the draft here</h3>
        {#if differs.length}
          <ul data-testid="differs">
            {#each differs as [part, all] (part)}
              <li>
                <b>{PART_HEADINGS[part]}:</b>
                {(['new', 'gone', 'changed'] as const)
                  .map((what) => inWords(all, what))
                  .filter(Boolean)
                  .join('; ')}
                {#each all.slice(0, FEW) as change (change.key)}
                  {#each change.fields.slice(0, FEW) as field (field.field)}
                    <span class="field small"
                      >{change.name}, {field.name}: <del>{field.was}</del> → {field.is}</span
                    >
                  {/each}
                {/each}
              </li>
            {/each}
          </ul>
        {:else}<p>Nothing: they are the same. Messages and calls may differ.</p>{/if}
      {:else}
        <p class="small soft">
          What would differ is shown for the business that is open: open it first to see that.
        </p>
      {/if}
    {:else}
      <p>It is kept in this browser beside what is here already.</p>
    {/if}
    {#if problem}
      <p class="wrong" role="alert">Not stored, and nothing has changed. {problem}</p>
    {/if}
  </Modal>
{:else}
  <Modal open passiveModal size="sm" modalHeading="Reading {file.name.slice(0, 80)}" on:close={onclose}>
    <ProgressBar
      labelText="Reading the file"
      value={read}
      max={Math.max(1, file.size)}
      helperText="{bytesText(read)} of {bytesText(
        file.size,
      )}. Closing this stops it; nothing has changed yet."
    />
  </Modal>
{/if}

<style>
  ul {
    margin: 4px 0 12px;
    padding: 0;
    list-style: none;
    max-height: 240px;
    overflow-y: auto;
  }
  h3 {
    font-size: var(--text-lead);
    margin: 8px 0 0;
  }
  .field {
    display: block;
    overflow-wrap: anywhere;
  }
  .wrong {
    color: var(--alarm);
  }
</style>
