<script lang="ts">
  import type { Phone, System } from '$core/system';

  /** A desk phone seen from above: its display with the label beside each key, as its person will see it. */
  let { phone, system }: { phone: Phone; system: System } = $props();
  const keys = $derived([
    { label: phone.label || (system.people[phone.personId ?? '']?.extension ?? phone.name), first: true },
    ...phone.keys.map((k) => ({
      label: k.label || (system.people[k.personId]?.extension ?? '?'),
      first: false,
    })),
  ]);
  const rows = $derived(Math.max(4, Math.ceil(keys.length / 2)));
  const H = 26;
  const height = $derived(rows * H + 20);
  const place = (i: number) => ({ left: i % 2 === 0, y: 14 + Math.floor(i / 2) * H });
</script>

<svg viewBox="0 0 300 {height}" role="img" aria-label="Keys: {keys.map((k) => k.label).join(', ')}">
  <rect x="38" y="4" width="224" height={height - 8} class="display" />
  {#each Array.from({ length: rows * 2 }) as _, i (i)}
    {@const p = place(i)}
    {@const key = keys[i]}
    <rect x={p.left ? 6 : 270} y={p.y} width="24" height="14" class="key" class:lit={key} />
    {#if key}
      <text x={p.left ? 46 : 254} y={p.y + 11} text-anchor={p.left ? 'start' : 'end'} class:first={key.first}
        >{key.label}</text
      >
    {/if}
  {/each}
</svg>

<style>
  svg {
    width: 100%;
    max-width: 320px;
    display: block;
  }
  .display {
    fill: var(--paper);
    stroke: var(--line);
  }
  .key {
    fill: var(--sheet);
    stroke: var(--line);
  }
  .lit {
    fill: var(--copper-wash);
    stroke: var(--copper);
  }
  text {
    font-size: var(--text-body);
    fill: var(--ink);
  }
  .first {
    font-weight: 650;
  }
</style>
