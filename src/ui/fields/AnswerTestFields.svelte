<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import { usualTest, type AnsweredBy } from '$core/asking';
  import type { AnswerTest } from '$core/system';
  import { partedWords } from '../parted';
  import EditField from './EditField.svelte';
  import SelectItem from './SelectItem.svelte';

  /** Where something is done only with some answers: which answer, and how it must be. */
  let {
    label,
    test,
    before,
    always = true,
    set,
  }: {
    label: string;
    /** Null is always. */
    test: AnswerTest | null;
    /** What was asked before it. */
    before: readonly { label: string; by: AnsweredBy }[];
    /** It may be done always. */
    always?: boolean;
    set: (next: AnswerTest | null) => string | undefined;
  } = $props();
  const asked = $derived(before.find((b) => b.label === test?.label));
</script>

{#if before.length}
  <Select
    size="sm"
    labelText={label}
    selected={test?.label ?? ''}
    on:update={(e) => {
      const label = String(e.detail);
      if (label === (test?.label ?? '')) return;
      const of = before.find((b) => b.label === label);
      set(of ? usualTest(of) : null);
    }}
  >
    {#if always}<SelectItem value="" text="always" />{/if}
    {#each before as b (b.label)}<SelectItem
        value={b.label}
        text="{always ? 'only ' : ''}where {b.label} is"
      />{/each}
  </Select>
  {#if test && (test.is === 'at least' || test.is === 'at most')}
    <Select
      size="sm"
      labelText="So"
      selected="{test.is} {test.n}"
      on:update={(e) => {
        const [, is, n] = /^(at least|at most) (\d)$/.exec(String(e.detail)) ?? [];
        if (is && (is !== test.is || Number(n) !== test.n))
          set({ is: is as 'at least', label: test.label, n: Number(n) });
      }}
    >
      {#each ['at most', 'at least'] as is (is)}
        {#each [1, 2, 3, 4, 5] as n (n)}<SelectItem value="{is} {n}" text="{is} {n}" />{/each}
      {/each}
    </Select>
  {:else if test && asked?.by === 'yes or no'}
    <Select
      size="sm"
      labelText="So"
      selected={test.is}
      on:update={(e) => {
        if (e.detail !== test.is) set({ is: e.detail as 'yes', label: test.label });
      }}
    >
      <SelectItem value="yes" text="yes" />
      <SelectItem value="no" text="no" />
    </Select>
  {:else if test?.is === 'has'}
    <EditField
      label="With one of the words"
      value={test.words.join(', ')}
      keep={(text) => set({ ...test, words: partedWords(text) })}
    />
  {/if}
{/if}
