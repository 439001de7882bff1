<script lang="ts">
  import { TextInput } from 'carbon-components-svelte';
  import Calendar from 'carbon-icons-svelte/lib/Calendar.svelte';
  import { fieldTime, localTime, readDate, readMoment } from '$core/hours';
  import { dateText, localText } from '../format';
  import { here } from '../window/session.svelte';

  /** A day, or a day and a time: typed as people type it, shown as the business writes it, or picked from a month. */
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
    /** Which day it is and in which country, where no business is open in this window. */
    at?: { today: string; country: string } | undefined;
  }
  let {
    label,
    hideLabel = false,
    value = $bindable(''),
    time = false,
    onvalue = () => {},
    problem = '',
    helper = '',
    at,
  }: Props = $props();
  let typed = $state<string | null>(null);
  let refused = $state('');
  let box = $state<HTMLElement>();
  let picking = $state(false);
  /** It was open when the button was pressed, which has closed it already. */
  let wasPicking = false;
  const shown = $derived(!/^\d{4}-\d\d-\d\d/.test(value) ? value : time ? localText(value) : dateText(value));
  const read = (text: string) => (time ? readMoment : readDate)(text, at?.today ?? here().today);

  const REFUSED = $derived(
    time ? 'Write a day and a time, such as 24 Nov 5pm.' : 'Write a day, such as 24 Nov or tomorrow.',
  );
  /** What is no day is marked for the form as well: it is not sent with the day that stood there before. */
  function refuse(text: string) {
    refused = text;
    box?.querySelector('input')?.setCustomValidity(text ? REFUSED : '');
  }
  function take(next: string) {
    refuse('');
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
    if (next === undefined) return refuse(text);
    typed = null;
    take(next);
  }
  /** The minute of the day that is picked with a day: the one that stands there, or the next quarter of an hour. */
  const minute = $derived.by(() => {
    const [hours, minutes] = value.slice(11).split(':').map(Number);
    if (minutes !== undefined) return hours! * 60 + minutes;
    return Math.min(Math.ceil(localTime(here().zone, here().now).minute / 15) * 15, 23 * 60 + 45);
  });
  function picked(day: string, minute?: number) {
    typed = null;
    take(minute === undefined ? day : `${day}T${fieldTime(minute)}`);
    // A time may still be chosen with it.
    if (minute !== undefined) return;
    picking = false;
    box?.querySelector('input')?.focus();
  }
  function onkeydown(e: KeyboardEvent) {
    if (e.key === 'Enter') left();
    if (e.key !== 'ArrowDown' || !e.altKey) return;
    e.preventDefault();
    picking = true;
  }
</script>

<div class="when" class:bare={hideLabel} bind:this={box}>
  <TextInput
    size="sm"
    labelText={label}
    {hideLabel}
    helperText={helper}
    placeholder={time ? 'day and time' : 'day'}
    value={typed ?? shown}
    invalid={!!refused || !!problem}
    invalidText={refused ? REFUSED : problem}
    on:input={(e) => oninput(String(e.detail ?? ''))}
    on:blur={left}
    on:keydown={onkeydown}
  />
  <button
    type="button"
    class="pick"
    tabindex="-1"
    aria-label="Choose in a calendar"
    title="Choose in a calendar (Alt and the arrow down)"
    aria-haspopup="dialog"
    aria-expanded={picking}
    onpointerdown={() => (wasPicking = picking)}
    onclick={() => {
      picking = !wasPicking;
      wasPicking = false;
    }}><Calendar /></button
  >
  {#if picking && box}
    {#await import('./DayPicker.svelte') then { default: DayPicker }}
      <DayPicker
        beside={box}
        day={value.slice(0, 10)}
        today={at?.today ?? here().today}
        country={at?.country ?? here().system.business.country}
        minute={time ? minute : undefined}
        onpick={picked}
        onclose={() => (picking = false)}
      />
    {/await}
  {/if}
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
</style>
