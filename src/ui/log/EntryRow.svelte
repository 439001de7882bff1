<script lang="ts">
  import { detailOf, settledInWords, titleOf, type Entry, type Settled } from '$core/story';
  import type { System } from '$core/system';
  import { momentText } from '../format';
  import { here } from '../window/session.svelte';

  /** An entry of the log as a line that opens it. */
  interface Props {
    entry: Entry;
    system: System;
    settled: Settled | undefined;
    chosen: boolean;
    onopen: () => void;
  }
  let { entry, system, settled, chosen, onopen }: Props = $props();
  const seer = $derived(entry.call?.assignedTo ?? entry.message?.assignedTo);
  const marks = $derived(
    [
      entry.facts.unwanted ? 'unwanted' : '',
      entry.call?.recordings?.length ? 'recorded' : '',
      entry.noted ? 'note' : '',
    ].filter(Boolean),
  );
</script>

<li>
  <button
    class="entry"
    class:chosen
    type="button"
    aria-current={chosen ? 'true' : undefined}
    data-testid="log-entry"
    onclick={onopen}
  >
    <span class="top">
      <b>{titleOf(entry, system)}</b>
      <span class="soft small">{momentText(entry.at, here().zone)}</span>
    </span>
    <span class="detail">{detailOf(entry, system)}</span>
    {#if entry.facts.missed || marks.length}
      <span class="small">
        {#if entry.facts.missed}<span class="stands" class:open={!settled}
            >{settledInWords(settled, entry.at, system)}{!settled && seer
              ? `; ${system.people[seer]?.name ?? 'somebody'} sees to it`
              : ''}</span
          >{/if}
        {#each marks as mark (mark)}<span class="mark">{mark}</span>{/each}
      </span>
    {/if}
  </button>
</li>

<style>
  li {
    border-bottom: 1px solid var(--rule);
  }
  .entry {
    display: block;
    width: 100%;
    padding: 8px 12px;
    border: 0;
    border-left: 3px solid transparent;
    background: none;
    text-align: left;
    color: inherit;
    font: inherit;
    cursor: pointer;
  }
  .entry:hover {
    background: var(--copper-wash);
  }
  .chosen {
    border-left-color: var(--copper);
    background: var(--copper-wash);
  }
  .top {
    display: flex;
    justify-content: space-between;
    gap: 12px;
  }
  .top b {
    overflow-wrap: anywhere;
  }
  .top .small {
    white-space: nowrap;
  }
  .detail {
    display: -webkit-box;
    -webkit-line-clamp: 2;
    line-clamp: 2;
    -webkit-box-orient: vertical;
    overflow: hidden;
    overflow-wrap: anywhere;
  }
  .stands {
    font-weight: 600;
    margin-right: 10px;
  }
  .open {
    color: var(--copper);
  }
  .mark {
    border: 1px solid var(--rule);
    padding: 0 5px;
    margin-right: 6px;
  }
</style>
