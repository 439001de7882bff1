<script lang="ts">
  import { Modal, ProgressBar } from 'carbon-components-svelte';
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import { remember, type Whole } from '$workspace';
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
  .wrong {
    color: var(--alarm);
  }
</style>
