<script lang="ts">
  import { addDays } from '$core/hours';
  import { compressed, type Glance, type Row } from '$core/coverage';
  import { dayText } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import Lane from './Lane.svelte';

  /** Numbers as lanes over some days: who is rung first as a bar, where the call ends as a line below. */
  interface Props {
    rows: readonly Row[];
    /** Midnights of the days shown, and the one at their end. */
    starts: readonly number[];
    first: string;
    today: string;
    now: number;
    /** The numbers are not there yet. */
    unnumbered?: boolean;
  }
  let { rows, starts, first, today, now, unnumbered = false }: Props = $props();
  let wide = $state(0);
  /** The column of the numbers, in pixels. */
  const NUMBERS = 178;
  let open = $state<{ label: string; when: string; words: string } | null>(null);
  /** So many are drawn with the page. */
  const FIRST = 20;

  const KEY: [Glance, string][] = [
    ['person', 'Person'],
    ['group', 'Several people'],
    ['outside', 'Outside phone'],
    ['message', 'Voicemail'],
    ['ended', 'Ends on purpose'],
    ['nobody', 'Nobody'],
  ];
  /** A heading takes about so much, in pixels; where there is less, the number of the day alone. */
  const HEADING = 56;
  function nameOf(day: number, next: number): string {
    const words = dayText(day + 3_600_000 * 6, theBusiness().zone);
    return (scale(next) - scale(day)) * (wide - NUMBERS) < HEADING ? words.split(' ').at(-1)! : words;
  }
  const from = $derived(starts[0]!);
  const to = $derived(starts.at(-1)!);
  const scale = $derived(
    compressed([...starts, ...rows.flatMap((r) => r.pieces.map((p) => p.from))], from, to),
  );
</script>

<div class="board" bind:clientWidth={wide}>
  <div class="days">
    {#each starts.slice(0, -1) as day, i (day)}
      <span class:today={addDays(first, i) === today} style:left="calc(178px + (100% - 178px) * {scale(day)})"
        >{nameOf(day, starts[i + 1]!)}</span
      >
    {/each}
  </div>
  {#each rows as row, i (row.number.id)}
    <Lane
      {row}
      {scale}
      {starts}
      {now}
      {unnumbered}
      across={wide - NUMBERS}
      first={i < FIRST}
      onstory={(story) => (open = story)}
    />
  {/each}
</div>
<div class="key">
  {#each KEY as [kind, word] (kind)}<span><i class={kind}></i>{word}</span>{/each}
</div>
{#if open}
  <div class="card story" role="status"><b>{open.label}, {open.when}</b><br />{open.words}</div>
{/if}

<style>
  .board {
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  .days {
    position: relative;
    height: 30px;
    border-bottom: 1px solid var(--rule);
    font-size: var(--text-small);
    color: var(--ink-soft);
    overflow: hidden;
  }
  .days span {
    position: absolute;
    top: 0;
    bottom: 0;
    padding: 6px 8px;
    border-left: 1px solid var(--rule);
    white-space: nowrap;
  }
  .days .today {
    color: var(--copper);
    font-weight: 700;
  }
  .person {
    background: var(--person-wash);
    color: var(--person);
  }
  .group {
    background: var(--group-wash);
    color: var(--group);
  }
  .outside {
    background: var(--outside-wash);
    color: var(--outside);
  }
  .message {
    background: var(--message-wash);
    color: var(--message);
  }
  .ended {
    background: var(--ended-wash);
    color: var(--ended);
  }
  .nobody {
    background: repeating-linear-gradient(45deg, var(--alarm-wash) 0 4px, var(--sheet) 4px 8px);
    color: var(--alarm);
    font-weight: 650;
  }
  .key {
    display: flex;
    gap: 16px;
    flex-wrap: wrap;
    font-size: var(--text-small);
    color: var(--ink-soft);
    padding: 10px 2px;
  }
  .key i {
    display: inline-block;
    width: 12px;
    height: 12px;
    margin-right: 5px;
    vertical-align: -1px;
    border: 1px solid currentcolor;
  }
  .story {
    font-size: var(--text-body);
  }
</style>
