<script lang="ts">
  import { Select, TextInput } from 'carbon-components-svelte';
  import { emergencyOfSites } from '$core/calls';
  import { profileOf } from '$core/numbering';
  import { StarFeature, type Business, type StarCode } from '$core/system';
  import EditField from '../../fields/EditField.svelte';
  import SecondsField from '../../fields/SecondsField.svelte';
  import HoldSound from '../../fields/HoldSound.svelte';
  import { theBusiness } from '../../window/session.svelte';
  import SelectItem from '../../fields/SelectItem.svelte';

  const business = $derived(theBusiness().system.business);
  const numbers = $derived(Object.values(theBusiness().system.numbers));
  const profile = $derived(profileOf(business.country));
  const elsewhere = $derived(emergencyOfSites(theBusiness().system));
  const set = (words: string, change: Partial<Business>) =>
    theBusiness().keep(words, [{ do: 'business.set', change }]);
  let problem = $state('');
  let block = $state({ from: '', to: '', note: '' });
  let blockProblem = $state('');

  function outside(digit: string) {
    if (digit === business.outsideDigit) return;
    problem =
      set(digit ? `People dial ${digit} for an outside line` : 'People dial outside numbers as they are', {
        outsideDigit: digit as Business['outsideDigit'],
      }) ?? '';
  }
  const codes = (change: (codes: StarCode[]) => StarCode[]) =>
    change(business.starCodes.map((s) => ({ ...s })));
  function setCode(does: StarCode['does'], code: string): string | undefined {
    const next = codes((all) => all.filter((s) => s.does !== does));
    if (code) next.push({ code: code.startsWith('*') ? code : `*${code}`, does });
    return set(code ? `${code} is ${does}` : `No code for ${does}`, { starCodes: next });
  }
  /** Where calls are parked: from and to, or nowhere where both are empty. */
  let firstSlot = $derived(business.park?.from ?? '');
  let lastSlot = $derived(business.park?.to ?? '');
  let slotsProblem = $state('');
  function setSlots(event: Event) {
    event.preventDefault();
    const [from, to] = [firstSlot.trim(), lastSlot.trim()];
    if (!from && !to) slotsProblem = set('No slots for parked calls', { park: undefined }) ?? '';
    else
      slotsProblem =
        set(`Calls are parked on ${from} to ${to || from}`, { park: { from, to: to || from } }) ?? '';
  }
  function reserve(event: Event) {
    event.preventDefault();
    blockProblem =
      set(`Keep ${block.from} to ${block.to} for ${block.note}`, {
        reserved: [...business.reserved, { ...block }],
      }) ?? '';
    if (!blockProblem) block = { from: '', to: '', note: '' };
  }
</script>

<div class="card">
  <h2>Habits</h2>
  <div class="fields">
    <div>
      <Select
        size="sm"
        labelText="For an outside line people dial"
        selected={business.outsideDigit}
        on:update={(e) => outside(String(e.detail))}
      >
        <SelectItem value="" text="nothing first" />
        <SelectItem value="9" text="9 first" />
        <SelectItem value="0" text="0 first" />
      </Select>
      {#if problem}<p class="problem small">{problem}</p>{/if}
    </div>
    <SecondsField
      label="A phone waits for another digit"
      value={business.digitSeconds}
      min={2}
      max={15}
      onchange={(digitSeconds) => set(`Phones wait ${digitSeconds} s for another digit`, { digitSeconds })}
    />
    <Select
      size="sm"
      labelText="The number that people’s calls show"
      selected={business.defaultCallerId ?? ''}
      on:update={(e) => {
        const defaultCallerId = String(e.detail) || null;
        if (defaultCallerId !== business.defaultCallerId)
          set('Change the number calls show', { defaultCallerId });
      }}
    >
      <SelectItem value="" text="the first each may show" />
      {#each numbers as n (n.id)}<SelectItem
          value={n.e164}
          text="{n.label}, {theBusiness().number(n.e164)}"
        />{/each}
    </Select>
  </div>
  <h3>Emergency, in {profile.name}</h3>
  <p>
    <b>{profile.emergency.join(', ')}</b> goes out at once{business.outsideDigit
      ? `, with or without ${business.outsideDigit} first`
      : ''}, from every phone.
  </p>
  {#each elsewhere as { site, numbers } (site.id)}
    <p><b>{numbers.join(', ')}</b> too from phones at {site.name}, {profileOf(site.address.country).name}.</p>
  {/each}
  <h3>Star codes</h3>
  <div class="codes">
    {#each StarFeature.options as does (does)}
      <EditField
        label={does}
        value={business.starCodes.find((s) => s.does === does)?.code ?? ''}
        keep={(text) => setCode(does, text)}
      />
    {/each}
  </div>
  <h3>Parked calls</h3>
  <form class="slots" onsubmit={setSlots}>
    <TextInput size="sm" labelText="First slot" bind:value={firstSlot} />
    <TextInput size="sm" labelText="Last slot" bind:value={lastSlot} />
    <button class="linkish small" type="submit">Set the slots</button>
    {#if slotsProblem}<p class="problem small">{slotsProblem}</p>{/if}
  </form>
  <p class="soft small">
    {business.park
      ? `A call that is parked waits on the lowest free of ${business.park.from} to ${business.park.to}; any phone fetches it by dialling that.`
      : 'Nobody can park a call: there are no slots.'}
  </p>
  <h3>While somebody is held</h3>
  <HoldSound
    label="Hold sound of the business"
    chosen={business}
    none="music made by code"
    onchoose={(choice) => (problem = set('Hold sound of the business', choice) ?? '')}
  />
  <h3>Reserved</h3>
  {#each business.reserved as r, i (r.from + r.note)}
    <p class="row">
      <span><b>{r.from}–{r.to}</b> {r.note}</span>
      <button
        class="linkish small"
        type="button"
        onclick={() =>
          set(`Free ${r.from} to ${r.to} again`, { reserved: business.reserved.filter((_, n) => n !== i) })}
        >Free<span class="visually-hidden">&nbsp;{r.from} to {r.to}</span></button
      >
    </p>
  {/each}
  <form onsubmit={reserve}>
    <TextInput size="sm" labelText="From" bind:value={block.from} />
    <TextInput size="sm" labelText="To" bind:value={block.to} />
    <TextInput size="sm" labelText="For what" bind:value={block.note} />
    <button class="linkish small" type="submit">Reserve</button>
    {#if blockProblem}<p class="problem small">{blockProblem}</p>{/if}
  </form>
</div>

<style>
  h3 {
    margin: 16px 0 6px;
  }
  p {
    margin: 0 0 6px;
  }
  .problem {
    color: var(--alarm);
    grid-column: 1 / -1;
  }
  .codes {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 10px;
  }
  .codes :global(.bx--label)::first-letter {
    text-transform: uppercase;
  }
  .row {
    display: flex;
    justify-content: space-between;
  }
  form.slots {
    grid-template-columns: 90px 90px 1fr;
    justify-items: start;
  }
  form {
    display: grid;
    grid-template-columns: 70px 70px 1fr auto;
    gap: 8px;
    align-items: end;
  }
</style>
