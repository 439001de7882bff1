<script lang="ts">
  import { NumberInput } from 'carbon-components-svelte';
  import { theBusiness } from '../window/session.svelte';

  interface Props {
    label: string;
    value: number;
    helper?: string;
    /** What is counted. */
    what?: string;
    min?: number;
    max?: number;
    /** Without the buttons that count up and down, where there is little room. */
    narrow?: boolean;
    /** Takes whole seconds; says what is wrong, or undefined when they were taken. */
    onchange: (seconds: number) => string | undefined;
  }
  let {
    label,
    value,
    helper = '',
    what = 'seconds',
    min = 1,
    max = 600,
    narrow = false,
    onchange,
  }: Props = $props();
  let problem = $state('');

  function take(typed: unknown) {
    if (typeof typed !== 'number' || !Number.isFinite(typed)) {
      problem = what.startsWith('a ') ? `Type ${what}.` : `Type a number of ${what}.`;
      return;
    }
    problem = typed === value ? '' : (onchange(typed) ?? '');
    if (typed !== value && !problem)
      void theBusiness()
        .storedLate()
        .then((late) => {
          if (late !== undefined) problem = late;
        });
  }
</script>

<NumberInput
  labelText={label}
  {value}
  {min}
  {max}
  hideSteppers={narrow}
  helperText={helper}
  invalid={!!problem}
  invalidText={problem}
  on:input={(e) => take(e.detail)}
/>
