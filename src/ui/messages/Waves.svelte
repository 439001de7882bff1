<script lang="ts">
  import { peaksOf } from '$core/audio';

  /** Both voices of a recording as they rise and fall, one above the other; a click leads to that moment. */
  interface Props {
    ours: Int16Array;
    theirs: Int16Array;
    seconds: number;
    /** Where the player is, in seconds. */
    at: number;
    onseek: (seconds: number) => void;
  }
  let { ours, theirs, seconds, at, onseek }: Props = $props();
  const PARTS = 240;
  const HEIGHT = 22;
  const voices = $derived(
    [
      ['ours', ours],
      ['theirs', theirs],
    ].map(([name, samples]) => ({ name: name as string, peaks: peaksOf(samples as Int16Array, PARTS) })),
  );
  const done = $derived(seconds ? Math.min(1, at / seconds) : 0);
  const path = (peaks: readonly number[]) =>
    peaks
      .map(
        (p, i) =>
          `M${i + 0.5} ${HEIGHT - Math.max(0.5, p * (HEIGHT - 1))}V${HEIGHT + Math.max(0.5, p * (HEIGHT - 1))}`,
      )
      .join('');
  function seek(event: MouseEvent) {
    const { left, width } = (event.currentTarget as Element).getBoundingClientRect();
    onseek(((event.clientX - left) / width) * seconds);
  }
</script>

<!-- The player beside it has the keys: this is the same to look at and to click. -->
<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
<div class="waves" data-testid="waves" onclick={seek}>
  {#each voices as { name, peaks } (name)}
    <span class="small soft">{name}</span>
    <svg
      viewBox="0 0 {PARTS} {2 * HEIGHT}"
      preserveAspectRatio="none"
      role="img"
      aria-label="How loud {name === 'ours' ? 'our side' : 'the other side'} was"
    >
      <path class={name} d={path(peaks)} />
      <line x1={done * PARTS} x2={done * PARTS} y1="0" y2={2 * HEIGHT} />
    </svg>
  {/each}
</div>

<style>
  .waves {
    flex-basis: 100%;
    display: grid;
    grid-template-columns: auto minmax(0, 1fr);
    gap: 2px 8px;
    align-items: center;
    cursor: pointer;
  }
  svg {
    width: 100%;
    height: 40px;
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  path {
    stroke: var(--copper);
    stroke-width: 0.8;
  }
  path.theirs {
    stroke: var(--message);
  }
  line {
    stroke: var(--ink);
    stroke-width: 0.6;
  }
</style>
