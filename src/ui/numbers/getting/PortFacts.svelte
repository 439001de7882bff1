<script lang="ts">
  import { TextInput } from 'carbon-components-svelte';
  import type { PortFacts } from '$standins/carrier/porting';
  import WhenField from '../../fields/WhenField.svelte';

  /** What a carrier asks for, in the order in which it stands on a bill. */
  let {
    facts,
    problem,
    change,
  }: {
    facts: PortFacts;
    problem: { field: string; message: string } | null;
    change: (facts: PortFacts) => void;
  } = $props();
  const FIELDS = [
    ['provider', 'Present provider', ''],
    ['accountNumber', 'Account number there', ''],
    ['pin', 'PIN or password of the account', 'leave empty if there is none'],
    ['billName', 'Name on the bill', ''],
    ['billAddress', 'Address on the bill', ''],
  ] as const;
</script>

<div class="fields">
  {#each FIELDS as [field, label, helperText] (field)}
    <TextInput
      size="sm"
      labelText={label}
      {helperText}
      value={facts[field]}
      invalid={problem?.field === field}
      invalidText={problem?.message ?? ''}
      on:input={(e) => change({ ...facts, [field]: String(e.detail ?? '') })}
    />
  {/each}
  <WhenField
    label="Day on which it should move"
    value={facts.wantedOn}
    problem={problem?.field === 'wantedOn' ? (problem?.message ?? '') : ''}
    onvalue={(value) => change({ ...facts, wantedOn: value })}
  />
</div>
