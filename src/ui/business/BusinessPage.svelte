<script lang="ts">
  import { Button, RadioButton, RadioButtonGroup, Select } from 'carbon-components-svelte';
  import { voiceOf } from '$core/audio';
  import { habitOf, localTime, writeTime, writingOf } from '$core/hours';
  import { PROFILES, profileOf } from '$core/numbering';
  import { CLOCKS, DATE_ORDERS, type Business, type Edit } from '$core/system';
  import EditField from '../fields/EditField.svelte';
  import SelectItem from '../fields/SelectItem.svelte';
  import ZoneField from '../fields/ZoneField.svelte';
  import { dateText } from '../format';
  import VoiceFields from '../recordings/VoiceFields.svelte';
  import { theBusiness } from '../window/session.svelte';
  import KeptDays from './KeptDays.svelte';
  import { elsewhere } from './elsewhere';
  import ZoneEffect from './ZoneEffect.svelte';

  /** Everything that holds for the whole business, in one place. */
  const system = $derived(theBusiness().system);
  const business = $derived(system.business);
  const set = (words: string, change: Partial<Business>) =>
    theBusiness().keep(words, [{ do: 'business.set', change }]);

  /** A country and a zone that are looked at before they are taken. */
  let country = $state<string | null>(null);
  let timeZone = $state<string | null>(null);
  let problem = $state('');
  const next = $derived({ country: country ?? business.country, timeZone: timeZone ?? business.timeZone });
  const moves = $derived(next.country !== business.country || next.timeZone !== business.timeZone);
  const edit = $derived<Edit>({
    words: `The business is in ${profileOf(next.country).name}, in the time zone ${next.timeZone}`,
    commands: [{ do: 'business.set', change: next }],
  });
  const was = $derived(profileOf(business.country));
  const is = $derived(profileOf(next.country));
  async function move() {
    problem = (await theBusiness().keepStored(edit.words, edit.commands)) ?? '';
    if (!problem) country = timeZone = null;
  }

  const writing = $derived(writingOf(business));
  const habit = $derived(habitOf(business.country));
  const clock = (zone: string) => writeTime(Math.floor(localTime(zone, theBusiness().minute).minute));
  const CLOCK_WORDS = { '24-hour': '17:30', '12-hour': '5:30 pm' } as const;
  const DATE_WORDS = { 'day first': '19 Dec 2026', 'month first': 'Dec 19, 2026' } as const;
</script>

<h1>The business</h1>
<p class="sub">
  What holds for all of it. A change is part of the draft until it is put in force; how times are written is
  seen here at once, and on phones then.
</p>
<div class="columns">
  <section class="card" aria-label="About the business">
    <h2>About the business</h2>
    <div class="fields">
      <EditField
        label="Name"
        value={business.name}
        keep={(name) => set(`The business is ${name}`, { name })}
      />
      <Select
        size="sm"
        labelText="Country"
        selected={next.country}
        on:update={(e) => e.detail !== next.country && (country = String(e.detail))}
      >
        {#each PROFILES as p (p.country)}<SelectItem value={p.country} text={p.name} />{/each}
      </Select>
      <ZoneField
        zone={next.timeZone}
        country={next.country}
        at={theBusiness().minute}
        helper="Type a city. There it is {clock(next.timeZone)} now."
        choose={(zone) => (timeZone = zone)}
      />
    </div>
    {#if moves}
      <div class="moves" data-testid="moves">
        {#if next.country !== business.country}
          <p>
            Calls for help go to {is.emergency.join(' or ')}{was.emergency.join() === is.emergency.join()
              ? ', as now'
              : ` instead of ${was.emergency.join(' or ')}`}. Numbers typed without a country are read as of {is.name}
            (+{is.callingCode}), and callers hear the tones of {is.name}. Star codes, numbers and addresses
            stay.
          </p>
        {/if}
        {#if next.timeZone !== business.timeZone}<ZoneEffect {edit} timeZone={next.timeZone} />{/if}
        {#if problem}<p class="warn" role="alert">{problem}</p>{/if}
        <Button size="small" on:click={() => void move()}>Change it</Button>
        <Button size="small" kind="ghost" on:click={() => ((country = timeZone = null), (problem = ''))}
          >Leave it</Button
        >
      </div>
    {/if}
  </section>

  <section class="card" aria-label="How times are written">
    <h2>How times are written</h2>
    <RadioButtonGroup
      legendText="Clock"
      selected={writing.clock}
      on:change={(e) =>
        e.detail !== writing.clock &&
        set(`Times go by the ${String(e.detail)} clock`, { clock: e.detail as Business['clock'] })}
    >
      {#each CLOCKS as c (c)}
        <RadioButton value={c} labelText="{c}, {CLOCK_WORDS[c]}" />
      {/each}
    </RadioButtonGroup>
    <RadioButtonGroup
      legendText="Dates"
      selected={writing.dates}
      on:change={(e) =>
        e.detail !== writing.dates &&
        set(`Dates are written ${String(e.detail)}`, { dates: e.detail as Business['dates'] })}
    >
      {#each DATE_ORDERS as d (d)}
        <RadioButton value={d} labelText="{d}, {DATE_WORDS[d]}" />
      {/each}
    </RadioButtonGroup>
    <p class="small soft">
      {is.name} writes {CLOCK_WORDS[habit.clock]} and {DATE_WORDS[habit.dates]}. Today is {dateText(
        theBusiness().today,
      )}. Times may be typed either way.
    </p>
  </section>

  <section class="card" aria-label="The voice">
    <h2>The voice</h2>
    <p class="small soft">Greetings that are typed are spoken in it.</p>
    <VoiceFields
      voice={voiceOf(business)}
      onchange={(voice) => set(`Recordings are spoken in ${voice.language}`, { voice })}
    />
  </section>

  <section class="card" aria-label="How long it is kept">
    <h2>How long calls and texts are kept</h2>
    <KeptDays />
  </section>

  <section class="card wide" aria-label="Settings on other pages">
    <h2>Settings on other pages</h2>
    <dl>
      {#each elsewhere(system) as { name, is, href } (name)}
        <div>
          <dt><a {href}>{name}</a></dt>
          <dd>{is}</dd>
        </div>
      {/each}
    </dl>
  </section>
</div>

<style>
  .columns {
    grid-template-columns: repeat(2, minmax(0, 1fr));
    align-items: start;
    gap: 0 24px;
  }
  .moves {
    border-left: 4px solid var(--copper);
    padding-left: 12px;
    margin-top: 12px;
  }
  section > :global(fieldset) {
    margin-bottom: 12px;
  }
  dl {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
    gap: 0 28px;
    margin: 0;
  }
  dl div {
    display: grid;
    grid-template-columns: 140px 1fr;
    gap: 10px;
    padding: 5px 0;
    border-top: 1px solid var(--rule);
    font-size: var(--text-body);
  }
  dd {
    margin: 0;
    overflow-wrap: anywhere;
  }
</style>
