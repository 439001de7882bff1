<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import type { NotifyStep, Plan } from '$core/system';
  import EditField from '../../fields/EditField.svelte';
  import { setStep } from '../edits';
  import SelectItem from '../../fields/SelectItem.svelte';

  let { plan, step }: { plan: Plan; step: NotifyStep } = $props();
  const HOWS: [NotifyStep['how'], string][] = [
    ['mail', 'A mail'],
    ['text', 'A text message to the caller'],
    ['hook', 'A web hook'],
    ['note', 'A note for whoever answers'],
  ];

  function keepTo(to: string): string | undefined {
    if (step.how === 'mail' && to && !/^\S+@\S+\.\S+$/.test(to))
      return 'That is not an e-mail address, such as desk@yard.example.';
    if (step.how === 'hook' && to && !URL.canParse(to)) return 'That is not a web address, such as https://…';
    return setStep(plan, { ...step, to }, 'to');
  }
</script>

<Select
  labelText="How"
  selected={step.how}
  on:update={(e) => {
    const how = HOWS.find(([h]) => h === e.detail)?.[0];
    if (how) setStep(plan, { ...step, how }, 'how');
  }}
>
  {#each HOWS as [how, text] (how)}<SelectItem value={how} {text} />{/each}
</Select>
{#if step.how === 'mail' || step.how === 'hook'}
  <EditField
    label={step.how === 'mail' ? 'To' : 'Web address'}
    value={step.to}
    placeholder={step.how === 'mail' ? 'desk@yard.example' : 'https://hooks.yard.example/calls'}
    keep={keepTo}
  />
{/if}
<EditField
  label="What it says"
  many
  value={step.text}
  helper={'{caller}, {number} and {notes} are filled in.'}
  keep={(text) => setStep(plan, { ...step, text }, 'text')}
/>
<p class="small soft">It goes at once; the caller does not wait for it.</p>
