<script lang="ts">
  import { CopyButton } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import type { NumberHeld } from '$core/system';
  import { priceText } from '../format';
  import { Near } from '../drawn/near.svelte';
  import { theBusiness } from '../window/session.svelte';
  import { goesNow, stillElsewhere } from './going';

  /** A number held, and what an unanswered call to it gets; worked out where it is near what is seen. */
  interface Props {
    number: NumberHeld;
    /** It is the one beside the list. */
    chosen: boolean;
    /** Among the first of the list. */
    first: boolean;
    /** Epoch milliseconds, to the minute. */
    minute: number;
  }
  let { number: n, chosen, first, minute }: Props = $props();
  const near = new Near(
    untrack(() => first),
    'stays',
  );
  const elsewhere = $derived(stillElsewhere(n, theBusiness().view, theBusiness().now, theBusiness().zone));
</script>

<li id={n.id} class:here={chosen} {@attach near.attach}>
  <div class="which">
    <span class="e164"
      ><b>{theBusiness().number(n.e164)}</b>{#if near.is}<CopyButton
          text={n.e164}
          iconDescription="Copy {n.e164}"
          feedback="Copied"
        />{/if}</span
    >
    <a href="#{n.id}" aria-current={chosen ? 'true' : undefined}>{n.label}</a>
    <span class="soft small">{n.use}{n.place ? ` · ${n.place}` : ''}</span>
  </div>
  <div>
    {#if near.is}
      {#if elsewhere}<p class="late">{elsewhere}</p>{/if}
      <p>{goesNow(n, theBusiness().system, theBusiness().paired, minute)}</p>
    {/if}
  </div>
  <span class="price small">{priceText(n.monthlyCents, n.currency)}</span>
</li>

<style>
  li {
    display: grid;
    grid-template-columns: 190px minmax(0, 1fr) auto;
    gap: 14px;
    padding: 9px 14px;
    border-bottom: 1px solid var(--rule);
    border-left: 3px solid transparent;
    align-items: start;
  }
  li:last-child {
    border-bottom: 0;
  }
  li.here {
    background: var(--copper-wash);
    border-left-color: var(--copper);
  }
  .which > * {
    display: block;
  }
  .which .e164 {
    display: flex;
    align-items: center;
    font-size: var(--text-title);
    min-height: 28px;
  }
  .e164 :global(.bx--copy-btn) {
    width: 28px;
    height: 28px;
    background: none;
  }
  p {
    margin: 0;
  }
  .late {
    color: var(--amber);
    font-weight: 600;
  }
</style>
