<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import type { FollowUp, FollowWhen } from '$core/system';
  import EditField from '../fields/EditField.svelte';
  import SecondsField from '../fields/SecondsField.svelte';
  import SelectItem from '../fields/SelectItem.svelte';
  import { partedWords } from '../parted';
  import { setFollowUp } from './edits';
  import { WHENS } from './kinds';

  let { followUp }: { followUp: FollowUp } = $props();
  const { when } = $derived(followUp);
  const set = (next: FollowWhen, words = 'when it applies') => setFollowUp(followUp, { when: next }, words);
</script>

<Select
  size="sm"
  hideLabel
  labelText="When"
  selected={when.is}
  on:update={(e) => {
    const is = e.detail as FollowWhen['is'];
    if (is !== when.is) set(WHENS[is].fresh);
  }}
>
  {#each Object.entries(WHENS) as [is, { says }] (is)}<SelectItem value={is} text={says} />{/each}
</Select>
{#if when.is === 'talked'}
  <Select
    size="sm"
    labelText="Which calls"
    selected={when.way}
    on:update={(e) => {
      const way = e.detail as typeof when.way;
      if (way !== when.way) set({ is: 'talked', way });
    }}
  >
    <SelectItem value="in" text="those that came in" />
    <SelectItem value="out" text="those that you made" />
    <SelectItem value="either" text="both" />
  </Select>
{:else if when.is === 'waited'}
  <SecondsField
    label="Longer than, in seconds"
    value={when.seconds}
    max={3600}
    narrow
    onchange={(seconds) => set({ is: 'waited', seconds })}
  />
{:else if when.is === 'text'}
  <EditField
    label="With one of the words"
    value={when.words.join(', ')}
    placeholder="any text"
    helper="Parted by commas; as they are written, whatever the case."
    keep={(text) => set({ is: 'text', words: partedWords(text) })}
  />
{:else if when.is === 'asked'}
  <EditField
    label="The question"
    value={when.label}
    placeholder="any question"
    helper="As an Ask step calls it."
    keep={(label) => set({ is: 'asked', label })}
  />
{:else if when.is === 'tagged'}
  <EditField label="With the word" value={when.tag} keep={(tag) => set({ is: 'tagged', tag })} />
{:else if when.is === 'not paired'}
  <SecondsField
    label="Days after the invitation"
    what="days"
    value={when.days}
    max={30}
    narrow
    onchange={(days) => set({ is: 'not paired', days })}
  />
{/if}
