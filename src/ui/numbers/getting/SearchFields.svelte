<script lang="ts">
  import { NumberInput, Select, TextInput } from 'carbon-components-svelte';
  import { PROFILES, profileOf, type NumberResult } from '$core/numbering';
  import type { Search } from '$standins/carrier/carrier';
  import { theBusiness } from '../../window/session.svelte';
  import type { Asked } from './asked';
  import SelectItem from '../../fields/SelectItem.svelte';

  /** What a search for numbers asks; every key is a new question. */
  let {
    asked,
    set,
    typed,
    problem,
  }: {
    asked: Asked;
    set: (change: Partial<Asked>) => void;
    /** How the number that is not ours was understood. */
    typed: NumberResult | null;
    problem: { message: string; field: string } | null;
  } = $props();
  const OTHER = 'another';
  const system = $derived(theBusiness().system);
  const profile = $derived(profileOf(asked.country));
  /** An area near the first site, as an example of what can be asked. */
  const example = $derived.by(() => {
    const near = Object.values(system.sites)[0]?.address.A1;
    return profile.areas.find((a) => a.region && a.region === near) ?? profile.areas[0];
  });
  const kinds = $derived([...new Set(profile.fiction.map((f) => f.kind))]);
  const likes = $derived(Object.values(system.numbers).filter((n) => n.country === asked.country));
</script>

<form class="card ask" onsubmit={(e) => e.preventDefault()}>
  <Select
    labelText="Country"
    selected={asked.country}
    on:update={(e) => {
      if (e.detail !== asked.country)
        set({ country: String(e.detail), where: '', kind: 'any', like: '', likeTyped: null });
    }}
  >
    {#each PROFILES as p (p.country)}<SelectItem value={p.country} text={p.name} />{/each}
  </Select>
  <TextInput
    labelText="{profile.areaWord === 'area' ? 'Area' : 'Area code'} or city"
    placeholder={example ? `${example.code} or ${example.places[0]}` : ''}
    value={asked.where}
    invalid={problem?.field === 'where' && !!asked.where}
    invalidText={problem?.message ?? ''}
    on:input={(e) => set({ where: String(e.detail ?? '') })}
  />
  <Select labelText="Kind" selected={asked.kind} on:update={(e) => set({ kind: e.detail as Search['kind'] })}>
    <SelectItem value="any" text="any kind" />
    {#each kinds as kind (kind)}<SelectItem value={kind} text={kind} />{/each}
  </Select>
  <TextInput
    labelText="Digits or letters in it"
    placeholder="42, 1??1, 555-0-BOAT"
    value={asked.pattern}
    invalid={problem?.field === 'pattern'}
    invalidText={problem?.message ?? ''}
    on:input={(e) => set({ pattern: String(e.detail ?? '') })}
  />
  <Select
    labelText="Where in it"
    selected={asked.patternAt}
    on:update={(e) => set({ patternAt: e.detail as Search['patternAt'] })}
  >
    <SelectItem value="anywhere" text="anywhere" />
    <SelectItem value="end" text="at the end" />
    <SelectItem value="start" text="after the area code" />
  </Select>
  <NumberInput
    labelText="How many in a row"
    min={1}
    max={20}
    value={asked.row}
    invalidText="1 to 20"
    on:input={(e) => {
      const row = Number(e.detail);
      if (Number.isInteger(row) && row >= 1 && row <= 20) set({ row });
    }}
  />
  <Select
    labelText="Same but for the last digit as"
    selected={asked.likeTyped === null ? asked.like : OTHER}
    on:update={(e) =>
      set(e.detail === OTHER ? { like: '', likeTyped: '' } : { like: String(e.detail), likeTyped: null })}
  >
    <SelectItem value="" text="no number" />
    {#each likes as n (n.id)}<SelectItem
        value={n.e164}
        text="{n.label}, {theBusiness().number(n.e164)}"
      />{/each}
    <SelectItem value={OTHER} text="another number…" />
  </Select>
  {#if asked.likeTyped !== null}
    <TextInput
      labelText="That number"
      placeholder="our fax, wherever it is"
      type="tel"
      value={asked.likeTyped}
      invalid={typed?.ok === false}
      invalidText={typed?.ok === false ? typed.message : ''}
      on:input={(e) => set({ likeTyped: String(e.detail ?? '') })}
    />
  {/if}
</form>

<style>
  .ask {
    display: grid;
    grid-template-columns: repeat(3, minmax(0, 1fr));
    gap: 14px;
  }
</style>
