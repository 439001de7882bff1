<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { totals } from '$core/costs';
  import { takenIn } from '$core/system';
  import type { Offer, Search } from '$standins/carrier/carrier';
  import { takenNow, type Ordered } from '$standins/carrier/book';
  import { dropNumbers, orderNumbers, reserveNumbers } from '$workspace';
  import { searchNumbers } from '../../carrier';
  import { count, durationText, priceText } from '../../format';
  import { freshId } from '../../ids';
  import { theBusiness } from '../../window/session.svelte';

  /** What is set aside, for how long still, and what became of an order, with a replacement for what failed. */
  const mine = $derived(
    theBusiness()
      .view.book.reserved.filter((r) => r.businessId === theBusiness().view.business.id)
      .sort((a, b) => a.until - b.until || a.offer.e164.localeCompare(b.offer.e164)),
  );
  const open = $derived(mine.filter((r) => r.until > theBusiness().now));
  const over = $derived(mine.filter((r) => r.until <= theBusiness().now));
  const total = $derived(
    totals(open.map((r) => ({ cents: r.offer.monthlyCents, currency: r.offer.currency })))
      .map(({ cents, currency }) => priceText(cents, currency))
      .join(' + '),
  );
  interface Failure {
    offer: Offer;
    message: string;
    /** The nearest one that is free; null where there is none, undefined while it is looked for. */
    instead: Offer | null | undefined;
  }
  let bought = $state.raw<Offer[]>([]);
  /** The first of them in the draft. */
  const firstBought = $derived(
    Object.values(theBusiness().system.numbers).find((n) => n.e164 === bought[0]?.e164),
  );
  let failures = $state.raw<Failure[]>([]);
  let busy = $state(false);
  let problem = $state('');

  const left = (until: number) => durationText(until - theBusiness().now);

  async function order() {
    busy = true;
    problem = '';
    bought = [];
    failures = [];
    try {
      const results = await orderNumbers(
        theBusiness().workspace,
        open.map((r) => r.offer.e164),
      );
      const got = results.filter((r) => r.ok).map((r) => r.offer);
      if (got.length)
        theBusiness().didForGood(
          `Ordered ${got.map((o) => theBusiness().number(o.e164)).join(', ')}`,
          'The carrier has the order. A number is given back on its own page.',
        );
      if (got.length) place(got);
      bought = got;
      const failed = results.filter((r): r is Extract<Ordered, { ok: false }> => !r.ok);
      failures = failed.map(({ offer, message }) => ({ offer, message, instead: undefined }));
      for (const { offer } of failed) {
        const instead = await nearest(
          offer,
          failures.flatMap((f) => f.instead ?? []),
        );
        failures = failures.map((f) => (f.offer === offer ? { ...f, instead } : f));
      }
    } finally {
      busy = false;
    }
  }

  /** Bought numbers come into the draft, as one edit. */
  function place(offers: Offer[]) {
    theBusiness().edit(
      `Take ${offers.map((o) => theBusiness().number(o.e164)).join(', ')}`,
      takenIn(theBusiness().system, offers, () => freshId('number')).map((value) => ({
        do: 'number.add' as const,
        value,
      })),
      { withNotice: true },
    );
  }

  /** The free number most like one that could not be had: a neighbour, else one that shares most digits with it. */
  async function nearest(offer: Offer, chosen: Offer[]): Promise<Offer | null> {
    const ask: Search = {
      country: offer.country,
      where: /^\d+$/.test(offer.area) ? offer.area : '',
      kind: offer.kind,
      pattern: '',
      patternAt: 'end',
      like: offer.e164,
      row: 1,
      // As if it were held: its neighbours rank first.
      held: [{ e164: offer.e164, label: 'it' }],
      words: [],
      taken: [...takenNow(theBusiness().view.book, theBusiness().now), ...chosen.map((o) => o.e164)],
    };
    try {
      let answer = await searchNumbers(ask);
      if (!answer.ok) answer = await searchNumbers({ ...ask, like: null, pattern: offer.e164.slice(-7) });
      return answer.ok ? (answer.choices[0]?.offers[0] ?? null) : null;
    } catch {
      problem = 'The carrier cannot be reached for a replacement.';
      return null;
    }
  }
  async function again(numbers: string[]) {
    const done = await reserveNumbers(theBusiness().workspace, numbers);
    problem = done.ok ? '' : done.message;
    if (done.ok) failures = failures.filter((f) => !f.instead || !numbers.includes(f.instead.e164));
  }
  async function drop(e164: string) {
    await dropNumbers(theBusiness().workspace, [e164]);
    theBusiness().did(`Not set aside any more: ${theBusiness().number(e164)}`, async () => {
      const again = await reserveNumbers(theBusiness().workspace, [e164]);
      return again.ok ? undefined : again.message;
    });
  }
</script>

<div class="card">
  <h2>Set aside</h2>
  {#if !mine.length}
    <p class="soft">Nothing yet. What you take is kept for you for ten minutes, then you order it.</p>
  {/if}
  <ul aria-label="Numbers set aside">
    {#each open as { offer, until } (offer.e164)}
      <li>
        <div>
          <b>{theBusiness().number(offer.e164)}</b>
          <span class="small" class:late={until - theBusiness().now < 120_000}>{left(until)} left</span>
        </div>
        <button class="linkish small" type="button" onclick={() => void drop(offer.e164)}
          >Let go<span class="visually-hidden">&nbsp;of {theBusiness().number(offer.e164)}</span></button
        >
      </li>
    {/each}
    {#each over as { offer } (offer.e164)}
      <li class="over">
        <div>
          <b>{theBusiness().number(offer.e164)}</b> <span class="small">the ten minutes are over</span>
        </div>
        <span class="acts">
          <button class="linkish small" type="button" onclick={() => void again([offer.e164])}
            >Take again</button
          >
          <button class="linkish small" type="button" onclick={() => void drop(offer.e164)}>Let go</button>
        </span>
      </li>
    {/each}
  </ul>
  {#if open.length}
    <p>{count(open.length, 'number')}: {total} a month more than now.</p>
    <Button size="small" disabled={busy} on:click={() => void order()}
      >Order {open.length === 1 ? 'it' : `all ${open.length}`}</Button
    >
  {/if}
  {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
</div>
{#if bought.length || failures.length}
  <div class="card" role="status" aria-busy={busy}>
    <h2>Your order</h2>
    {#if bought.length}
      <p>
        {bought.map((o) => theBusiness().number(o.e164)).join(', ')}
        {bought.length === 1 ? 'is' : 'are'} yours and in the draft.
        <a href="/numbers#{firstBought?.id ?? ''}"
          >Say what {bought.length === 1 ? 'it is' : 'they are'} for</a
        >
      </p>
    {/if}
    {#each failures as f (f.offer.e164)}
      <p class="problem"><b>{theBusiness().number(f.offer.e164)}</b>: {f.message}</p>
      {#if f.instead}
        {@const instead = f.instead}
        <p>
          The nearest one free is <b>{theBusiness().number(instead.e164)}</b>.
          <Button size="small" kind="tertiary" on:click={() => void again([instead.e164])}
            >Take this instead</Button
          >
        </p>
      {:else if f.instead === undefined}<p class="soft">The nearest one that is free is looked for.</p>
      {:else}<p class="soft">Nothing near it is free.</p>{/if}
    {/each}
  </div>
{/if}

<style>
  ul {
    list-style: none;
    margin: 0 0 10px;
    padding: 0;
  }
  li {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 10px;
    padding: 6px 0;
    border-bottom: 1px solid var(--rule);
  }
  li span.small {
    display: block;
    color: var(--ink-soft);
  }
  li .late {
    color: var(--alarm);
    font-weight: 600;
  }
  .over b {
    text-decoration: line-through;
  }
  .acts {
    display: flex;
    gap: 10px;
  }
  .problem {
    color: var(--alarm);
  }
  p {
    margin: 0 0 8px;
  }
</style>
