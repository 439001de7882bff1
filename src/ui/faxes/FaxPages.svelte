<script lang="ts">
  import { InlineLoading } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import type { FaxFile } from '$standins/carrier/faxing';
  import { bytesText, count } from '../format';
  import { here } from '../window/session.svelte';
  import { drawn } from './pdf';

  /** The pages of a fax: as pictures drawn of its bytes, turned as somebody reads them, and the file itself. */
  let { file, pages, turned = 0 }: { file: FaxFile; pages: number; turned?: number | undefined } = $props();
  let urls = $state.raw<readonly string[]>([]);
  let whole = $state('');
  let problem = $state('');
  let loading = $state(true);
  const made: string[] = [];
  let gone = false;
  onDestroy(() => {
    gone = true;
    made.forEach((url) => URL.revokeObjectURL(url));
  });
  const url = (blob: Blob): string => {
    const made_ = URL.createObjectURL(blob);
    made.push(made_);
    return made_;
  };
  async function load() {
    try {
      const bytes = await here().deeds.fileBytes(file.hash);
      if (!bytes) return void (problem = 'Its pages are not in this browser any more.');
      whole = url(new Blob([bytes], { type: file.type }));
      if (file.type !== 'application/pdf') return void (urls = [whole]);
      for await (const page of drawn(bytes)) {
        if (gone) return;
        urls = [...urls, url(page)];
      }
    } catch {
      problem = 'Its pages cannot be drawn; the file itself can be saved.';
    } finally {
      loading = false;
    }
  }
  void load();
</script>

{#if whole}<p class="small">
    <a href={whole} download={file.name}>Save {file.name}</a>, {count(pages, 'page')}, {bytesText(file.size)}
  </p>{/if}
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="pages" role="group" aria-label="Pages" tabindex="0">
  {#each urls as page, i (page)}
    <div class="page" class:sideways={turned === 90 || turned === 270}>
      <img src={page} alt="Page {i + 1}" style:rotate="{turned}deg" />
    </div>
  {/each}
</div>
{#if loading}<InlineLoading description="Drawing the pages" />{/if}

<style>
  .pages {
    max-height: 60vh;
    overflow: auto;
    background: var(--paper);
    border: 1px solid var(--rule);
  }
  .page {
    display: grid;
    place-items: center;
    padding: 8px;
  }
  img {
    display: block;
    max-width: 100%;
    background: #fff;
  }
  .sideways {
    aspect-ratio: 1;
  }
  .sideways img {
    max-width: 100%;
    max-height: 100%;
  }
  .problem {
    color: var(--alarm);
  }
</style>
