<script lang="ts">
  import { Button, CopyButton } from 'carbon-components-svelte';
  import { tick, untrack } from 'svelte';
  import { page } from '$app/state';
  import { count, momentText, priceText } from '$ui/format';
  import CsvButtons from '$ui/csv/CsvButtons.svelte';
  import GivenBack from '$ui/numbers/GivenBack.svelte';
  import { goesNow, stillElsewhere } from '$ui/numbers/going';
  import NumberSheet from '$ui/numbers/NumberSheet.svelte';
  import { rehearsal } from '$ui/rehearsal.svelte';
  import { theBusiness } from '$ui/window/session.svelte';

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
        {#each numbers as n (n.id)}
          {@const elsewhere = stillElsewhere(n, theBusiness().view, theBusiness().now, theBusiness().zone)}
          <li id={n.id} class:here={n.id === chosen?.id}>
            <div class="which">
              <span class="e164"
                ><b>{theBusiness().number(n.e164)}</b><CopyButton
                  text={n.e164}
                  iconDescription="Copy {n.e164}"
                  feedback="Copied"
                /></span
              >
              <a href="#{n.id}" aria-current={n.id === chosen?.id ? 'true' : undefined}>{n.label}</a>
              <span class="soft small">{n.use}{n.place ? ` · ${n.place}` : ''}</span>
            </div>
            <div>
              {#if elsewhere}<p class="late">{elsewhere}</p>{/if}
              <p>{goesNow(n, system, theBusiness().paired, minute)}</p>
            </div>
            <span class="price small">{priceText(n.monthlyCents, n.currency)}</span>
          </li>
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
  .held li {
    display: grid;
    grid-template-columns: 190px minmax(0, 1fr) auto;
    gap: 14px;
    padding: 9px 14px;
    border-bottom: 1px solid var(--rule);
    border-left: 3px solid transparent;
    align-items: start;
  }
  .held li:last-child {
    border-bottom: 0;
  }
  .held li.here {
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
  }
  .e164 :global(.bx--copy-btn) {
    width: 28px;
    height: 28px;
    background: none;
  }
  p {
    margin: 0;
  }
  .sub {
    margin-bottom: 14px;
  }
  .late {
    color: var(--amber);
    font-weight: 600;
  }
  .row {
    display: flex;
    gap: 8px;
    margin-top: 12px;
  }
</style>
