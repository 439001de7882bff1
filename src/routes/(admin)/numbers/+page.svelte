<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { tick, untrack } from 'svelte';
  import { page } from '$app/state';
  import { count, momentText, priceText } from '$ui/format';
  import CsvButtons from '$ui/csv/CsvButtons.svelte';
  import GivenBack from '$ui/numbers/GivenBack.svelte';
  import NumberRow from '$ui/numbers/NumberRow.svelte';
  import NumberSheet from '$ui/numbers/NumberSheet.svelte';
  import { rehearsal } from '$ui/rehearsal.svelte';
  import { theBusiness } from '$ui/window/session.svelte';

  /** So many are there with the page. */
  const FIRST = 15;
  const system = $derived(theBusiness().system);
  const numbers = $derived(Object.values(system.numbers));
  const minute = $derived(Math.floor(theBusiness().now / 60_000) * 60_000);
  const chosen = $derived(
    system.numbers[page.url.hash.slice(1)] ?? (numbers.length ? numbers[0]! : undefined),
  );
  // What is chosen is what the strip below rehearses.
  $effect(() => {
    const id = page.url.hash.slice(1);
    if (untrack(() => system.numbers[id])) void tick().then(() => rehearsal.ask({ numberId: id }));
  });
  const totals = $derived(
    Object.entries(
      numbers.reduce<Record<string, number>>(
        (sums, n) => ({ ...sums, [n.currency]: (sums[n.currency] ?? 0) + n.monthlyCents }),
        {},
      ),
    ),
  );
</script>

<svelte:head><title>Numbers · Upper Line</title></svelte:head>

<div class="columns">
  <section>
    <h1>Numbers</h1>
    <p class="sub">
      What callers can dial, and what an unanswered call would get in the draft right now ({momentText(
        theBusiness().now,
        theBusiness().zone,
      )}).
    </p>
    {#if !numbers.length}
      <div class="empty">
        <h2>You hold no number yet</h2>
        <p>Get one in your area code or city, or bring over the one you have.</p>
        <div class="row">
          <Button size="small" href="/numbers/get">Get a number</Button>
          <Button size="small" kind="tertiary" href="/numbers/bring">Bring one over</Button>
        </div>
      </div>
    {:else}
      <ul class="held" aria-label="Numbers held">
        {#each numbers as n, i (n.id)}
          <NumberRow number={n} chosen={n.id === chosen?.id} first={i < FIRST} {minute} />
        {/each}
      </ul>
      <p class="soft">
        {count(numbers.length, 'number')}, {totals.map(([c, cents]) => priceText(cents, c)).join(' + ')} a month.
        <a href="/numbers/costs">All costs</a>
      </p>
    {/if}
    <GivenBack />
    <CsvButtons kind="numbers" />
  </section>
  <aside>
    {#if chosen}{#key chosen.id}<NumberSheet number={chosen} />{/key}{/if}
  </aside>
</div>

<style>
  .held {
    list-style: none;
    margin: 0 0 8px;
    padding: 0;
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  p {
    margin: 0;
  }
  .sub {
    margin-bottom: 14px;
  }
  .row {
    display: flex;
    gap: 8px;
    margin-top: 12px;
  }
</style>
