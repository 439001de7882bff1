<script lang="ts">
  import type { Cut } from '$exchange/devices/far';
  import { momentText } from '../format';
  import { CUT_WORDS } from './device.svelte';

  /** Says plainly that nothing comes from the exchange, since when, and what that means. */
  let {
    cut,
    now,
    zone,
    shows,
  }: {
    cut: { why: Cut; words: string; since: number };
    /** Epoch milliseconds of real time. */
    now: number;
    zone: string | undefined;
    /** What was told last is shown meanwhile. */
    shows: boolean;
  } = $props();
  /** Shorter is not worth a word. */
  const SHORTLY_MS = 1500;
</script>

{#if now - cut.since > SHORTLY_MS}
  <div class="cut" role="status" data-testid="cut-off">
    <b>{cut.words || CUT_WORDS[cut.why]}</b>
    <span
      >Since {momentText(cut.since, zone ?? Intl.DateTimeFormat().resolvedOptions().timeZone)}. Calls do not
      ring here meanwhile{cut.why === 'no exchange' ? ', nor anywhere else: callers get no answer' : ''}.
      {#if shows}You see what was told last; what you set is kept here and sent when it is back.{/if}</span
    >
  </div>
{/if}

<style>
  .cut {
    display: flex;
    flex-direction: column;
    gap: 2px;
    padding: 10px 14px;
    background: var(--copper-wash);
    border-bottom: 2px solid var(--copper);
  }
</style>
