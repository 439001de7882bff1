<script lang="ts">
  import { NumberInput } from 'carbon-components-svelte';
  import { billOf, fixedLines, LOG_CALLS, LOG_DAYS, minutesOf, type BillLine } from '$core/costs';
  import { addDays, localTime, momentOf } from '$core/hours';
  import { TARIFF } from '$standins/carrier/prices';
  import { count, priceText } from '$ui/format';
  import Credit from '$ui/numbers/Credit.svelte';
  import { sumText } from '$ui/numbers/sums';
  import { Remembered } from '$ui/remembered.svelte';
  import { theBusiness } from '$ui/window/session.svelte';

  const system = $derived(theBusiness().system);
  const assumed = new Remembered(`costs ${theBusiness().view.business.id}`, { calls: 20, talk: 3 });
  const date = $derived(localTime(theBusiness().zone, theBusiness().now).date);
  const week = $derived([
    momentOf(theBusiness().zone, date, 0),
    momentOf(theBusiness().zone, addDays(date, 7), 0),
  ] as const);
  const used = $derived(
    minutesOf(system, theBusiness().standing, theBusiness().view.calls, week, assumed.value),
  );
  const lines = $derived(billOf(system, TARIFF, used.minutes));

  function wordsOf(line: BillLine): { what: string; detail: string } {
    switch (line.what) {
      case 'number':
        return {
          what: theBusiness().number(line.number.e164),
          detail: `${line.number.label}, ${line.number.kind}`,
        };
      case 'people':
        return {
          what: count(line.people, 'person', 'people'),
          detail: `${priceText(line.each, line.currency)} each, with all their phones`,
        };
      case 'tollFree':
      case 'forwarded': {
        const { what, perMinute } = line;
        const who = line.minutes.map((m) => `${m.number.label} ${Math.round(m.used[what])} min`);
        return {
          what: what === 'tollFree' ? 'Toll-free minutes' : 'Minutes sent on to outside phones',
          detail: `${who.join(', ') || 'none'}; ${perMinute} cents a minute`,
        };
      }
    }
  }
  const rows = $derived(
    lines.map((line) => ({ ...wordsOf(line), cents: line.cents, currency: line.currency })),
  );
  const before = $derived(sumText(fixedLines(theBusiness().view.inForce.system, TARIFF)));
  const after = $derived(sumText(fixedLines(system, TARIFF)));
  function assume(change: Partial<typeof assumed.value>) {
    assumed.value = { ...assumed.value, ...change };
  }
</script>

<svelte:head><title>Costs · Upper Line</title></svelte:head>

<div class="columns">
  <section>
    <h1>Costs</h1>
    <p class="sub">What the draft costs a month. Minutes are an estimate; everything else is fixed.</p>
    <table class="list">
      <thead><tr><th>What</th><th></th><th class="right">A month</th></tr></thead>
      <tbody>
        {#each rows as row (row.what)}
          <tr>
            <td><b>{row.what}</b></td>
            <td class="soft">{row.detail}</td>
            <td class="right">{priceText(row.cents, row.currency)}</td>
          </tr>
        {/each}
      </tbody>
      <tfoot>
        <tr>
          <td colspan="2"><b>Together</b></td>
          <td class="right"><b data-testid="total">{sumText(lines)}</b></td>
        </tr>
      </tfoot>
    </table>
    {#if before !== after}
      <p>
        Without minutes: <b>{before}</b> as in force, <b>{after}</b> with the draft.
      </p>
    {/if}
  </section>
  <aside>
    <Credit />
    <div class="card">
      <h2>Where the minutes come from</h2>
      {#if used.fromLog}
        <p>
          From the call log: {count(used.calls, 'call')} in {count(used.days, 'day')}, carried forward to a
          month.
        </p>
      {:else}
        <p>
          From rehearsals, for the log has fewer than {LOG_CALLS} calls in the last {LOG_DAYS} days. Calls are spread
          evenly over the hours in which a phone rings, and whoever’s phone sounds first answers.
        </p>
        <div class="fields">
          <NumberInput
            size="sm"
            labelText="Calls a week to each number"
            min={0}
            max={10000}
            value={assumed.value.calls}
            invalidText="0 to 10,000"
            on:input={(e) => {
              const calls = Number(e.detail);
              if (e.detail !== null && calls >= 0 && calls <= 10_000) assume({ calls });
            }}
          />
          <NumberInput
            size="sm"
            labelText="Minutes of talk in each"
            min={1}
            max={60}
            value={assumed.value.talk}
            invalidText="1 to 60"
            on:input={(e) => {
              const talk = Number(e.detail);
              if (talk >= 1 && talk <= 60) assume({ talk });
            }}
          />
        </div>
      {/if}
    </div>
    <div class="card">
      <h2>One more number</h2>
      <p>
        adds its price above, and nothing else: people pay once, whatever number rings them.
        <a href="/numbers/get">Get a number</a>
      </p>
    </div>
  </aside>
</div>

<style>
  .right {
    text-align: right;
    white-space: nowrap;
  }
  tfoot td {
    border-top: 2px solid var(--ink);
    padding: 8px 12px;
  }
  aside p {
    margin: 0 0 10px;
  }
  table + p {
    margin-top: 12px;
  }
</style>
