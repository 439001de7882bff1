<script lang="ts">
  import { TextInput } from 'carbon-components-svelte';
  import { readTime, writeTime } from '$core/hours';

  /** A time of the day, typed as people type one ("17", "5pm", "noon") and shown as the business writes times. */
  let {
    label,
    minute,
    keep,
    problem = '',
  }: {
    label: string;
    /** Minutes of the day. */
    minute: number;
    keep: (minute: number) => void;
    /** What is wrong with it for another reason than how it is typed. */
    problem?: string;
  } = $props();
  /** What is no time stays as it was typed. */
  let refused = $state<string | null>(null);

  function left(text: string) {
    const read = readTime(text);
    refused = read === undefined || read >= 1440 ? text : null;
    if (refused === null && read !== minute) keep(read!);
  }
</script>

<TextInput
  size="sm"
  labelText={label}
  value={refused ?? writeTime(minute)}
  invalid={refused !== null || !!problem}
  invalidText={refused === null ? problem : 'Write a time such as 17:30 or 5pm.'}
  on:change={(e) => left(String(e.detail ?? ''))}
/>
