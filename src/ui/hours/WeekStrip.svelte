<script lang="ts">
  import { DAY_NAMES, writeHour, writeTime } from '$core/hours';
  import type { Hours, PeriodOfWeek } from '$core/system';
  import { setHours } from './edits';
  import WholeWords from '../drawn/WholeWords.svelte';

  /** The week as a strip a day: spans are drawn, dragged at their ends, and moved. What is typed below says the same. */
  let { hours, kinds }: { hours: Hours; kinds: readonly string[] } = $props();

  /** Dragging goes by quarters of an hour. */
  const STEP = 15;
  interface Drag {
    period: PeriodOfWeek;
    /** What is dragged: an end, or the whole. */
    part: 'from' | 'to' | 'whole';
    /** Minute at which the pointer went down. */
    start: number;
    now: PeriodOfWeek;
  }
  let drag = $state.raw<Drag | null>(null);
  let problem = $state('');
  const tone = (kind: string) => `k${Math.max(0, kinds.indexOf(kind)) % 4}`;
  const shown = $derived(drag ? [...hours.weekly.filter((p) => p !== drag!.period), drag.now] : hours.weekly);

  const minuteAt = (event: PointerEvent, lane: HTMLElement) => {
    const box = lane.getBoundingClientRect();
    return Math.round((((event.clientX - box.left) / box.width) * 1440) / STEP) * STEP;
  };
  function down(event: PointerEvent, period: PeriodOfWeek, part: Drag['part']) {
    const lane = (event.currentTarget as HTMLElement).closest<HTMLElement>('.lane')!;
    event.preventDefault();
    event.stopPropagation();
    lane.setPointerCapture(event.pointerId);
    drag = { period, part, start: minuteAt(event, lane), now: period };
  }
  function draw(event: PointerEvent, day: number) {
    const lane = event.currentTarget as HTMLElement;
    const from = Math.min(1425, Math.max(0, minuteAt(event, lane)));
    lane.setPointerCapture(event.pointerId);
    const fresh = { day, from, to: from + STEP, kind: kinds[0] ?? 'Open' };
    drag = { period: fresh, part: 'to', start: from, now: fresh };
  }
  function move(event: PointerEvent) {
    if (!drag) return;
    const at = minuteAt(event, event.currentTarget as HTMLElement);
    const { period, part, start } = drag;
    let { from, to } = period;
    if (part === 'from') from = Math.max(0, Math.min(at, to - STEP));
    else if (part === 'to') to = Math.min(1440, Math.max(at, from + STEP));
    else {
      const by = Math.max(-from, Math.min(at - start, 1440 - to));
      from += by;
      to += by;
    }
    drag = { ...drag, now: { ...period, from, to } };
  }
  function up() {
    if (!drag) return;
    const { period, now } = drag;
    const weekly = [...hours.weekly.filter((p) => p !== period), now];
    drag = null;
    if (now.from === period.from && now.to === period.to && hours.weekly.includes(period)) return;
    const words = `${now.kind} on ${DAY_NAMES[now.day - 1]} ${writeTime(now.from)}–${writeTime(now.to)}`;
    problem = setHours(hours, { weekly }, words) ?? '';
  }
</script>

<div class="strip" aria-hidden="true">
  <div class="scale">
    {#each [0, 6, 12, 18, 24] as h (h)}<span style:left="{(h / 24) * 100}%">{writeHour(h)}</span>{/each}
  </div>
  {#each DAY_NAMES as name, i (name)}
    <b>{name}</b>
    <!-- svelte-ignore a11y_no_static_element_interactions -->
    <div
      class="lane"
      data-day={i + 1}
      onpointerdown={(e) => draw(e, i + 1)}
      onpointermove={move}
      onpointerup={up}
      onpointercancel={() => (drag = null)}
    >
      {#each shown.filter((p) => p.day === i + 1) as p (`${p.from} ${p.kind}`)}
        <span
          class="span {tone(p.kind)}"
          style:left="{(p.from / 1440) * 100}%"
          style:width="{((p.to - p.from) / 1440) * 100}%"
          title="{p.kind} {writeTime(p.from)}–{writeTime(p.to)}"
          onpointerdown={(e) => down(e, p, 'whole')}
        >
          <i class="end" onpointerdown={(e) => down(e, p, 'from')}></i>
          <WholeWords
            text={p.to - p.from >= 150 ? `${p.kind} ${writeTime(p.from)}–${writeTime(p.to)}` : p.kind}
          />
          <i class="end right" onpointerdown={(e) => down(e, p, 'to')}></i>
        </span>
      {/each}
    </div>
  {/each}
</div>
{#if problem}<p class="problem" role="alert">{problem} It was left as it was.</p>{/if}

<style>
  .strip {
    display: grid;
    grid-template-columns: 40px 1fr;
    gap: 2px 6px;
    margin: 4px 0 10px;
    user-select: none;
    font-size: var(--text-small);
  }
  .strip b {
    font-weight: 400;
    color: var(--ink-soft);
    line-height: 20px;
  }
  .scale {
    grid-column: 2;
    position: relative;
    height: 15px;
    color: var(--ink-soft);
    font-size: var(--text-tiny);
  }
  .scale span {
    position: absolute;
    transform: translateX(-50%);
    white-space: nowrap;
  }
  .scale span:first-child {
    transform: none;
  }
  .scale span:last-child {
    transform: translateX(-100%);
  }
  .lane {
    position: relative;
    height: 20px;
    cursor: crosshair;
    touch-action: none;
    background:
      linear-gradient(
        to right,
        transparent calc(25% - 1px),
        var(--rule) calc(25% - 1px),
        var(--rule) 25%,
        transparent 25%,
        transparent calc(50% - 1px),
        var(--rule) calc(50% - 1px),
        var(--rule) 50%,
        transparent 50%,
        transparent calc(75% - 1px),
        var(--rule) calc(75% - 1px),
        var(--rule) 75%,
        transparent 75%
      ),
      var(--ended-wash);
  }
  .span {
    position: absolute;
    top: 1px;
    bottom: 1px;
    overflow: hidden;
    white-space: nowrap;
    padding: 0 8px;
    line-height: 18px;
    font-size: var(--text-tiny);
    cursor: grab;
    border-left: 1px solid var(--sheet);
  }
  .end {
    position: absolute;
    inset: 0 auto 0 0;
    width: 6px;
    cursor: ew-resize;
  }
  .end.right {
    inset: 0 0 0 auto;
  }
  .k0 {
    background: var(--group-wash);
    color: var(--group);
    border-bottom: 2px solid var(--group);
  }
  .k1 {
    background: var(--person-wash);
    color: var(--person);
    border-bottom: 2px dashed var(--person);
  }
  .k2 {
    background: var(--outside-wash);
    color: var(--outside);
    border-bottom: 2px dotted var(--outside);
  }
  .k3 {
    background: var(--message-wash);
    color: var(--message);
    border-bottom: 2px double var(--message);
  }
</style>
