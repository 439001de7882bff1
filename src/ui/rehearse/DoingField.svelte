<script lang="ts">
  import { NumberInput, Select, SelectItem } from 'carbon-components-svelte';
  import type { Act } from '$core/calls';

  /** What somebody does when a phone of theirs rings. */
  interface Props {
    name: string;
    act: Act | undefined;
    onchange: (act: Act | undefined) => void;
  }
  let { name, act, onchange }: Props = $props();
  const DOES: Act['does'][] = ['nothing', 'answers', 'declines', 'is on a call', 'is switched off'];
  const does = $derived(act?.does ?? 'nothing');
  const after = $derived(act && 'after' in act ? act.after : 6);
  const make = (d: Act['does'], seconds: number): Act | undefined =>
    d === 'nothing'
      ? undefined
      : d === 'answers' || d === 'declines'
        ? { does: d, after: seconds }
        : { does: d };
</script>

<div class="row">
  <span>{name}</span>
  <Select
    size="sm"
    hideLabel
    labelText="What {name} does"
    selected={does}
    on:update={(e) => {
      const next = DOES.find((d) => d === e.detail);
      if (next && next !== does) onchange(make(next, after));
    }}
  >
    {#each DOES as d (d)}<SelectItem value={d} text={d} />{/each}
  </Select>
  {#if does === 'answers' || does === 'declines'}
    <NumberInput
      size="sm"
      hideLabel
      hideSteppers
      labelText="After how many seconds of ringing {name} acts"
      min={0}
      max={600}
      value={after}
      on:input={(e) => {
        if (typeof e.detail === 'number' && e.detail >= 0) onchange(make(does, e.detail));
      }}
    />
  {/if}
</div>

<style>
  .row {
    display: grid;
    grid-template-columns: 100px 1fr 46px;
    gap: 8px;
    align-items: center;
    font-size: 13px;
  }
</style>
