<script lang="ts">
  import { TextInput } from 'carbon-components-svelte';
  import Calendar from 'carbon-icons-svelte/lib/Calendar.svelte';
  import { readDate, readMoment } from '$core/hours';
  import { dateText, localText } from '../format';
  import { here } from '../window/session.svelte';

  /** A day, or a day and a time: typed as people type it, shown as the business writes it, or picked from the browser's own calendar. */
  interface Props {
    label: string;
    hideLabel?: boolean;
    /** As machines have it: "2026-11-24", with `time` "2026-11-24T17:30"; empty for none. */
    value?: string;
    /** A time of the day belongs to it. */
    time?: boolean;
    onvalue?: (value: string) => void;
    problem?: string;
    helper?: string;
  }
  let {
    label,
    hideLabel = false,
    value = $bindable(''),
    time = false,
    onvalue = () => {},
    problem = '',
    helper = '',
  }: Props = $props();
  let typed = $state<string | null>(null);
  let refused = $state('');
  let picker = $state<HTMLInputElement>();
  const shown = $derived(!/^\d{4}-\d\d-\d\d/.test(value) ? value : time ? localText(value) : dateText(value));
  const read = (text: string) => (time ? readMoment : readDate)(text, here().today);

  function take(next: string) {
    refused = '';
    if (next === value) return;
    value = next;
    onvalue(next);
  }
  /** What machines write is taken as it comes; what people type, when they have typed it. */
  function oninput(text: string) {
    typed = text;
    if (/^\d{4}-\d\d-\d\d(T\d\d:\d\d)?$/.test(text) && read(text)) take(read(text)!);
  }
  function left() {
    const text = typed;
    if (text === null) return;
    const next = text.trim() ? read(text) : '';
    if (next === undefined) return void (refused = text);
    typed = null;
    take(next);
  }
  function pick() {
    picker?.showPicker();
  }
</script>

<div class="when" class:bare={hideLabel}>
  <TextInput
    size="sm"
    labelText={label}
    {hideLabel}
    helperText={helper}
    placeholder={time ? 'day and time' : 'day'}
    value={typed ?? shown}
    invalid={!!refused || !!problem}
    invalidText={refused
      ? time
        ? 'Write a day and a time, such as 24 Nov 5pm.'
        : 'Write a day, such as 24 Nov or tomorrow.'
      : problem}
    on:input={(e) => oninput(String(e.detail ?? ''))}
    on:blur={left}
    on:keydown={(e: KeyboardEvent) => e.key === 'Enter' && left()}
  />
  <button type="button" class="pick" tabindex="-1" aria-label="Choose in a calendar" onclick={pick}
    ><Calendar /></button
  >
  <input
    bind:this={picker}
    class="visually-hidden native"
    type={time ? 'datetime-local' : 'date'}
    tabindex="-1"
    aria-hidden="true"
    {value}
    onchange={(e) => {
      typed = null;
      take(e.currentTarget.value);
    }}
  />
</div>

<style>
  .when {
    position: relative;
    min-width: 0;
  }
  .pick {
    position: absolute;
    right: 4px;
    top: 26px;
    display: flex;
    border: 0;
    background: none;
    padding: 5px;
    color: inherit;
    cursor: pointer;
  }
  .bare .pick {
    top: 2px;
  }
  .native {
    right: 0;
    bottom: 0;
  }
</style>
