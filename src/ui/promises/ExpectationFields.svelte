<script lang="ts">
  import { NumberInput, Select } from 'carbon-components-svelte';
  import type { Expectation, System } from '$core/system';
  import PeopleField from '../fields/PeopleField.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  interface Props {
    expectation: Expectation;
    system: System;
    onchange: (expectation: Expectation) => void;
  }
  let { expectation: e, system, onchange }: Props = $props();
  const followUps = $derived(Object.values(system.followUps));
  const recordings = $derived(Object.values(system.recordings));
  const kinds = $derived<{ value: Expectation['is']; text: string; fresh: Expectation }[]>([
    { value: 'rings', text: 'A phone rings', fresh: { is: 'rings', personIds: [], within: 20 } },
    { value: 'answered', text: 'Somebody answers', fresh: { is: 'answered', personIds: [], within: 40 } },
    {
      value: 'voicemail',
      text: 'It comes to a mailbox',
      fresh: { is: 'voicemail', mailboxId: null, within: null },
    },
    { value: 'no voicemail', text: 'It never comes to voicemail', fresh: { is: 'no voicemail' } },
    { value: 'ends well', text: 'It ends well', fresh: { is: 'ends well' } },
    {
      value: 'comes back',
      text: 'It comes back to who passed it on',
      fresh: { is: 'comes back', within: 120 },
    },
    ...(followUps.length
      ? [
          {
            value: 'followed' as const,
            text: 'A follow-up is done for it',
            fresh: { is: 'followed' as const, followUpId: followUps[0]!.id },
          },
        ]
      : []),
    ...(recordings.length
      ? [
          {
            value: 'hears' as const,
            text: 'The caller hears a recording',
            fresh: { is: 'hears' as const, recordingId: recordings[0]!.id },
          },
        ]
      : []),
  ]);
</script>

<Select
  size="sm"
  labelText="What is promised"
  selected={e.is}
  on:update={(x) => {
    const kind = kinds.find((k) => k.value === x.detail);
    if (kind && kind.value !== e.is) onchange(kind.fresh);
  }}
>
  {#each kinds as k (k.value)}<SelectItem value={k.value} text={k.text} />{/each}
</Select>
{#if e.is === 'rings' || e.is === 'answered'}
  <PeopleField
    label="Of whom"
    people={system.people}
    chosen={e.personIds}
    none="anybody"
    onchange={(personIds) => onchange({ ...e, personIds })}
  />
{:else if e.is === 'voicemail'}
  <Select
    size="sm"
    labelText="Mailbox"
    selected={e.mailboxId ?? ''}
    on:update={(x) => onchange({ ...e, mailboxId: String(x.detail) || null })}
  >
    <SelectItem value="" text="any" />
    {#each Object.values(system.mailboxes) as m (m.id)}<SelectItem value={m.id} text={m.name} />{/each}
  </Select>
{:else if e.is === 'followed'}
  <Select
    size="sm"
    labelText="Which follow-up"
    selected={e.followUpId}
    on:update={(x) => {
      const followUpId = String(x.detail);
      if (followUpId !== e.followUpId) onchange({ is: 'followed', followUpId });
    }}
  >
    {#if !system.followUps[e.followUpId]}<SelectItem value={e.followUpId} text="one that is removed" />{/if}
    {#each followUps as f (f.id)}<SelectItem value={f.id} text={f.name} />{/each}
  </Select>
{:else if e.is === 'hears'}
  <Select
    size="sm"
    labelText="Recording"
    selected={e.recordingId}
    on:update={(x) => onchange({ is: 'hears', recordingId: String(x.detail) })}
  >
    {#each recordings as r (r.id)}<SelectItem value={r.id} text={r.name} />{/each}
  </Select>
{/if}
{#if 'within' in e}
  <NumberInput
    size="sm"
    allowEmpty
    labelText="Within so many seconds; empty is any time"
    min={0}
    max={3600}
    value={e.within}
    on:input={(x) => {
      const within = typeof x.detail === 'number' ? x.detail : null;
      if (within !== e.within) onchange({ ...e, within });
    }}
  />
{/if}
