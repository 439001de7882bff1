<script lang="ts">
  import { Button, NumberInput, Select } from 'carbon-components-svelte';
  import { PATTERN_WORDS } from '$core/answering';
  import type { Desk } from '$core/staffing';
  import { Pattern, type System } from '$core/system';
  import SelectItem from '../../fields/SelectItem.svelte';
  import type { WhatIf } from './asked';

  /** One change, to be run beside the week as it is. */
  interface Props {
    system: System;
    desks: readonly Desk[];
    deskName: (desk: Desk) => string;
    /** What the other system is called: the draft, or what is in force. */
    other: string;
    busy: boolean;
    ontry: (what: WhatIf, words: string) => void;
  }
  let { system, desks, deskName, other, busy, ontry }: Props = $props();
  let what = $state<WhatIf['what']>('more');
  const rung = $derived(
    [...new Set(desks.flatMap((d) => d.personIds))].flatMap((id) => system.people[id] ?? []),
  );
  const ringing = $derived(desks.filter((d) => d.seconds !== null));
  let personId = $state('');
  let stepId = $state('');
  let people = $state(1);
  let seconds = $state<number | null>(null);
  let pattern = $state<Pattern>('in turn');
  const person = $derived(rung.find((p) => p.id === personId) ?? rung[0]);
  const desk = $derived(
    (what === 'rings' ? ringing : desks).find((d) => d.stepId === stepId) ??
      (what === 'rings' ? ringing : desks)[0],
  );
  let problem = $state('');

  function tryIt() {
    problem = '';
    switch (what) {
      case 'ill':
        return person && ontry({ what, personId: person.id }, `${person.name} is ill`);
      case 'more':
        return person && ontry({ what, likeId: person.id, people }, `${people} more beside ${person.name}`);
      case 'rings': {
        const after = seconds ?? 12;
        if (after < 1 || after > 600) return (problem = 'It rings 1 to 600 seconds.');
        return (
          desk && ontry({ what, stepId: desk.stepId, seconds: after }, `${deskName(desk)} rings ${after} s`)
        );
      }
      case 'pattern':
        return (
          desk &&
          ontry(
            { what, ofId: desk.queueId ?? desk.stepId, pattern },
            `${deskName(desk)} rings ${PATTERN_WORDS[pattern]}`,
          )
        );
      case 'the other':
        return ontry({ what }, `With ${other}`);
      case 'nothing':
    }
  }
</script>

<div class="ask" role="group" aria-label="What if">
  <Select
    size="sm"
    labelText="What if"
    selected={what}
    on:update={(e) => (what = e.detail as WhatIf['what'])}
  >
    <SelectItem value="more" text="there were more beside somebody" />
    <SelectItem value="ill" text="somebody were ill" />
    <SelectItem value="rings" text="it rang longer or shorter" />
    <SelectItem value="pattern" text="people were rung in another order" />
    <SelectItem value="the other" text="it were {other}" />
  </Select>
  {#if what === 'ill' || what === 'more'}
    <Select
      size="sm"
      labelText="Who"
      selected={person?.id ?? ''}
      on:update={(e) => (personId = String(e.detail))}
    >
      {#each rung as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
    </Select>
  {/if}
  {#if what === 'more'}
    <NumberInput
      size="sm"
      labelText="How many more"
      min={1}
      max={10}
      value={people}
      on:change={(e) => (people = Math.min(10, Math.max(1, Math.round(Number(e.detail)) || 1)))}
    />
  {/if}
  {#if what === 'rings' || what === 'pattern'}
    <Select
      size="sm"
      labelText="Where"
      selected={desk?.stepId ?? ''}
      on:update={(e) => (stepId = String(e.detail))}
    >
      {#each what === 'rings' ? ringing : desks as d (d.stepId)}<SelectItem
          value={d.stepId}
          text={deskName(d)}
        />{/each}
    </Select>
  {/if}
  {#if what === 'rings'}
    <NumberInput
      size="sm"
      labelText="Seconds{desk?.seconds ? `, now ${desk.seconds}` : ''}"
      value={seconds ?? 12}
      invalid={!!problem}
      invalidText={problem}
      on:change={(e) => (seconds = Math.round(Number(e.detail)))}
    />
  {/if}
  {#if what === 'pattern'}
    <Select size="sm" labelText="Order" selected={pattern} on:update={(e) => (pattern = e.detail as Pattern)}>
      {#each Pattern.options as p (p)}<SelectItem value={p} text={PATTERN_WORDS[p]} />{/each}
    </Select>
  {/if}
  <Button size="small" kind="tertiary" disabled={busy} on:click={tryIt}>Run it beside</Button>
</div>

<style>
  .ask {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 12px;
    align-items: end;
    margin: 6px 0;
  }
  .ask :global(.bx--form-item) {
    flex: 0 1 auto;
  }
  .ask :global(.bx--select-input) {
    max-width: 300px;
  }
</style>
