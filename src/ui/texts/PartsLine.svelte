<script lang="ts">
  import { madeCheaper, MOST_PARTS, partsOf } from '$core/texting';
  import { textCents } from '$standins/carrier/prices';
  import { profileOf } from '$core/numbering';
  import { count } from '../format';
  import { here } from '../window/session.svelte';

  /** What a text being written takes and costs, and the one character that makes it long. */
  let {
    text,
    files = 0,
    onchange,
  }: { text: string; files?: number; onchange: (text: string) => void } = $props();
  const { parts, left, alphabet, dear } = $derived(partsOf(text));
  const cheaper = $derived(madeCheaper(text));
  const fewer = $derived(partsOf(cheaper).parts.length);
  /** To a tenth of a cent: a part costs less than one. */
  const price = $derived(
    new Intl.NumberFormat('en-US', {
      style: 'currency',
      currency: profileOf(here().system.business.country).currency,
      minimumFractionDigits: 3,
    }).format(textCents(parts.length, files) / 100),
  );
</script>

<p class="small soft" data-testid="parts" aria-live="polite">
  {count(parts.length, 'part')}, {left} left, {price}{parts.length > MOST_PARTS
    ? `: more than ${MOST_PARTS} parts are not sent`
    : ''}
  {#if dear}
    · <kbd>{dear.character}</kbd> makes each part hold {alphabet === 'UCS-2'
      ? '70 letters instead of 160'
      : ''}{#if dear.cheaper !== null && fewer < parts.length}.
      <button class="linkish" type="button" onclick={() => onchange(cheaper)}
        >Write <kbd>{dear.cheaper}</kbd> instead: {count(fewer, 'part')}</button
      >{/if}
  {/if}
</p>

<style>
  kbd {
    padding: 0 4px;
    border: 1px solid var(--rule);
    font: inherit;
    font-weight: 650;
  }
  p {
    margin: 2px 0 0;
  }
</style>
