<script lang="ts">
  import { sentence } from '$core/calls';
  import { endsWell, firstRung, piecesOf, type Glance } from '$core/coverage';
  import { addDays, localTime, momentOf } from '$core/hours';
  import type { System } from '$core/system';
  import { dayText, momentText } from './format';
  import { session } from './session.svelte';

  let { system }: { system: System } = $props();
  let open = $state<{ label: string; when: string; words: string } | null>(null);

  const KEY: [Glance, string][] = [
    ['person', 'Person'],
    ['group', 'Several people'],
    ['outside', 'Outside phone'],
    ['message', 'Voicemail'],
    ['ended', 'Ends on purpose'],
    ['nobody', 'Nobody'],
  ];

  /** A date, so that the week is not worked out anew with every second. */
  const today = $derived(localTime(system.business.timeZone, session.now).date);

  /** Monday of the present week, and the ends of its days. */
  const days = $derived.by(() => {
    const zone = system.business.timeZone;
    const { day } = localTime(zone, momentOf(zone, today, 720));
    const monday = addDays(today, 1 - day);
    return Array.from({ length: 8 }, (_, i) => momentOf(zone, addDays(monday, i), 0));
  });
  const from = $derived(days[0]!);
  const to = $derived(days[7]!);
  const part = (t: number) => ((t - from) / (to - from)) * 100;

  const rows = $derived(
    Object.values(system.numbers).map((number) => ({
      number,
      pieces: piecesOf(system, session.standing!, number, from, to).map((p) => ({
        ...p,
        ...firstRung(p.trace, system),
        end: endsWell(p.trace),
        words: sentence(p.trace, system),
      })),
    })),
  );
  const when = (a: number, b: number) => `${momentText(a, session.zone)} to ${momentText(b, session.zone)}`;
</script>

<div class="board">
  <div class="days">
    <span></span>
    {#each days.slice(0, 7) as day, i (day)}
      <span class:today={session.now >= day && session.now < days[i + 1]!}>{dayText(day, session.zone)}</span>
    {/each}
  </div>
  {#each rows as { number, pieces } (number.id)}
    <div class="row">
      <div class="num"><b>{number.label}</b><span>{session.number(number.e164)}</span></div>
      <div class="week">
        {#each pieces as p (p.from)}
          {@const wide = part(p.to) - part(p.from)}
          <button
            type="button"
            class="seg {p.kind}"
            style:left="{part(p.from)}%"
            style:width="{wide}%"
            title="{when(p.from, p.to)}: {p.words}"
            aria-label="{number.label}, {when(p.from, p.to)}: {p.label}"
            tabindex={wide < 0.1 ? -1 : 0}
            onclick={() => (open = { label: number.label, when: when(p.from, p.to), words: p.words })}
            >{wide > 3 ? p.label : ''}</button
          >
          <span class="tail {p.end}" style:left="{part(p.from)}%" style:width="{wide}%"></span>
        {/each}
        {#each days.slice(1, 7) as day (day)}<span class="midnight" style:left="{part(day)}%"></span>{/each}
        {#if session.now >= from && session.now < to}<span class="now" style:left="{part(session.now)}%"
          ></span>{/if}
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
    display: grid;
    grid-template-columns: 178px repeat(7, 1fr);
    border-bottom: 1px solid var(--rule);
    font-size: 12.5px;
    color: var(--ink-soft);
  }
  .days span {
    padding: 6px 8px;
    border-left: 1px solid var(--rule);
  }
  .days span:first-child {
    border: 0;
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
    font-size: 12.5px;
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
    font-size: 11.5px;
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
    font-size: 12.5px;
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
    font-size: 13.5px;
  }
</style>
