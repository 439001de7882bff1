<script lang="ts">
  import { FileUploaderButton } from 'carbon-components-svelte';
  import { saveText } from '../files/download';
  import type { Person } from '$core/system';
  import { FileReading } from '../files/file-reader.svelte';
  import ReadingFile from '../files/ReadingFile.svelte';
  import { here } from '../window/session.svelte';
  import type { ReachForm } from './form.svelte';

  /** How somebody is reached, in the format others read; what is read is seen before it is set. */
  let { form }: { form: ReachForm } = $props();
  let left = $state<{ title: string; what: string[] } | null>(null);
  let problem = $state('');
  const reading = new FileReading();

  async function save() {
    const { writeReachCpl } = await import('$core/formats/cpl');
    const written = writeReachCpl(form.next, form.system);
    if (written.xml) saveText(`${form.person.name}.cpl.xml`, 'application/cpl+xml', written.xml);
    problem = '';
    left = {
      title: written.left.length ? 'A call script cannot say:' : 'A call script says all of it.',
      what: written.left,
    };
  }
  async function read(files: readonly File[]) {
    const [file] = files;
    if (!file) return;
    left = null;
    const [person, now] = [$state.snapshot(form.person) as Person, here().settable];
    const got = await reading.reach(file, person, now);
    if (!got) return;
    problem = got.ok ? '' : got.message;
    if (!got.ok) return;
    form.change(got.values);
    left = {
      title: got.left.length ? 'Read, but for:' : 'Read. Look at it, then set it.',
      what: got.left,
    };
  }
</script>

<div class="card">
  <h2>As a file</h2>
  <div class="row">
    <button
      class="linkish"
      type="button"
      title="In the Call Processing Language, RFC 3880"
      onclick={() => void save()}>Save as a call script</button
    >
    <FileUploaderButton
      size="small"
      kind="ghost"
      labelText="Read a call script"
      accept={['.xml', '.cpl', 'application/cpl+xml']}
      disableLabelChanges
      on:change={(e) => void read(e.detail)}
    />
  </div>
  <ReadingFile {reading} />
  {#if problem}<p class="warn" role="alert">{problem}</p>{/if}
  {#if left}
    <div class="small" role="status">
      {left.title}
      <ul>
        {#each left.what as what (what)}<li>{what}</li>{/each}
      </ul>
    </div>
  {/if}
</div>

<style>
  .row {
    display: flex;
    align-items: center;
    gap: 12px;
  }
  .warn {
    color: var(--alarm);
  }
  ul {
    margin: 2px 0 0 16px;
    list-style: disc;
  }
</style>
