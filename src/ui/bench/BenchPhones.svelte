<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { deliveryOf } from '$standins/carrier/texting';
  import { momentText } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import BenchDial from './BenchDial.svelte';
  import BenchHabits from './BenchHabits.svelte';
  import BenchRinging from './BenchRinging.svelte';
  import BenchFax from './BenchFax.svelte';
  import BenchText from './BenchText.svelte';
  import BenchTextHabits from './BenchTextHabits.svelte';

  /** A call that tells a code rings so long, in milliseconds. */
  const RINGS_MS = 30_000;
  let picked = $state<string[]>([]);

  interface Arrival {
    id: string;
    to: string;
    at: number;
    words: string;
    rings: boolean;
  }
  const spoken = (code: string) => [...code].join(', ');
  /** Texts and calls that outside phones got, the newest first. */
  const arrivals = $derived.by((): Arrival[] => {
    const { dealings } = theBusiness().view;
    const name = theBusiness().system.business.name;
    const codes = dealings.proofs.map((p): Arrival => {
      const rings = p.by === 'call' && !picked.includes(p.id) && theBusiness().now - p.sentAt < RINGS_MS;
      const missed = p.by === 'call' && !picked.includes(p.id) && !rings;
      return {
        id: p.id,
        to: p.number,
        at: p.sentAt,
        rings,
        words: rings
          ? 'It rings.'
          : missed
            ? 'A call nobody took.'
            : p.by === 'call'
              ? `A voice says: “Your code for ${name} is ${spoken(p.code)}. Once more: ${spoken(p.code)}.”`
              : `${p.code} is your code for ${name}. It is good for ten minutes.`,
      };
    });
    const texts = theBusiness().view.texts.flatMap((t): Arrival[] => {
      const is = deliveryOf(t, dealings.texting, theBusiness().now);
      if (is.state !== 'delivered' || t.way === 'in') return [];
      const files = (t.files ?? []).map((f) => `[${f.name}]`);
      return [
        { id: t.id, to: t.to, at: is.at, rings: false, words: [t.text, ...files].filter(Boolean).join(' ') },
      ];
    });
    return [...codes, ...texts].sort((a, b) => b.at - a.at);
  });
</script>

<p>
  The outside phone opens in a window of its own. It calls your numbers as a customer would, for real: phones
  ring, plans run, messages are left.
</p>
<Button
  size="small"
  href="/bench/phone?business={theBusiness().view.business.id}"
  target="_blank"
  rel="opener">Open the outside phone</Button
>
<p class="gap">The staff phone page, where an invitation's code is entered, is a window too.</p>
<Button size="small" kind="tertiary" href="/phone" target="_blank" rel="opener"
  >Open the staff phone page</Button
>
<BenchRinging />
<BenchHabits />
<BenchDial />
<BenchText />
<BenchTextHabits />
<BenchFax />
<h3>What outside phones got</h3>
<ul class="slips" aria-label="What outside phones got">
  {#each arrivals as a (a.id)}
    <li>
      <span class="soft small">{theBusiness().number(a.to)} · {momentText(a.at, theBusiness().zone)}</span>
      <p>{a.words}</p>
      {#if a.rings}<Button size="small" on:click={() => (picked = [...picked, a.id])}>Pick up</Button>{/if}
    </li>
  {:else}<li class="soft">Nothing yet. Texts, and codes that prove a linked phone, arrive here.</li>{/each}
</ul>

<style>
  p {
    margin: 0 0 10px;
  }
  .gap {
    margin-top: 18px;
  }
  h3 {
    margin: 22px 0 6px;
  }
  li p {
    margin: 2px 0 4px;
  }
</style>
