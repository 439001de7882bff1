<script lang="ts">
  import { onDestroy } from 'svelte';
  import type { TextFile } from '$standins/carrier/texting';
  import { bytesText } from '../format';
  import { here } from '../window/session.svelte';

  /** Files of a text: pictures are shown, from their bytes alone; others can be saved. */
  let { files }: { files: readonly TextFile[] } = $props();
  let urls = $state.raw<Record<string, string>>({});
  let gone = $state.raw<readonly string[]>([]);
  const made: string[] = [];
  onDestroy(() => made.forEach((url) => URL.revokeObjectURL(url)));
  $effect(() => {
    for (const file of files) if (!(file.hash in urls)) void load(file);
  });
  async function load({ hash, type }: TextFile) {
    const bytes = await here()
      .deeds.fileBytes(hash)
      .catch(() => undefined);
    if (!bytes) return void (gone = [...gone, hash]);
    const url = URL.createObjectURL(new Blob([bytes], { type }));
    made.push(url);
    urls = { ...urls, [hash]: url };
  }
</script>

<ul aria-label="Files">
  {#each files as file, i (i)}
    <li>
      {#if gone.includes(file.hash)}
        <span class="soft small">{file.name} is not in this browser any more</span>
      {:else if urls[file.hash]}
        <a href={urls[file.hash]} download={file.name}>
          {#if file.type.startsWith('image/')}<img src={urls[file.hash]} alt={file.name} />{/if}
          <span class="small">{file.name}, {bytesText(file.size)}</span>
        </a>
      {:else}<span class="soft small">{file.name}…</span>{/if}
    </li>
  {/each}
</ul>

<style>
  ul {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    list-style: none;
    margin: 4px 0;
    padding: 0;
  }
  a {
    display: grid;
    gap: 2px;
    overflow-wrap: anywhere;
  }
  img {
    display: block;
    max-width: 220px;
    max-height: 160px;
    border: 1px solid var(--rule);
  }
</style>
