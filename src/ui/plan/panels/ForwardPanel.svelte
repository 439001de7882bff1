<script lang="ts">
  import { Select, Toggle } from 'carbon-components-svelte';
  import { readNumber, writeNumber } from '$core/numbering';
  import type { ForwardStep, Plan, System } from '$core/system';
  import EditField from '../../fields/EditField.svelte';
  import SecondsField from '../../fields/SecondsField.svelte';
  import { setStep } from '../edits';
  import SelectItem from '../../fields/SelectItem.svelte';

  let { plan, step, system }: { plan: Plan; step: ForwardStep; system: System } = $props();
  const { country } = $derived(system.business);

  function keepNumber(text: string): string | undefined {
    if (!text) return setStep(plan, { ...step, number: null }, 'number');
    const read = readNumber(text, country);
    return read.ok ? setStep(plan, { ...step, number: read.number.e164 }, 'number') : read.message;
  }
</script>

<EditField
  label="Outside number"
  value={step.number ? writeNumber(step.number, country) : ''}
  placeholder="a mobile, another firm"
  keep={keepNumber}
/>
<SecondsField
  label="For how many seconds"
  value={step.seconds}
  helper="An outside mobile starts to ring about 6 s after it is called."
  onchange={(seconds) => setStep(plan, { ...step, seconds }, 'seconds')}
/>
<Toggle
  size="sm"
  labelText="Taking the call"
  labelA="by lifting: its own voicemail can take it"
  labelB="by lifting and pressing 1"
  toggled={step.confirm}
  on:toggle={(e) => {
    if (e.detail.toggled !== step.confirm) setStep(plan, { ...step, confirm: e.detail.toggled }, 'confirm');
  }}
/>
<Select
  labelText="They see"
  selected={step.shows}
  on:update={(e) =>
    setStep(plan, { ...step, shows: e.detail === 'caller' ? 'caller' : 'number called' }, 'shows')}
>
  <SelectItem value="caller" text="the caller's number" />
  <SelectItem value="number called" text="the number that was called" />
</Select>
