<script lang="ts">
  import { NumberInput } from 'carbon-components-svelte';
  import { estimated, logged, type Used } from '$core/costs';
  import { addDays, localTime, momentOf } from '$core/hours';
  import { profileOf } from '$core/numbering';
  import { TARIFF } from '$standins/carrier/prices';
  import { count, priceText } from '$ui/format';
  import { Remembered } from '$ui/remembered.svelte';
  import { theBusiness } from '$ui/session.svelte';

  /** The log counts from so many calls on, over the last so many days. */
  const LOG_CALLS = 10;
  const LOG_DAYS = 30;
  const DAY = 86_400_000;

  const system = $derived(theBusiness().system);
  const numbers = $derived(Object.values(system.numbers));
  const people = $derived(Object.keys(system.people).length);
  const currency = $derived(profileOf(system.business.country).currency);
  const assumed = new Remembered(`costs ${theBusiness().view.business.id}`, { calls: 20, talk: 3 });
  const date = $derived(localTime(theBusiness().zone, theBusiness().now).date);
  const week = $derived([
    momentOf(theBusiness().zone, date, 0),
    momentOf(theBusiness().zone, addDays(date, 7), 0),
  ] as const);
  const log = $derived(theBusiness().view.calls.filter((c) => c.at > week[0] - LOG_DAYS * DAY));
  const fromLog = $derived(log.length >= LOG_CALLS);
  const days = $derived(log.length ? Math.ceil((week[0] + DAY - log[0]!.at) / DAY) : LOG_DAYS);

  interface Row {
    what: string;
    detail: string;
    cents: number;
    currency: string;
  }
  const minutes = $derived(
    numbers.map((n): { label: string; used: Used } => ({
      label: n.label,
      used: fromLog
        ? logged(
            system,
            n,
            log
              .filter((c) => c.request.to.kind === 'number' && c.request.to.e164 === n.e164)
              .map((c) => c.trace),
            days,
          )
        : estimated(system, theBusiness().standing, n, assumed.value.calls, assumed.value.talk, week),
    })),
  );
  const sum = (kind: keyof Used) => minutes.reduce((total, m) => total + m.used[kind], 0);
  const who = (kind: keyof Used) =>
    minutes
      .filter((m) => m.used[kind] >= 0.5)
      .map((m) => `${m.label} ${Math.round(m.used[kind])} min`)
      .join(', ') || 'none';
  const rows = $derived<Row[]>([
    ...numbers.map((n) => ({
      what: theBusiness().number(n.e164),
      detail: `${n.label}, ${n.kind}`,
      cents: n.monthlyCents,
      currency: n.currency,
    })),
    {
      what: count(people, 'person', 'people'),
      detail: `${priceText(TARIFF.person, currency)} each, with all their phones`,
      cents: people * TARIFF.person,
      currency,
    },
    {
      what: 'Toll-free minutes',
      detail: `${who('tollFree')}; ${TARIFF.tollFreeMinute} cents a minute`,
      cents: Math.round(sum('tollFree') * TARIFF.tollFreeMinute),
      currency,
    },
    {
      what: 'Minutes sent on to outside phones',
      detail: `${who('forwarded')}; ${TARIFF.forwardedMinute} cents a minute`,
      cents: Math.round(sum('forwarded') * TARIFF.forwardedMinute),
      currency,
    },
  ]);
  const totalOf = (list: { cents: number; currency: string }[]) =>
    Object.entries(
      list.reduce<Record<string, number>>(
        (t, r) => ({ ...t, [r.currency]: (t[r.currency] ?? 0) + r.cents }),
        {},
      ),
    )
      .map(([c, cents]) => priceText(cents, c))
      .join(' + ');
  const inForce = $derived(theBusiness().view.inForce.system);
  const fixed = (s: typeof system) => [
    ...Object.values(s.numbers).map((n) => ({ cents: n.monthlyCents, currency: n.currency })),
    { cents: Object.keys(s.people).length * TARIFF.person, currency: profileOf(s.business.country).currency },
  ];
  const before = $derived(totalOf(fixed(inForce)));
  const after = $derived(totalOf(fixed(system)));
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
          <td class="right"><b data-testid="total">{totalOf(rows)}</b></td>
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
    <div class="card">
      <h2>Where the minutes come from</h2>
      {#if fromLog}
        <p>
          From the call log: {count(log.length, 'call')} in {count(days, 'day')}, carried forward to a month.
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
