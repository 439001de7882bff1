<script lang="ts">
  import type { Today } from '$core/traffic';
  import { count, momentText } from '../../format';

  /** Today's figures, and what is usual by this time. */
  interface Props {
    today: Today | null;
    now: number;
    zone: string;
  }
  let { today, now, zone }: Props = $props();
  const figures = $derived(
    today
      ? ([
          { name: 'offered', is: today.now.offered, usual: today.usual?.offered },
          { name: 'answered', is: today.now.answered, usual: today.usual?.answered },
          { name: 'missed', is: today.now.missed, usual: today.usual?.missed },
          { name: 'gave up', is: today.now.gaveUp, usual: today.usual?.gaveUp },
        ] as const)
      : [],
  );
  const round = (n: number) => (n < 10 ? n.toFixed(1) : n.toFixed(0));
</script>

<dl data-testid="today">
  {#each figures as { name, is, usual } (name)}
    <div>
      <dt>{name}</dt>
      <dd>{is}</dd>
      <dd class="soft small">
        {usual === undefined ? 'nothing to hold it against' : `usual by now ${round(usual)}`}
      </dd>
    </div>
  {/each}
  {#if today}
    <div>
      <dt>answered in time</dt>
      <dd>{today.now.inTime === null ? '–' : `${Math.round(today.now.inTime * 100)} %`}</dd>
      <dd class="soft small">within 20 s, of those offered</dd>
    </div>
  {/if}
</dl>
<p class="soft small">
  Today until {momentText(now, zone)}{today?.usual
    ? `; usual is the mean of ${count(today.days, 'such day')} before, until the same time`
    : ''}.
</p>

<style>
  dl {
    display: grid;
    grid-template-columns: repeat(5, minmax(0, 1fr));
    gap: 8px;
    margin: 8px 0 2px;
    min-height: 88px;
  }
  div {
    padding: 6px 12px;
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  dt::first-letter {
    text-transform: uppercase;
  }
  dd {
    margin: 0;
  }
  dd:first-of-type {
    font-size: var(--text-figure);
    line-height: 1.1;
    font-variant-numeric: tabular-nums;
  }
</style>
