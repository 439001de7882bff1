<script lang="ts">
  import type { Other, PhoneCall } from '$core/phone';
  import { durationText } from '../../format';

  /** A talk as a wire with its ends: who hears the others is on it, who is held hangs off it, who is rung is hollow. */
  let { calls, here, now }: { calls: readonly PhoneCall[]; here: string; now: number } = $props();
  const ends = $derived(calls.flatMap((call) => call.others.map((other) => ({ call, other }))));

  function state({ is, since }: Other, call: PhoneCall): { words: string; as: 'on' | 'off' | 'rung' } {
    const time = durationText(Math.max(0, now - since));
    switch (is) {
      case 'rings':
        return { words: `rings ${time}`, as: 'rung' };
      case 'waits':
        return { words: 'hears ringing', as: 'rung' };
      case 'held':
        return {
          words: `held ${durationText(Math.max(0, now - (call.holds ?? since)))}, hears music`,
          as: 'off',
        };
      case 'holds':
        return { words: `holds you ${time}`, as: 'off' };
      case 'gone':
        return { words: 'gone for a moment', as: 'off' };
      case 'talks':
        return call.holds === null ? { words: '', as: 'on' } : { words: 'talks on without you', as: 'off' };
    }
  }
</script>

<ol class="wire" data-testid="wire">
  {#each ends as { call, other } (call.id + other.phone)}
    {@const s = state(other, call)}
    <li class={s.as} data-state={other.is}>
      <i aria-hidden="true"></i>
      <b>{other.name}</b>
      {#if s.words}<em>{s.words}</em>{/if}
      {#if other.detail}<span>{other.detail}</span>{/if}
    </li>
  {/each}
  <li class="me on">
    <i aria-hidden="true"></i>
    <b>you</b>
    <span>{here}</span>
  </li>
</ol>

<style>
  .wire {
    list-style: none;
    margin: 0 0 10px;
    padding: 0;
  }
  li {
    position: relative;
    padding: 0 0 18px 28px;
  }
  li::before {
    content: '';
    position: absolute;
    left: 8px;
    top: 10px;
    bottom: -6px;
    border-left: 3px solid var(--copper);
  }
  li.off::before,
  li.rung::before {
    border-left-style: dotted;
  }
  li:last-child::before {
    display: none;
  }
  li:last-child {
    padding-bottom: 4px;
  }
  i {
    position: absolute;
    left: 1px;
    top: 3px;
    width: 17px;
    height: 17px;
    border-radius: 50%;
    background: var(--copper);
    border: 3px solid var(--copper);
    box-sizing: border-box;
  }
  .off i {
    background: var(--paper);
  }
  .rung i {
    background: var(--group-wash);
    border-color: var(--group);
  }
  b {
    font-size: var(--text-title);
    margin-right: 8px;
    overflow-wrap: anywhere;
  }
  em {
    font-style: normal;
    font-size: var(--text-small);
    font-weight: 600;
    background: var(--person-wash);
    color: var(--person);
    padding: 2px 8px;
    white-space: nowrap;
  }
  .rung em {
    background: var(--group-wash);
    color: var(--group);
  }
  span {
    display: block;
    color: var(--ink-soft);
    font-size: var(--text-body);
    font-variant-numeric: tabular-nums;
  }
</style>
