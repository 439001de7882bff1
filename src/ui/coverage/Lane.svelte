<script lang="ts">
  import { untrack } from 'svelte';
  import type { Row, Scale, Shown } from '$core/coverage';
  import { momentText } from '../format';
  import { Near } from '../drawn/near.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** One number over some days; drawn where it is near what is seen. */
  interface Props {
    row: Row;
    scale: Scale;
    /** Midnights of the days shown, and the one at their end. */
    starts: readonly number[];
    now: number;
    /** Among the first of the board. */
    first: boolean;
    /** How wide the lane is drawn, in pixels. */
    across: number;
    unnumbered?: boolean;
    onstory: (story: { label: string; when: string; words: string }) => void;
  }
  let { row, scale, starts, now, first, across, unnumbered = false, onstory }: Props = $props();
  const near = new Near(untrack(() => first));
  const { number, pieces } = $derived(row);
  const part = (t: number) => scale(t) * 100;
  const when = (a: number, b: number) =>
    `${momentText(a, theBusiness().zone)} to ${momentText(b, theBusiness().zone)}`;
  /** A letter takes at most about so much, and what stands beside the words, in pixels. */
  const LETTER = 7.1;
  const BESIDE = 8;
  /** Short forms of words that are long; of a name the first word. Never a part of a word. */
  const SHORT: Readonly<Record<string, string>> = { Voicemail: 'Msg' };
  function labelFor({ label }: Shown, wide: number): string {
    const [first] = label.split(/[ ,]+/) as [string];
    const room = (wide / 100) * across - BESIDE;
    return [label, first, SHORT[first] ?? ''].find((words) => words.length * LETTER <= room) ?? '';
  }

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

<div class="row" {@attach near.attach}>
  <div class="num">
    <b>{number.label}</b><span>{unnumbered ? 'to be got yet' : theBusiness().number(number.e164)}</span>
  </div>
  <div class="week">
    {#if near.is}
      {#each pieces as p (p.from)}
        {@const from = part(p.from)}
        {@const wide = part(p.to) - from}
        <button
          type="button"
          class="seg {p.kind}"
          style:left="{from}%"
          style:width="{wide}%"
          title="{when(p.from, p.to)}: {p.words}"
          aria-label="{number.label}, {when(p.from, p.to)}: {p.label || 'not rung'}"
          tabindex={wide < 0.3 ? -1 : 0}
          {onkeydown}
          onclick={() => onstory({ label: number.label, when: when(p.from, p.to), words: p.words })}
          >{labelFor(p, wide)}</button
        >
        <span class="tail {p.end}" style:left="{from}%" style:width="{wide}%"></span>
      {/each}
      {#each starts.slice(1, -1) as day (day)}<span class="midnight" style:left="{part(day)}%"></span>{/each}
      {#if now >= starts[0]! && now < starts.at(-1)!}<span class="now" style:left="{part(now)}%"></span>{/if}
    {/if}
  </div>
</div>

<style>
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
</style>
