<script lang="ts">
  import { Button, NumberInput } from 'carbon-components-svelte';
  import { spentOn } from '$core/costs';
  import { localTime, momentOf } from '$core/hours';
  import { countryName, profileOf } from '$core/numbering';
  import { RATES } from '$standins/carrier/prices';
  import { count, momentText, priceText } from '../format';
  import Origin from '../reach/Origin.svelte';
  import { sendFromHere } from '../reach/settings.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** What calls out have cost this month, the credit that is left for them, and what was stopped. */
  const system = $derived(theBusiness().system);
  const { currency } = $derived(profileOf(system.business.country));
  const month = $derived(
    momentOf(
      theBusiness().zone,
      `${localTime(theBusiness().zone, theBusiness().now).date.slice(0, 7)}-01`,
      0,
    ),
  );
  const spent = $derived(spentOn(theBusiness().log, system, theBusiness().standing, RATES, month));
  const credit = $derived(theBusiness().standing.credit);
  let typed = $state<number | null>(null);
  let problem = $state('');
  async function put(event: Event) {
    event.preventDefault();
    problem = typed === null || typed < 0 ? 'Type how much, 0 or more.' : '';
    if (problem) return;
    const cents = Math.round(typed! * 100);
    await sendFromHere(`Credit for calls out: ${priceText(cents, currency)}`, [{ kind: 'credit', cents }]);
    typed = null;
  }
  /** Countries that calls of the log found stopped, and that nobody has allowed since. */
  const stopped = $derived.by(() => {
    const last = new Map<string, number>();
    for (const c of theBusiness().log)
      for (const e of c.trace) if (e.kind === 'stopped') last.set(e.country, c.at + e.t);
    return [...last].filter(
      ([country, at]) => (theBusiness().standing.allowedAgain?.[country]?.at ?? -Infinity) < at,
    );
  });
</script>

<div class="card" data-testid="credit">
  <h2>Calls out this month</h2>
  <p><b>{priceText(spent.cents, currency)}</b> by the carrier’s prices a minute that has begun.</p>
  {#each stopped as [country, at] (country)}
    <p class="stopped" role="status">
      <b>Calls to {countryName(country)} are stopped</b> since {momentText(at, theBusiness().zone)}: many
      short calls there looked like fraud.
      <button
        class="linkish"
        type="button"
        onclick={() =>
          void sendFromHere(`Calls to ${countryName(country)} are allowed again`, [
            { kind: 'allowed again', country },
          ])}>Allow them again</button
      >
    </p>
  {/each}
  {#if spent.people.length}
    {#each [['By whom', spent.people], ['Where to', spent.places]] as const as [title, rows] (title)}
      <table class="list">
        <thead><tr><th>{title}</th><th></th><th class="right"></th></tr></thead>
        <tbody>
          {#each rows.slice(0, 5) as row (row.name)}
            <tr>
              <td>{row.name}</td>
              <td class="soft">{count(row.calls, 'call')}, {row.minutes} min</td>
              <td class="right">{priceText(row.cents, currency)}</td>
            </tr>
          {/each}
        </tbody>
      </table>
      {#if rows.length > 5}<p class="soft small">and {rows.length - 5} more.</p>{/if}
    {/each}
  {:else}<p class="soft">Nobody has called out this month.</p>{/if}
  <h3>Credit</h3>
  {#if credit?.value != null}
    <p>
      <b>{priceText(spent.left ?? 0, currency)}</b> left of {priceText(credit.value, currency)}. Whoever calls
      is told 2 minutes and 1 minute before it is used up; then the call ends.
      <Origin stamp={credit} />
      <button
        class="linkish"
        type="button"
        onclick={() => void sendFromHere('Calls out go by no credit', [{ kind: 'credit', cents: null }])}
        >No credit: no limit</button
      >
    </p>
  {:else}<p class="soft">None is set: calls out are limited by nothing but the rules of dialling.</p>{/if}
  <form onsubmit={(e) => void put(e)}>
    <NumberInput
      size="sm"
      labelText="Put up credit, in {currency}"
      allowEmpty
      hideSteppers
      min={0}
      step={0.01}
      bind:value={typed}
      invalid={!!problem}
      invalidText={problem}
    />
    <Button size="small" kind="tertiary" type="submit">Put it up</Button>
  </form>
  <p class="small"><a href="/numbers/dialling">Who may call abroad, and for how much a day</a></p>
</div>

<style>
  h3 {
    margin: 14px 0 4px;
  }
  p {
    margin: 0 0 10px;
  }
  .right {
    text-align: right;
    white-space: nowrap;
  }
  .stopped {
    border-left: 4px solid var(--alarm);
    padding-left: 10px;
  }
  form {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 8px;
    align-items: end;
    margin-bottom: 8px;
  }
</style>
