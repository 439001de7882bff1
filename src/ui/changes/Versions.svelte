<script lang="ts">
  import { byWhom, count, momentText } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import type { VersionRecord } from '$workspace';

  /** What was in force before, to be brought back into the draft. */
  let versions = $state.raw<VersionRecord[]>([]);
  const newest = $derived(theBusiness().view.inForce.n);
  $effect(() => {
    void newest;
    void theBusiness()
      .workspace.versions()
      .then((found) => (versions = found));
  });

  function bringBack(version: VersionRecord) {
    theBusiness().bringBack(version);
  }
</script>

<details class="card">
  <summary>{count(versions.length, 'version')} kept</summary>
  <ol>
    {#each versions as v (v.n)}
      <li>
        <b>Version {v.n}</b>, since {momentText(v.at, theBusiness().zone)}, by {byWhom(v.by)}{v.n === newest
          ? ', in force'
          : ''}
        {#if v.n !== newest}<button
            class="linkish small"
            type="button"
            aria-label="Bring back version {v.n}"
            onclick={() => bringBack(v)}>Bring it back</button
          >{/if}
        <span class="soft small"
          >{v.words.slice(0, 3).join('; ')}{v.words.length > 3 ? ` and ${v.words.length - 3} more` : ''}</span
        >
      </li>
    {/each}
  </ol>
  <p class="small soft">The last twenty are kept.</p>
</details>

<style>
  summary {
    font-weight: 650;
    cursor: pointer;
  }
  ol {
    list-style: none;
    margin: 8px 0 0;
    padding: 0;
    max-height: 240px;
    overflow-y: auto;
  }
  li {
    padding: 4px 0;
    font-size: var(--text-lead);
  }
  li span {
    display: block;
  }
</style>
