<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { newNumber, type NumberHeld } from '$core/system';
  import { offered } from '$standins/carrier/stock';
  import { soldTo } from '$workspace';
  import { count, momentText } from '../format';
  import { freshId } from '../ids';
  import { theBusiness } from '../window/session.svelte';

  /** Numbers that were given back or bought and left out of the draft, which can still be had. */
  const system = $derived(theBusiness().system);
  const view = $derived(theBusiness().view);
  const here = $derived(new Set(Object.values(system.numbers).map((n) => n.e164)));
  const rows = $derived.by(() => {
    const released = view.dealings.released
      .filter((r) => r.until > theBusiness().now && !here.has(r.number.e164))
      .map((r) => ({
        number: r.number,
        words: `given back ${momentText(r.at, theBusiness().zone)}; callers are told ${r.referTo ? `that it has changed to ${theBusiness().number(r.referTo)}` : 'that it is not in service'}. The carrier keeps it for you until ${momentText(r.until, theBusiness().zone)} (${count(Math.ceil((r.until - theBusiness().now) / 86_400_000), 'day')} more).`,
      }));
    const known = new Map(Object.values(view.inForce.system.numbers).map((n) => [n.e164, n]));
    const porting = new Set(view.dealings.ports.filter((p) => p.cancelledAt === null).map((p) => p.e164));
    const unused = soldTo(view.book, view.business.id)
      .filter((e164) => !here.has(e164))
      .flatMap((e164) => {
        const inForce = known.get(e164);
        if (inForce)
          return [
            {
              number: inForce,
              words: 'taken out of the draft; callers reach it until the draft is in force.',
            },
          ];
        if (porting.has(e164)) return [];
        const offer = offered(e164);
        if (!offer) return [];
        const { kind, place, monthlyCents, currency, country } = offer;
        const number = newNumber({
          id: freshId('number'),
          e164,
          country,
          kind,
          place,
          monthlyCents,
          currency,
          label: place,
        });
        return [{ number, words: 'bought, but not in the draft: no plan can take its calls.' }];
      });
    return [...unused, ...released];
  });

  function bringBack(number: NumberHeld) {
    const planId = number.planId && system.plans[number.planId] ? number.planId : null;
    const siteId = number.siteId && system.sites[number.siteId] ? number.siteId : null;
    const callerIdFor =
      number.callerIdFor === 'everybody'
        ? number.callerIdFor
        : number.callerIdFor.filter((id) => system.people[id]);
    theBusiness().edit(
      `Bring back ${theBusiness().number(number.e164)}`,
      [{ do: 'number.add', value: { ...number, planId, siteId, callerIdFor } }],
      { withNotice: true },
    );
  }
</script>

{#if rows.length}
  <h2>Not in the draft</h2>
  <ul aria-label="Numbers not in the draft">
    {#each rows as { number, words } (number.e164)}
      <li>
        <p><b>{theBusiness().number(number.e164)}</b> {number.label}: {words}</p>
        <Button size="small" kind="tertiary" on:click={() => bringBack(number)}
          >Bring back<span class="visually-hidden">&nbsp;{theBusiness().number(number.e164)}</span></Button
        >
      </li>
    {/each}
  </ul>
{/if}

<style>
  h2 {
    margin-top: 18px;
  }
  ul {
    list-style: none;
    margin: 0 0 14px;
    padding: 0;
    border: 1px dashed var(--dash);
    background: var(--sheet);
  }
  li {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 14px;
    padding: 8px 14px;
  }
  p {
    margin: 0;
  }
</style>
