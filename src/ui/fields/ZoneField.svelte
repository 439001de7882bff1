<script lang="ts">
  import { ComboBox } from 'carbon-components-svelte';
  import { onMount } from 'svelte';
  import { choiceOf, isMeant, zoneChoices, type ZoneChoice } from '$core/hours';

  /** A time zone, found by typing a city, a country or its name. */
  let {
    zone,
    country,
    at,
    choose,
    label = 'Time zone',
    helper = '',
  }: {
    /** IANA name. */
    zone: string;
    /** Its zones stand first. */
    country: string;
    /** The moment whose distance from UTC is told. */
    at: number;
    choose: (zone: string) => void;
    label?: string;
    helper?: string;
  } = $props();

  let choices = $state.raw<ZoneChoice[]>([]);
  // The table of cities is large, and only needed here.
  onMount(async () => {
    const { rawTimeZones } = await import('@vvo/tzdb');
    choices = zoneChoices(rawTimeZones, country, at);
  });
  const own = $derived(choiceOf(choices, zone));
  const items = $derived([
    ...(own ? [] : [{ id: zone, text: zone.replaceAll('_', ' ') }]),
    ...choices.map((c) => ({ id: c.zone, text: c.words })),
  ]);
  const byId = $derived(new Map(choices.map((c) => [c.zone, c])));
  const chosen = $derived(own?.zone ?? zone);
  const filter = (item: { id: string; text: string }, typed: string) => {
    const choice = byId.get(item.id);
    return choice ? isMeant(choice, typed) : item.text.toLowerCase().includes(typed.toLowerCase());
  };
</script>

{#key chosen}
  <ComboBox
    size="sm"
    labelText={label}
    helperText={helper}
    placeholder="Type a city"
    selectedId={chosen}
    {items}
    selectTextOnFocus
    shouldFilterItem={(item, typed) => items.some((i) => i.text === typed) || filter(item as never, typed)}
    on:select={(e) => {
      const id = String(e.detail.selectedId);
      if (id !== chosen) choose(id);
    }}
  />
{/key}
