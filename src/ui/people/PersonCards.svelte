<script lang="ts">
  import { profileOf } from '$core/numbering';
  import type { DirectoryEntry } from '$core/people';
  import { businessNumber } from '$workspace';
  import { theBusiness } from '../window/session.svelte';

  /** A card for each, to lay beside a phone: their numbers, and how to do what one does with it. */
  let { entries }: { entries: DirectoryEntry[] } = $props();
  const system = $derived(theBusiness().system);
  const { business } = $derived(system);
  const main = $derived(businessNumber(system));
  const code = (does: string) => business.starCodes.find((c) => c.does === does)?.code;
  const voicemail = $derived(code('voicemail'));
  const dnd = $derived([code('do not disturb on'), code('do not disturb off')]);
  const emergency = $derived(profileOf(business.country).emergency.join(' or '));
</script>

<div class="cards">
  {#each entries as e (e.id)}
    <article>
      <h3>{e.name}</h3>
      <p class="ext">{e.extension}</p>
      <dl>
        {#if e.direct.length}<dt>Direct</dt>
          <dd>{e.direct.map((n) => theBusiness().number(n)).join(', ')}</dd>{/if}
        {#if main}<dt>Business</dt>
          <dd>{theBusiness().number(main)}</dd>{/if}
        <dt>Outside line</dt>
        <dd>{business.outsideDigit ? `${business.outsideDigit}, then the number` : 'just the number'}</dd>
        <dt>Transfer</dt>
        <dd>
          On a desk phone: Transfer, the extension, and Transfer again, at once or after you have talked.
        </dd>
        {#if e.kind === 'person'}
          <dt>Voicemail</dt>
          <dd>{voicemail ? `dial ${voicemail}, or open` : 'open'} your phone page</dd>
        {/if}
        {#if dnd[0]}<dt>Do not disturb</dt>
          <dd>{dnd[0]} on, {dnd[1] ?? ''} off</dd>{/if}
        <dt>Emergency</dt>
        <dd>{emergency}, nothing in front</dd>
      </dl>
    </article>
  {:else}<p class="soft">Nobody to make a card for.</p>{/each}
</div>

<style>
  .cards {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(290px, 1fr));
    gap: 14px;
  }
  article {
    background: var(--sheet);
    border: 1px solid var(--rule);
    border-top: 3px solid var(--copper);
    padding: 12px 14px;
    position: relative;
    break-inside: avoid;
  }
  .ext {
    position: absolute;
    right: 14px;
    top: 8px;
    font-size: var(--text-heading);
    font-weight: 650;
    margin: 0;
  }
  h3 {
    font-size: var(--text-title);
    padding-right: 70px;
  }
  dl {
    display: grid;
    grid-template-columns: 92px 1fr;
    gap: 2px 8px;
    margin: 10px 0 0;
    font-size: var(--text-small);
  }
  dt {
    color: var(--ink-soft);
  }
  dd {
    margin: 0;
  }
</style>
