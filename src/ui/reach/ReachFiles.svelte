<script lang="ts">
  import { FileUploaderButton } from 'carbon-components-svelte';
  import { saveText } from '../download';
  import { session } from '../session.svelte';
  import type { ReachForm } from './form.svelte';

  /** How somebody is reached, in the format others read; what is read is seen before it is set. */
  let { form }: { form: ReachForm } = $props();
  /** A script is small; a larger file is none. In bytes. */
  const LARGEST = 200_000;
  let left = $state<{ title: string; what: string[] } | null>(null);
  let problem = $state('');

  async function save() {
    const { writeReachCpl } = await import('$core/formats/cpl');
    const written = writeReachCpl(form.next, form.system);
    saveText(`${form.person.name}.cpl.xml`, 'application/cpl+xml', written.xml);
    problem = '';
    left = { title: written.left.length ? 'CPL cannot say:' : 'CPL says all of it.', what: written.left };
  }
  async function read(files: readonly File[]) {
    const [file] = files;
    if (!file) return;
    left = null;
    if (file.size > LARGEST) {
      problem = `The file has ${Math.round(file.size / 1000)} kB; a script has at most ${LARGEST / 1000}.`;
      return;
    }
    const { readReachCpl } = await import('$core/formats/cpl');
    const got = readReachCpl(await file.text(), form.person, session.settable!);
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
    <button class="linkish" type="button" onclick={() => void save()}>Save as CPL</button>
    <FileUploaderButton
      size="small"
      kind="ghost"
      labelText="Read a CPL script"
      accept={['.xml', '.cpl', 'application/cpl+xml']}
      disableLabelChanges
      on:change={(e) => void read(e.detail)}
    />
  </div>
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
