<script lang="ts">
  import type { Glance } from '$core/coverage';
  import { addDays } from '$core/hours';
  import { compressed } from '$core/coverage';
  import { dayText, momentText } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import type { Row, Shown } from './board';

  /** Numbers as lanes over some days: who is rung first as a bar, where the call ends as a line below. */
  interface Props {
    rows: Row[];
    /** Midnights of the days shown, and the one at their end. */
    starts: number[];
    first: string;
    today: string;
    now: number;
  }
  let { rows, starts, first, today, now }: Props = $props();
  let open = $state<{ label: string; when: string; words: string } | null>(null);

  const KEY: [Glance, string][] = [
    ['person', 'Person'],
    ['group', 'Several people'],
    ['outside', 'Outside phone'],
    ['message', 'Voicemail'],
    ['ended', 'Ends on purpose'],
    ['nobody', 'Nobody'],
  ];
  const from = $derived(starts[0]!);
  const to = $derived(starts.at(-1)!);
  const scale = $derived(
    compressed([...starts, ...rows.flatMap((r) => r.pieces.map((p) => p.from))], from, to),
  );
  const part = (t: number) => scale(t) * 100;
  const when = (a: number, b: number) =>
    `${momentText(a, theBusiness().zone)} to ${momentText(b, theBusiness().zone)}`;
  /** Letters take about so much of the width. */
  const LETTER = 0.72;
  const labelFor = (p: Shown, wide: number) =>
    wide > p.label.length * LETTER + 0.8 ? p.label : wide > 2.6 ? p.label.split(' ')[0] : '';

  function onkeydown(event: KeyboardEvent) {
    const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    const down = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    const own = event.currentTarget as HTMLElement;
    const lane = own.closest('.week')!;
    const all = [...lane.querySelectorAll<HTMLElement>('.seg')];
    if (by) all[all.indexOf(own) + by]?.focus();
    else if (down) {
      const lanes = [...document.querySelectorAll('.week')];
      const next = lanes[lanes.indexOf(lane) + down];
      const middle = own.offsetLeft + own.offsetWidth / 2;
      [...(next?.querySelectorAll<HTMLElement>('.seg') ?? [])]
        .find((s) => s.offsetLeft + s.offsetWidth >= middle)
        ?.focus();
    } else return;
    event.preventDefault();
  }
</script>

<div class="board">
  <div class="days">
    {#each starts.slice(0, -1) as day, i (day)}
      <span class:today={addDays(first, i) === today} style:left="calc(178px + (100% - 178px) * {scale(day)})"
        >{dayText(day + 3_600_000 * 6, theBusiness().zone)}</span
      >
    {/each}
  </div>
  {#each rows as { number, pieces } (number.id)}
    <div class="row">
      <div class="num"><b>{number.label}</b><span>{theBusiness().number(number.e164)}</span></div>
      <div class="week">
        {#each pieces as p (p.from)}
          {@const wide = part(p.to) - part(p.from)}
          <button
            type="button"
            class="seg {p.kind}"
            style:left="{part(p.from)}%"
            style:width="{wide}%"
            title="{when(p.from, p.to)}: {p.words}"
            aria-label="{number.label}, {when(p.from, p.to)}: {p.label || 'not rung'}"
            tabindex={wide < 0.3 ? -1 : 0}
            {onkeydown}
            onclick={() => (open = { label: number.label, when: when(p.from, p.to), words: p.words })}
            >{labelFor(p, wide)}</button
          >
          <span class="tail {p.end}" style:left="{part(p.from)}%" style:width="{wide}%"></span>
        {/each}
        {#each starts.slice(1, -1) as day (day)}<span class="midnight" style:left="{part(day)}%"
          ></span>{/each}
        {#if now >= from && now < to}<span class="now" style:left="{part(now)}%"></span>{/if}
      </div>
    </div>
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
  .row {
    display: grid;
    grid-template-columns: 178px 1fr;
    border-bottom: 1px solid var(--rule);
  }
  .row:last-child {
    border: 0;
  }
  .num {
    padding: 7px 12px;
  }
  .num b {
    display: block;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .num span {
    color: var(--ink-soft);
    font-size: var(--text-small);
  }
  .week {
    position: relative;
    border-left: 1px solid var(--rule);
    height: 52px;
  }
  .seg {
    position: absolute;
    top: 8px;
    height: 25px;
    font-size: var(--text-small);
    line-height: 25px;
    padding: 0 0 0 4px;
    overflow: hidden;
    white-space: nowrap;
    border: 0;
    border-left: 1px solid var(--sheet);
    text-align: left;
    cursor: pointer;
  }
  .tail {
    position: absolute;
    top: 36px;
    height: 4px;
  }
  .midnight {
    position: absolute;
    top: 0;
    bottom: 0;
    width: 1px;
    background: color-mix(in srgb, var(--ink) 10%, transparent);
    pointer-events: none;
  }
  .now {
    position: absolute;
    top: 0;
    bottom: 0;
    width: 2px;
    background: var(--copper);
    pointer-events: none;
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
  .tail.message {
    background: var(--message);
  }
  .tail.nobody {
    background: var(--alarm);
  }
  .tail.outside {
    background: var(--outside);
  }
  .tail.ended {
    background: var(--ended);
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
