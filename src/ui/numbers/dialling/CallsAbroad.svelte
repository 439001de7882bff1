<script lang="ts">
  import { MultiSelect, NumberInput, Select } from 'carbon-components-svelte';
  import { countryName } from '$core/numbering';
  import { ANY_CALLS_OUT, usualCallsOut, type CallsOut, type Guard } from '$core/system';
  import { RATES } from '$standins/carrier/prices';
  import PeopleField from '../../fields/PeopleField.svelte';
  import { named } from '../../named';
  import { theBusiness } from '../../window/session.svelte';
  import SelectItem from '../../fields/SelectItem.svelte';

  /** Who may call abroad and numbers with a price of their own, where to, for how much, and what stops fraud. */
  const system = $derived(theBusiness().system);
  const rules = $derived(system.business.callsOut ?? ANY_CALLS_OUT);
  let problem = $state('');
  const set = (words: string, change: Partial<CallsOut>) =>
    void (problem =
      theBusiness().keep(words, [
        { do: 'business.set', change: { callsOut: { ...$state.snapshot(rules), ...change } as CallsOut } },
      ]) ?? '');
  const guard = (words: string, change: Partial<Guard>) =>
    set(words, { guard: { ...usualCallsOut().guard!, ...rules.guard, ...change } });
  const WHO = [
    ['abroadFor', 'Who may call abroad', 'call abroad'],
    ['premiumFor', 'Who may call premium numbers', 'call premium numbers'],
  ] as const;
  const countries = Object.keys(RATES.abroad)
    .filter((c) => c !== theBusiness().system.business.country)
    .map((id) => ({ id, text: countryName(id) }))
    .sort((a, b) => a.text.localeCompare(b.text));
  const modeOf = (who: CallsOut['abroadFor']) =>
    who === 'everybody' ? 'everybody' : who.length ? 'some' : 'nobody';
  /** “Some” is chosen and nobody is named yet. */
  let naming = $state<Record<string, boolean>>({});
  function choose(field: (typeof WHO)[number][0], what: string, mode: string) {
    naming[field] = mode === 'some';
    if (mode === modeOf(rules[field]) || mode === 'some') return;
    set(`${mode === 'everybody' ? 'Everybody' : 'Nobody'} may ${what}`, {
      [field]: mode === 'everybody' ? 'everybody' : [],
    });
  }
</script>

<div class="card" data-testid="calls-abroad">
  <h2>Calls abroad, and numbers that cost</h2>
  {#each WHO as [field, label, what] (field)}
    {@const mode = naming[field] ? 'some' : modeOf(rules[field])}
    <div class="field">
      <Select
        size="sm"
        labelText={label}
        selected={mode}
        on:update={(e) => choose(field, what, String(e.detail))}
      >
        <SelectItem value="everybody" text="everybody" />
        <SelectItem value="some" text="these people" />
        <SelectItem value="nobody" text="nobody" />
      </Select>
      {#if mode === 'some'}
        <PeopleField
          label="{label}: people"
          people={system.people}
          chosen={rules[field] === 'everybody' ? [] : rules[field]}
          none="choose people"
          onchange={(ids) => {
            naming[field] = ids.length === 0;
            set(`Who may ${what}`, { [field]: ids });
          }}
        />
      {/if}
    </div>
  {/each}
  <div class="field">
    <Select
      size="sm"
      labelText="To which countries"
      selected={rules.countries === 'all' ? 'all' : 'some'}
      on:update={(e) => {
        const all = e.detail === 'all';
        if (all !== (rules.countries === 'all'))
          set(all ? 'Every country may be called' : 'Only some countries may be called', {
            countries: all ? 'all' : [],
          });
      }}
    >
      <SelectItem value="all" text="every country" />
      <SelectItem value="some" text="these countries" />
    </Select>
    {#if rules.countries !== 'all'}
      {@const chosen = rules.countries}
      <div {@attach named('Countries that may be called')}>
        <MultiSelect
          size="sm"
          labelText="Countries that may be called"
          label={chosen.length ? chosen.map(countryName).join(', ') : 'none'}
          items={countries}
          selectedIds={[...chosen]}
          sortItem={() => 0}
          on:select={(e) => {
            const ids = e.detail.selectedIds.map(String);
            if (ids.join() !== chosen.join()) set('Countries that may be called', { countries: ids });
          }}
        />
      </div>
    {/if}
  </div>
  <div class="field">
    <NumberInput
      size="sm"
      labelText="What one person may spend a day, in cents (empty is no limit)"
      allowEmpty
      min={0}
      max={1_000_000}
      hideSteppers
      value={rules.dailyCents}
      invalidText="0 to 1,000,000"
      on:change={(e) => {
        const dailyCents = e.detail === null ? null : Math.round(Number(e.detail));
        if (
          dailyCents !== rules.dailyCents &&
          (dailyCents === null || (dailyCents >= 0 && dailyCents <= 1_000_000))
        )
          set(dailyCents === null ? 'No limit a day' : `${dailyCents} cents a day`, { dailyCents });
      }}
    />
  </div>
  <h3>What looks like fraud</h3>
  <Select
    size="sm"
    labelText="Many short calls to one country"
    selected={rules.guard ? 'stop' : 'go on'}
    on:update={(e) => {
      if (e.detail === 'stop' && !rules.guard) guard('Calls that look like fraud are stopped', {});
      else if (e.detail !== 'stop' && rules.guard)
        set('Calls that look like fraud are not stopped', { guard: null });
    }}
  >
    <SelectItem value="stop" text="stop the next one, until somebody allows it" />
    <SelectItem value="go on" text="go on" />
  </Select>
  {#if rules.guard}
    {@const g = rules.guard}
    <div class="guard">
      {#each [['calls', 'Calls', 100], ['seconds', 'Shorter than, seconds', 3600], ['minutes', 'Within, minutes', 1440]] as const as [field, label, max] (field)}
        <NumberInput
          size="sm"
          labelText={label}
          min={1}
          {max}
          hideSteppers
          value={g[field]}
          on:change={(e) => {
            const n = Number(e.detail);
            if (e.detail !== null && n !== g[field] && n >= 1 && n <= max)
              guard(`Fraud: ${label.toLowerCase()} ${n}`, { [field]: n });
          }}
        />
      {/each}
    </div>
    <Select
      size="sm"
      labelText="When it is looked for"
      selected={g.hoursId ?? ''}
      on:update={(e) => {
        const hoursId = String(e.detail) || null;
        if (hoursId !== g.hoursId) guard('When fraud is looked for', { hoursId });
      }}
    >
      <SelectItem value="" text="at all times" />
      {#each Object.values(system.hours) as h (h.id)}<SelectItem
          value={h.id}
          text="outside {h.name}"
        />{/each}
    </Select>
  {/if}
  {#if problem}<p class="problem small" role="alert">{problem}</p>{/if}
</div>

<style>
  h3 {
    margin: 16px 0 6px;
  }
  .field {
    margin-bottom: 10px;
    display: grid;
    gap: 6px;
  }
  .guard {
    display: grid;
    grid-template-columns: repeat(3, minmax(0, 1fr));
    gap: 8px;
    align-items: end;
    margin: 10px 0;
  }
  .guard :global(.bx--number),
  .guard :global(.bx--number input) {
    min-width: 0;
  }
  .problem {
    color: var(--alarm);
  }
</style>
