<script lang="ts">
  import { Modal, ProgressBar } from 'carbon-components-svelte';
  import { onMount } from 'svelte';
  import { saveBlob } from '../files/download';
  import { bytesText } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import { fileName, Files } from './files';
  import { keeping } from './keeping.svelte';

  /** Everything as a file: it is made first, and its size said, before it is saved. */
  let { onclose }: { onclose: () => void } = $props();
  const files = new Files();
  let done = $state({ n: 0, of: 0 });
  let file = $state.raw<Blob | null>(null);
  let problem = $state('');
  const business = theBusiness().system.business.name;
  const shown = theBusiness().view.storage.failed;

  onMount(() => {
    void (async () => {
      try {
        const written = await files.write(
          await theBusiness().workspace.whole(),
          (n, of) => (done = { n, of }),
        );
        if (written?.ok) file = written.file;
        else if (written) problem = written.message;
      } catch (error) {
        problem = error instanceof Error ? error.message : String(error);
      }
    })();
    return () => files.stop();
  });
  function save() {
    saveBlob(fileName(business, new Date().toISOString().slice(0, 10)), file!);
    void keeping.saved();
    onclose();
  }
</script>

<Modal
  open
  size="sm"
  modalHeading="Save everything as a file"
  primaryButtonText={file ? `Save ${bytesText(file.size)}` : 'Save'}
  primaryButtonDisabled={!file}
  secondaryButtonText="Cancel"
  on:click:button--secondary={onclose}
  on:close={onclose}
  on:submit={save}
>
  <div aria-live="polite">
    {#if problem}
      <p class="wrong">No file was made. {problem}</p>
    {:else if file}
      <p>
        <b>{business}</b>: numbers, people, plans, versions, messages with their sound, calls and history. The
        file has
        <b data-testid="file-size">{bytesText(file.size)}</b>.
      </p>
      <p class="soft small">
        It is gzip (RFC 1952), with a record a line as JSON inside. Keep it as you would keep the data itself:
        it holds messages and telephone numbers. PINs and passwords are not in it as such.
      </p>
      {#if shown}
        <p>It also holds what could not be saved in this browser.</p>
      {/if}
    {:else}
      <ProgressBar
        labelText="Making the file"
        value={done.n}
        max={Math.max(1, done.of)}
        helperText={done.of
          ? `${done.n.toLocaleString('en-US')} of ${done.of.toLocaleString('en-US')} records`
          : ''}
      />
    {/if}
  </div>
</Modal>

<style>
  .wrong {
    color: var(--alarm);
  }
  p {
    margin: 0 0 8px;
  }
</style>
