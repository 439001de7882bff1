<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { assignNumber, planInWords } from '$core/answering';
  import { listed, numberShownBy } from '$core/calls';
  import { weekInWords } from '$core/coverage';
  import { addressLine, addressProblems, profileOf } from '$core/numbering';
  import { asksAnything } from '$core/calls';
  import { civicAddress, type NumberHeld } from '$core/system';
  import AddressFields from '../fields/AddressFields.svelte';
  import EditField from '../fields/EditField.svelte';
  import PeopleField from '../fields/PeopleField.svelte';
  import HoldSound from '../fields/HoldSound.svelte';
  import RecordingChoice from '../fields/RecordingChoice.svelte';
  import { freshId } from '../ids';
  import { theBusiness } from '../window/session.svelte';
  import GiveBack from './GiveBack.svelte';
  import GoesTo from './GoesTo.svelte';
  import { USES } from './uses';
  import SelectItem from '../fields/SelectItem.svelte';

  let { number }: { number: NumberHeld } = $props();
  // A field that is taken away with its text still in it reports a change; by then another number may be shown.
  const id = untrack(() => number.id);
  const system = $derived(theBusiness().system);
  const site = $derived(number.siteId ? system.sites[number.siteId] : undefined);
  const plan = $derived(number.planId ? system.plans[number.planId] : undefined);
  const day = $derived(Math.floor(theBusiness().now / 60_000) * 60_000);
  const week = $derived(number.planId ? weekInWords(system, theBusiness().standing, number, day) : []);
  const textable = $derived(profileOf(number.country).textable.includes(number.kind));
  /** Who shows it as things stand: their own direct number comes first, then the business's usual one. */
  const shownByWords = $derived.by(() => {
    const people = Object.values(system.people);
    const who = people.filter((p) => numberShownBy(system, p.id)?.id === number.id);
    if (!who.length) return 'Nobody’s calls show it as things stand: they show another number.';
    if (who.length === people.length) return 'Everybody’s calls show it.';
    const names = who.length > 4 ? `${who.length} people` : listed(who.map((p) => p.name));
    return `It is shown by calls of ${names}.`;
  });
  let givingBack = $state(false);
  let ownAddress = $state(untrack(() => number.address !== null));

  const set = (words: string, change: Partial<Omit<NumberHeld, 'id'>>) =>
    theBusiness().keep(words, [{ do: 'number.set', id, change }]);
  const name = () => system.numbers[id]?.label ?? '';
  /** A direct line of nobody yet: whose it is, is asked. */
  let whose = $state(false);
  function useAs(use: NumberHeld['use']) {
    const plan = number.planId ? system.plans[number.planId] : undefined;
    const ring = plan?.steps.find((s) => s.kind === 'ring');
    whose = use === 'direct' && !(ring?.targets.length === 1 && ring.targets[0]!.kind === 'person');
    set(`${name()} is a ${use} line`, { use });
  }
  function giveTo(personId: string) {
    const who = system.people[personId];
    if (!who) return;
    theBusiness().edit(`${name()} rings ${who.name}`, assignNumber(system, id, [personId], freshId), {
      withNotice: true,
    });
    whose = false;
  }
  function showAs(value: string) {
    set(`Who may show ${name()} on calls`, { callerIdFor: value === 'everybody' ? 'everybody' : [] });
  }
  function address(use: boolean) {
    ownAddress = use;
    if (!use && number.address) set(`${name()} has the emergency address of its site`, { address: null });
  }
</script>

<div class="card">
  <h2>{theBusiness().number(number.e164)}</h2>
  <div class="fields">
    <EditField
      label="Label"
      value={number.label}
      keep={(label) => set(`Call ${theBusiness().number(number.e164)} “${label}”`, { label })}
    />
    <div class="two">
      <Select
        size="sm"
        labelText="What it is for"
        selected={number.use}
        on:update={(e) => e.detail !== number.use && useAs(e.detail as NumberHeld['use'])}
      >
        {#each USES as use (use.value)}<SelectItem value={use.value} text={use.text} />{/each}
      </Select>
      <Select
        size="sm"
        labelText="Site"
        selected={number.siteId ?? ''}
        on:update={(e) => set(`Change the site of ${name()}`, { siteId: String(e.detail) || null })}
      >
        <SelectItem value="" text="no site" />
        {#each Object.values(system.sites) as s (s.id)}<SelectItem value={s.id} text={s.name} />{/each}
      </Select>
    </div>
    {#if whose}
      <Select
        size="sm"
        labelText="Whose direct line is it?"
        helperText="It then rings them, and their voicemail takes the message."
        selected=""
        on:update={(e) => giveTo(String(e.detail))}
      >
        <SelectItem value="" text="choose somebody" />
        {#each Object.values(system.people) as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
      </Select>
    {/if}
  </div>

  <h3>Where its calls go</h3>
  <GoesTo {number} />
  {#if plan}
    <p class="small">
      <a href="/answering/{plan.id}" title={planInWords(plan, system)}>Open the plan {plan.name}</a>
    </p>
    <dl>
      {#each week as way (way.words)}
        <dt>{way.now ? 'Now · ' : ''}{way.when}</dt>
        <dd>{way.words}</dd>
      {/each}
    </dl>
  {/if}

  <h3>On calls made</h3>
  <div class="fields">
    <Select
      size="sm"
      labelText="Who may show this number"
      selected={number.callerIdFor === 'everybody' ? 'everybody' : 'some'}
      on:update={(e) => showAs(String(e.detail))}
    >
      <SelectItem value="everybody" text="everybody" />
      <SelectItem value="some" text="only people I choose" />
    </Select>
    {#if number.callerIdFor !== 'everybody'}
      <PeopleField
        label="People who may show it"
        people={system.people}
        chosen={number.callerIdFor}
        none="nobody yet"
        onchange={(callerIdFor) => set(`Who may show ${name()} on calls`, { callerIdFor })}
      />
    {/if}
    <EditField
      label="Name sent with it"
      value={number.callerName}
      helper="15 characters at most; not every network shows it"
      keep={(callerName) =>
        callerName.length > 15
          ? `That has ${callerName.length} characters; 15 fit.`
          : set(`Change the name sent with ${name()}`, { callerName })}
    />
    <p class="small soft">{shownByWords}</p>
  </div>

  <h3>Said first to whoever is called with it</h3>
  <RecordingChoice
    hideLabel
    label="Announcement of {number.label}"
    chosen={number.announceId}
    none="nothing"
    onchoose={(announceId) => void set(`What is said first on calls that show ${name()}`, { announceId })}
  />

  <h3>While somebody is held</h3>
  <HoldSound
    label="Heard while somebody is held"
    chosen={number}
    none="what the business has"
    onchoose={(choice) => void set(`Hold sound of ${name()}`, choice)}
  />

  <h3>Asked after a talk</h3>
  <Select
    size="sm"
    hideLabel
    labelText="Asked after a talk"
    selected={number.afterwardsId ?? ''}
    on:update={(e) => {
      const afterwardsId = String(e.detail) || null;
      if (afterwardsId !== (number.afterwardsId ?? null))
        set(`What callers of ${name()} are asked after a talk`, { afterwardsId });
    }}
  >
    <SelectItem value="" text="nothing" />
    {#each Object.values(theBusiness().system.dialogues).filter(asksAnything) as d (d.id)}<SelectItem
        value={d.id}
        text={d.name}
      />{/each}
  </Select>
  <p class="small soft">
    Callers who stay on the line when whoever they talked with has hung up, by key or voice. What they answer
    stands under <a href="/by-itself/answers">Answers</a>.
  </p>

  <h3>Emergency address</h3>
  <Select
    size="sm"
    hideLabel
    labelText="Emergency address"
    selected={ownAddress ? 'own' : 'site'}
    on:update={(e) => address(e.detail === 'own')}
  >
    <SelectItem value="site" text={site ? `that of ${site.name}` : 'that of its site (none yet)'} />
    <SelectItem value="own" text="one of its own" />
  </Select>
  {#if ownAddress}
    <AddressFields
      address={number.address ?? civicAddress({ country: number.country })}
      problems={number.address ? addressProblems(number.address) : {}}
      keep={(a) => set(`Change the emergency address of ${name()}`, { address: a })}
    />
  {:else if site}
    <p class="small soft">{addressLine(site.address)}</p>
  {:else}
    <p class="small warn">An emergency call from it sends help nowhere. Choose a site above.</p>
  {/if}

  <h3>Notes</h3>
  <EditField
    many
    hideLabel
    label="Notes"
    placeholder="On the van since spring; printed on the winter list"
    value={number.notes}
    keep={(notes) => set(`Change the notes on ${name()}`, { notes })}
  />
  <p class="small soft foot">
    {number.kind} · {textable ? 'can text' : 'cannot text'} · <a href="/numbers/texting">Texting</a>
  </p>
  <button class="linkish small" type="button" onclick={() => (givingBack = true)}
    >Give back {number.label}</button
  >
</div>
{#if givingBack}<GiveBack {number} close={() => (givingBack = false)} />{/if}

<style>
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 10px;
  }
  h3 {
    margin: 18px 0 6px;
  }
  dl {
    margin: 8px 0 0;
    font-size: var(--text-body);
  }
  dt {
    font-weight: 650;
  }
  dd {
    margin: 0 0 8px;
    color: var(--ink-soft);
  }
  p {
    margin: 6px 0 0;
  }
  .warn {
    color: var(--alarm);
  }
  .foot {
    margin: 12px 0 10px;
  }
</style>
