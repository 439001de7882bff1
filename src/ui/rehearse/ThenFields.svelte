<script lang="ts">
  import { Button, NumberInput, Select } from 'carbon-components-svelte';
  import { DOINGS, freshDoing, keyOfTarget, targetsOf } from '$core/phone';
  import type { Doing, System, Then } from '$core/system';
  import SelectItem from '../fields/SelectItem.svelte';

  /** What people do with the call once it is answered. */
  let {
    then,
    system,
    onchange,
  }: { then: readonly Then[]; system: System; onchange: (then: Then[]) => void } = $props();
  const people = $derived(Object.values(system.people));
  const targets = $derived(targetsOf(system));
  const kinds = Object.entries(DOINGS) as [Doing['does'], string][];
  const set = (i: number, change: Partial<Then>) =>
    onchange(then.map((t, j) => (i === j ? { ...t, ...change } : t)));
  const targetOf = (key: string) => targets.find((t) => t.key === key)?.target;
</script>

<h3>Once it is answered</h3>
{#each then as t, i (i)}
  <div class="then" role="group" aria-label="Act {i + 1}">
    <Select
      size="sm"
      hideLabel
      labelText="Who acts, {i + 1}"
      selected={t.personId}
      on:update={(e) => set(i, { personId: String(e.detail) })}
    >
      {#each people as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
    </Select>
    <NumberInput
      size="sm"
      hideLabel
      hideSteppers
      labelText="After how many seconds, {i + 1}"
      min={0}
      max={3600}
      value={t.after}
      on:input={(e) => {
        if (typeof e.detail === 'number' && e.detail >= 0) set(i, { after: e.detail });
      }}
    />
    <Select
      size="sm"
      hideLabel
      labelText="What they do, {i + 1}"
      selected={t.doing.does}
      on:update={(e) => {
        const [first] = targets;
        const does = e.detail as Doing['does'];
        if (does !== t.doing.does && first)
          set(i, { doing: freshDoing(does, 'to' in t.doing ? t.doing.to : first.target) });
      }}
    >
      {#each kinds as [does, words] (does)}<SelectItem value={does} text={words} />{/each}
    </Select>
    <button
      class="linkish small"
      type="button"
      aria-label="Remove act {i + 1}"
      onclick={() => onchange(then.filter((x) => x !== t))}>Remove</button
    >
    {#if t.doing.does === 'passes on' || t.doing.does === 'calls about it'}
      {@const doing = t.doing}
      <Select
        size="sm"
        hideLabel
        labelText="To whom, {i + 1}"
        selected={keyOfTarget(doing.to)}
        on:update={(e) => {
          const to = targetOf(String(e.detail));
          if (to) set(i, { doing: { ...doing, to } });
        }}
      >
        {#each targets as x (x.key)}<SelectItem value={x.key} text={x.words} />{/each}
      </Select>
      {#if doing.does === 'calls about it'}
        <Select
          size="sm"
          hideLabel
          labelText="How, {i + 1}"
          selected={doing.as}
          on:update={(e) => set(i, { doing: { ...doing, as: e.detail as 'a word' | 'add' } })}
        >
          <SelectItem value="a word" text="for a word first" />
          <SelectItem value="add" text="to add them" />
        </Select>
      {:else}
        <Select
          size="sm"
          hideLabel
          labelText="If nobody takes it, {i + 1}"
          selected={doing.ifNobody.then}
          on:update={(e) =>
            set(i, { doing: { ...doing, ifNobody: { then: e.detail as 'back' | 'their voicemail' } } })}
        >
          <SelectItem value="back" text="it comes back" />
          <SelectItem value="their voicemail" text="their voicemail" />
        </Select>
      {/if}
    {/if}
  </div>
{/each}
{#if people.length && targets.length && then.length < 20}
  <Button
    kind="ghost"
    size="small"
    on:click={() =>
      onchange([
        ...then,
        {
          personId: people[0]!.id,
          after: 30,
          doing: freshDoing('passes on', targets[Math.min(1, targets.length - 1)]!.target),
        },
      ])}>{then.length ? 'And then' : 'Somebody transfers, holds, parks…'}</Button
  >
{/if}

<style>
  h3 {
    font-size: var(--text-body);
    font-weight: 650;
    margin: 6px 0 0;
  }
  .then {
    display: grid;
    grid-template-columns: 1fr 52px;
    gap: 6px;
    align-items: center;
    border-left: 3px solid var(--rule);
    padding-left: 8px;
  }
  .then :global(.bx--form-item:nth-child(n + 5)) {
    grid-column: 1 / 3;
  }
  .then button {
    justify-self: start;
  }
</style>
