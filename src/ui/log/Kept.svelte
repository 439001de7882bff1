<script lang="ts">
  import KeptDays from '../business/KeptDays.svelte';
  import { theBusiness } from '../window/session.svelte';
  import { forgottenInWords } from './forgotten';

  /** How long calls and texts are kept, and what went by that or by hand. */
  const business = $derived(theBusiness());
  const gone = $derived([...(business.view.dealings.forgotten ?? [])].reverse());
  const MOST = 5;
  let all = $state(false);
</script>

<details>
  <summary>How long it is kept</summary>
  <KeptDays />
  {#if gone.length}
    <h3>What went for good</h3>
    <ul aria-label="What went for good">
      {#each all ? gone : gone.slice(0, MOST) as g, i (i)}
        <li class="soft small" data-testid="forgotten">{forgottenInWords(g, business.zone)}</li>
      {/each}
    </ul>
    {#if gone.length > MOST && !all}
      <button class="linkish small" type="button" onclick={() => (all = true)}
        >Show all {gone.length.toLocaleString('en-US')}</button
      >
    {/if}
  {/if}
</details>

<style>
  details {
    margin-top: 14px;
  }
  summary {
    cursor: pointer;
    font-weight: 650;
    padding: 6px 0;
  }
  h3 {
    font-size: var(--text-body);
    margin: 8px 0 0;
  }
  ul {
    list-style: none;
    margin: 4px 0;
    padding: 0;
  }
</style>
