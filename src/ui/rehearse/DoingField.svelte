<script lang="ts">
  import { NumberInput, Select } from 'carbon-components-svelte';
  import type { Act } from '$core/calls';
  import SelectItem from '../fields/SelectItem.svelte';

  /** What somebody does when a phone of theirs rings. */
  interface Props {
    name: string;
    act: Act | undefined;
    /** What is chosen while nothing is said of it, where that is not "nothing". */
    unsaid?: string;
    /** It may have a voicemail of its own: a phone outside. */
    outside?: boolean;
    onchange: (act: Act | undefined) => void;
  }
  let { name, act, unsaid, outside = false, onchange }: Props = $props();
  const ACTS: Act['does'][] = [
    'nothing',
    'answers',
    'declines',
    'sends to voicemail',
    'is on a call',
    'is switched off',
  ];
  const choices = $derived([
    ...(unsaid === undefined ? [] : [unsaid]),
    ...ACTS,
    ...(outside ? (['own voicemail takes it'] as const) : []),
  ]);
  const does = $derived(act?.does ?? unsaid ?? 'nothing');
  const after = $derived(act && 'after' in act ? act.after : 6);
  function choose(next: string) {
    if (next === does) return;
    if (next === (unsaid ?? 'nothing')) onchange(undefined);
    else if (
      next === 'answers' ||
      next === 'declines' ||
      next === 'sends to voicemail' ||
      next === 'own voicemail takes it'
    )
      onchange({ does: next, after });
    else onchange({ does: next as 'nothing' | 'is on a call' | 'is switched off' });
  }
</script>

<div class="row">
  <span>{name}</span>
  <Select
    size="sm"
    hideLabel
    labelText="What {name} does"
    selected={does}
    on:update={(e) => choose(String(e.detail))}
  >
    {#each choices as d (d)}<SelectItem value={d} text={d} />{/each}
  </Select>
  {#if act && 'after' in act}
    <NumberInput
      size="sm"
      hideLabel
      hideSteppers
      labelText="After how many seconds of ringing {name} acts"
      min={0}
      max={600}
      value={after}
      on:input={(e) => {
        if (typeof e.detail === 'number' && e.detail >= 0) onchange({ ...act, after: e.detail });
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
    font-size: var(--text-body);
  }
</style>
