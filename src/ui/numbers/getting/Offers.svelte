<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import type { Choice } from '$standins/carrier/carrier';
  import { priceText } from '../../format';
  import { theBusiness } from '../../window/session.svelte';

  /** Numbers on offer, each with why it is easy to remember. */
  let { choices, take }: { choices: readonly Choice[]; take: (choice: Choice) => void } = $props();
  /** More reasons than these say nothing new. */
  const MOST_REASONS = 3;
  const words = ({ offers }: Choice) =>
    offers.length === 1
      ? theBusiness().number(offers[0]!.e164)
      : `${theBusiness().number(offers[0]!.e164)} to ${theBusiness().number(offers.at(-1)!.e164)}`;
  const price = ({ offers }: Choice) =>
    priceText(
      offers.reduce((sum, o) => sum + o.monthlyCents, 0),
      offers[0]!.currency,
    );
</script>

<ul aria-label="Numbers on offer">
  {#each choices as choice (choice.offers[0]!.e164 + choice.offers.length)}
    <li>
      <b>{words(choice)}</b>
      <span class="why">
        {#each choice.reasons.slice(0, MOST_REASONS) as reason (reason)}<span>{reason}</span>{:else}<span
            class="none">nothing special</span
          >{/each}
      </span>
      <span class="soft small"
        >{choice.offers[0]!.place}, {choice.offers[0]!.kind} · {price(choice)} a month</span
      >
      <Button size="small" kind="tertiary" on:click={() => take(choice)}
        >Take<span class="visually-hidden">&nbsp;{words(choice)}</span></Button
      >
    </li>
  {/each}
</ul>

<style>
  ul {
    list-style: none;
    margin: 6px 0 0;
    padding: 0;
    background: var(--sheet);
    border: 1px solid var(--rule);
    container-type: inline-size;
  }
  li {
    display: grid;
    grid-template-columns: 170px minmax(0, 1fr) 264px auto;
    align-items: center;
    gap: 14px;
    padding: 7px 14px;
    border-bottom: 1px solid var(--rule);
  }
  li:last-child {
    border: 0;
  }
  b {
    font-size: var(--text-title);
  }
  .why {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 14px;
  }
  @container (max-width: 760px) {
    li {
      grid-template-columns: 170px minmax(0, 1fr) auto;
      gap: 2px 14px;
    }
    li > b,
    li > :global(button) {
      grid-row: 1 / span 2;
    }
    li > :global(button) {
      grid-column: 3;
    }
    .soft {
      grid-column: 2;
    }
  }
  .why span:first-child {
    font-weight: 600;
  }
  .why .none {
    color: var(--ink-soft);
    font-weight: 400;
  }
</style>
