<script lang="ts">
  import { NumberInput, Select } from 'carbon-components-svelte';
  import { CONSENT_TABLE, countryName, type Consent } from '$core/numbering';
  import { noCallRecording, RECORDING_NOTICE, type CallRecording } from '$core/system';
  import NumbersField from '../../fields/NumbersField.svelte';
  import PeopleField from '../../fields/PeopleField.svelte';
  import RecordingChoice from '../../fields/RecordingChoice.svelte';
  import SeveralField from '../../fields/SeveralField.svelte';
  import RecordingRoom from './RecordingRoom.svelte';
  import { theBusiness } from '../../window/session.svelte';
  import SelectItem from '../../fields/SelectItem.svelte';

  /** Whether calls are recorded: by whom, by which rule, with whose consent, and for how long. */
  const system = $derived(theBusiness().system);
  const rules = $derived(system.business.recording);
  let problem = $state('');
  const put = (words: string, recording: CallRecording | undefined) =>
    void (problem = theBusiness().keep(words, [{ do: 'business.set', change: { recording } }]) ?? '');
  const set = (words: string, change: Partial<CallRecording>) =>
    put(words, { ...($state.snapshot(rules) as CallRecording), ...change });
  const may = $derived(!rules ? 'never' : rules.mayRecordFor === 'everybody' ? 'everybody' : 'some');
  function choose(mode: string) {
    if (mode === may) return;
    if (mode === 'never') put('Calls are never recorded', undefined);
    else
      put(mode === 'everybody' ? 'Everybody may record calls' : 'Some may record calls', {
        ...noCallRecording(),
        ...($state.snapshot(rules) as CallRecording | undefined),
        mayRecordFor: mode === 'everybody' ? 'everybody' : [],
      });
  }
  const placeName = (place: string) =>
    place.length === 2 ? countryName(place) : `${countryName(place.slice(0, 2))}, ${place.slice(3)}`;
  const places = $derived(
    Object.keys({ ...CONSENT_TABLE, ...rules?.consent }).sort((a, b) => a.localeCompare(b)),
  );
  let table = $state(false);
  const consentOf = (place: string): Consent => rules?.consent[place] ?? CONSENT_TABLE[place] ?? 'all';
  function setConsent(place: string, consent: string) {
    if (!rules || consent === consentOf(place)) return;
    const { [place]: _, ...others } = $state.snapshot(rules.consent);
    const usual = CONSENT_TABLE[place] === consent;
    set(`Consent in ${placeName(place)}: ${consent === 'all' ? 'everybody’s' : 'one party’s'}`, {
      consent: usual ? others : { ...others, [place]: consent as Consent },
    });
  }
</script>

<div class="card" data-testid="record-calls">
  <h2>Recording of calls</h2>
  <Select
    size="sm"
    labelText="Who may have a call recorded"
    selected={may}
    on:update={(e) => choose(String(e.detail))}
  >
    <SelectItem value="never" text="nobody: calls are never recorded" />
    <SelectItem value="some" text="these people" />
    <SelectItem value="everybody" text="everybody" />
  </Select>
  {#if rules}
    {#if rules.mayRecordFor !== 'everybody'}
      <PeopleField
        label="People who may record"
        people={system.people}
        chosen={rules.mayRecordFor}
        none="nobody yet"
        onchange={(mayRecordFor) => set('Who may record calls', { mayRecordFor })}
      />
    {/if}
    <NumbersField
      label="Numbers whose calls are always recorded"
      {system}
      chosen={rules.numberIds}
      none="none"
      onchange={(numberIds) => set('Numbers whose calls are always recorded', { numberIds })}
    />
    <SeveralField
      label="Plans whose calls are always recorded"
      items={Object.values(system.plans).map(({ id, name }) => ({ id, name, text: name }))}
      chosen={rules.planIds ?? []}
      none="none"
      onchange={(planIds) => set('Plans whose calls are always recorded', { planIds })}
    />
    <PeopleField
      label="People whose calls are always recorded"
      people={system.people}
      chosen={rules.personIds}
      none="none"
      onchange={(personIds) => set('People whose calls are always recorded', { personIds })}
    />
    <RecordingChoice
      label="What is said where everybody must agree"
      chosen={rules.noticeId}
      none="“{RECORDING_NOTICE}”"
      onchoose={(noticeId) => set('What is said before recording', { noticeId })}
    />
    <NumberInput
      size="sm"
      labelText="Kept for days (empty is until somebody deletes them)"
      allowEmpty
      hideSteppers
      min={1}
      max={3650}
      value={rules.keepDays}
      invalidText="1 to 3,650 days"
      on:change={(e) => {
        const keepDays = e.detail === null ? null : Math.round(Number(e.detail));
        if (keepDays !== rules.keepDays && (keepDays === null || (keepDays >= 1 && keepDays <= 3650)))
          set(keepDays === null ? 'Recordings are kept' : `Recordings are kept ${keepDays} days`, {
            keepDays,
          });
      }}
    />
    <RecordingRoom keepDays={rules.keepDays} />
    <p class="small soft">
      Nobody is recorded unawares. Where everybody must agree, all hear it first, and recording begins after
      that; where it is not known where somebody is, everybody must agree. This table is what is usual, and no
      legal advice: change it as you are told by whoever advises you.
    </p>
    <button class="linkish small" type="button" aria-expanded={table} onclick={() => (table = !table)}
      >Whose consent is usual where</button
    >
    {#if table}
      <ul>
        {#each places as place (place)}
          <li>
            <span>{placeName(place)}</span>
            <Select
              size="sm"
              hideLabel
              labelText="Consent in {placeName(place)}"
              selected={consentOf(place)}
              on:update={(e) => setConsent(place, String(e.detail))}
            >
              <SelectItem value="one" text="one party’s" />
              <SelectItem value="all" text="everybody’s" />
            </Select>
          </li>
        {/each}
        <li><span>Anywhere else, hidden numbers, mobiles</span><b>everybody’s</b></li>
      </ul>
    {/if}
  {:else}
    <p class="small soft">No phone offers it.</p>
  {/if}
  {#if problem}<p class="problem small" role="alert">{problem}</p>{/if}
</div>

<style>
  .card {
    display: grid;
    gap: 10px;
  }
  p {
    margin: 0;
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  li {
    display: grid;
    grid-template-columns: 1fr 150px;
    gap: 8px;
    align-items: center;
    border-bottom: 1px solid var(--rule);
    font-size: var(--text-body);
  }
  .problem {
    color: var(--alarm);
  }
</style>
