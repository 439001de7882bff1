<script lang="ts">
  import { Button, InlineLoading, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import { PROFILES } from '$core/numbering';
  import type { Offer } from '$standins/carrier/carrier';
  import { orderNumber, searchNumbers } from '../carrier';
  import { priceText } from '../format';
  import { freshId } from '../ids';
  import { session } from '../session.svelte';

  let country = $state(session.system!.business.country);
  let where = $state('');
  let offers = $state.raw<Offer[] | null>(null);
  let problem = $state('');
  let searching = $state<AbortController | null>(null);
  let ordering = $state<string | null>(null);
  const profile = $derived(PROFILES.find((p) => p.country === country));

  async function search(event: Event) {
    event.preventDefault();
    searching?.abort();
    const control = new AbortController();
    searching = control;
    problem = '';
    offers = null;
    try {
      const held = Object.values(session.system!.numbers).map((n) => n.e164);
      const result = await searchNumbers({ country, where: where.trim(), held }, control.signal);
      if (searching !== control) return;
      if (result.ok) offers = result.offers;
      else problem = result.message;
    } catch {
      if (searching === control) problem = 'The carrier cannot be reached. Try again.';
    } finally {
      if (searching === control) searching = null;
    }
  }

  function cancel() {
    searching?.abort();
    searching = null;
  }

  async function take(offer: Offer) {
    ordering = offer.e164;
    problem = '';
    try {
      const result = await orderNumber(offer.e164);
      offers = offers?.filter((o) => o.e164 !== offer.e164) ?? null;
      if (!result.ok) {
        problem = result.message;
        return;
      }
      const { e164, kind, place, monthlyCents, currency } = result.offer;
      const taken = Object.keys(session.system!.numbers).length;
      const sites = Object.keys(session.system!.sites);
      session.edit(
        `Take ${session.number(e164)}`,
        [
          {
            do: 'number.add',
            value: {
              id: freshId('number'),
              e164,
              country: result.offer.country,
              label: taken ? `Number ${taken + 1}` : 'Main line',
              kind,
              place,
              siteId: sites.length === 1 ? sites[0]! : null,
              planId: null,
              monthlyCents,
              currency,
            },
          },
        ],
        { undoable: true },
      );
    } catch {
      problem = 'The carrier cannot be reached. Nothing was ordered.';
    } finally {
      ordering = null;
    }
  }
</script>

<div class="card">
  <h2>Get a number</h2>
  <form onsubmit={search}>
    <Select labelText="Country" bind:selected={country}>
      {#each PROFILES as p (p.country)}<SelectItem value={p.country} text={p.name} />{/each}
    </Select>
    <TextInput
      labelText="{profile?.areaWord === 'area' ? 'Area' : 'Area code'} or city"
      placeholder={profile ? `${profile.fiction[0]!.area} or ${profile.fiction[0]!.places[0]}` : ''}
      bind:value={where}
      invalid={!!problem}
      invalidText={problem}
    />
    <Button type="submit" size="field">Look</Button>
  </form>
  {#if searching}
    <div class="wait">
      <InlineLoading description="Asking the carrier…" /><Button kind="ghost" size="small" on:click={cancel}
        >Cancel</Button
      >
    </div>
  {/if}
  {#if offers}
    {#if !offers.length}<p class="soft">The carrier has nothing more here.</p>{/if}
    <ul aria-label="Numbers on offer">
      {#each offers as offer (offer.e164)}
        <li>
          <div>
            <b>{session.number(offer.e164)}</b><span
              >{offer.place} · {priceText(offer.monthlyCents, offer.currency)} a month</span
            >
          </div>
          <Button size="small" kind="tertiary" disabled={ordering !== null} on:click={() => take(offer)}>
            Take<span class="visually-hidden"> {session.number(offer.e164)}</span>
          </Button>
        </li>
      {/each}
    </ul>
  {/if}
</div>

<style>
  form {
    display: grid;
    gap: 12px;
  }
  ul {
    list-style: none;
    margin: 14px 0 0;
    padding: 0;
    max-height: 300px;
    overflow-y: auto;
  }
  li {
    display: flex;
    justify-content: space-between;
    align-items: center;
    padding: 8px 2px;
    border-bottom: 1px solid var(--rule);
  }
  li b {
    font-size: 15px;
  }
  li span {
    display: block;
    color: var(--ink-soft);
    font-size: 12.5px;
  }
  .wait {
    display: flex;
    justify-content: space-between;
    align-items: center;
  }
</style>
