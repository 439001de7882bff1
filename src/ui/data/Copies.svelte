<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { revisionOf } from '$workspace';
  import { agoText } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import { keeping } from './keeping.svelte';
  import SaveFile from './SaveFile.svelte';

  /** A copy outside the browser: by itself to a file chosen once, or saved by hand. */
  let saving = $state(false);
  const { place, allowed, writing, problem } = $derived(keeping);
  const current = $derived(place?.at != null && place.revision === revisionOf(theBusiness().view));
  // Looked at again with every minute: how old it is goes on.
  const age = $derived(place?.at != null && theBusiness().minute ? agoText(place.at, Date.now()) : null);
</script>

<section class="card">
  <h2>A copy outside the browser</h2>
  <p data-testid="copy-age" aria-live="polite">
    {#if writing}
      The copy is being written…
    {:else if age}
      <b>The last copy was made {age}.</b>
      {current ? 'Nothing has changed since.' : 'Something has changed since.'}
    {:else}
      <b>There is none yet.</b> If this machine is lost, so is everything.
    {/if}
  </p>
  {#if problem}<p class="wrong" role="alert">{problem}</p>{/if}
  {#if place?.file}
    <p>
      It is written by itself to <b>{place.file.name}</b>, a little after something changes, as long as a
      window is open.
    </p>
    {#if allowed !== 'granted'}
      <p class="wrong">The browser asks again before it writes this file.</p>
      <Button size="small" on:click={() => void keeping.allow()}>Allow it</Button>
    {/if}
  {:else if keeping.canWriteFiles}
    <p class="soft">
      Choose a file once, for example in a folder that is backed up. Copies then go there by themselves.
    </p>
  {:else}
    <p class="soft">
      This browser writes no files by itself. You are reminded after a week in which something has changed.
    </p>
  {/if}
  <div class="row">
    {#if keeping.canWriteFiles}
      <Button size="small" kind={place?.file ? 'tertiary' : 'primary'} on:click={() => void keeping.choose()}
        >{place?.file ? 'Choose another file' : 'Choose a file for copies'}</Button
      >
    {/if}
    {#if place?.file}
      <Button size="small" kind="ghost" on:click={() => void keeping.forget()}>No copies by themselves</Button
      >
    {/if}
    <Button
      size="small"
      kind={keeping.canWriteFiles ? 'tertiary' : 'primary'}
      on:click={() => (saving = true)}>Save a copy now</Button
    >
  </div>
  <p class="soft small">
    A copy is brought back with “Read a saved file”, in the menu beside the name, in any browser.
  </p>
</section>
{#if saving}<SaveFile onclose={() => (saving = false)} />{/if}

<style>
  .wrong {
    color: var(--alarm);
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    margin: 12px 0;
  }
  p {
    margin: 0 0 10px;
  }
</style>
