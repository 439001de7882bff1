<script lang="ts">
  import { Button, Select } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { addressProblems, profileOf, readNumber } from '$core/numbering';
  import { addDays } from '$core/hours';
  import { Network, type Site } from '$core/system';
  import AddressFields from '../fields/AddressFields.svelte';
  import EditField from '../fields/EditField.svelte';
  import PeopleField from '../fields/PeopleField.svelte';
  import { theBusiness } from '../window/session.svelte';
  import TryAddress from './TryAddress.svelte';
  import SelectItem from '../fields/SelectItem.svelte';
  import WhenField from '../fields/WhenField.svelte';

  let { site }: { site: Site } = $props();
  // A field that is taken away with its text still in it reports a change; by then another site may be shown.
  const id = untrack(() => site.id);
  const system = $derived(theBusiness().system);
  const people = $derived(Object.values(system.people));
  const numbers = $derived(Object.values(system.numbers));
  const emergency = $derived(profileOf(site.address.country).emergency.join(' or '));
  const today = $derived(theBusiness().today);
  const zones = Intl.supportedValuesOf('timeZone');

  const set = (words: string, change: Partial<Omit<Site, 'id'>>) =>
    theBusiness().keep(words, [{ do: 'site.set', id, change }]);
  const name = () => system.sites[id]?.name ?? '';
  /** Texts parted by commas or spaces. */
  const list = (text: string) => text.split(/[\s,;]+/).filter(Boolean);

  function networks(text: string): string | undefined {
    const wrong = list(text).find((n) => !Network.safeParse(n).success);
    if (wrong) return `“${wrong}” is not a network. Write it as 192.0.2.0/24.`;
    return set(`Change the networks of ${name()}`, { networks: list(text) });
  }
  function callback(text: string): string | undefined {
    if (!text) return set(`Help rings back the number ${name()} called from`, { callback: null });
    const read = readNumber(text, system.business.country, system.business.outsideDigit);
    if (!read.ok) return read.message;
    if (!numbers.some((n) => n.e164 === read.number.e164))
      return 'Choose one of your own numbers: help rings it back.';
    return set(`Help rings back ${theBusiness().number(read.number.e164)} for ${name()}`, {
      callback: read.number.e164,
    });
  }
  function remove() {
    const here = people.filter((p) => p.siteId === id).length;
    theBusiness().edit(
      `Remove the site ${site.name}${here ? ` (of ${here} people)` : ''}`,
      [{ do: 'site.remove', id }],
      {
        withNotice: true,
      },
    );
  }
</script>

<div class="card">
  <h2>{site.name}</h2>
  <EditField label="Name" value={site.name} keep={(text) => set(`Call the site ${text}`, { name: text })} />
  <h3>Address</h3>
  <AddressFields
    address={site.address}
    problems={addressProblems(site.address)}
    keep={(address) => set(`Change the address of ${name()}`, { address })}
  />
  <h3>When somebody here calls {emergency}</h3>
  <div class="fields">
    <EditField
      label="Help rings back"
      placeholder="the number they called from"
      value={site.callback ? theBusiness().number(site.callback) : ''}
      keep={callback}
    />
    <PeopleField
      label="Who is told at once"
      people={system.people}
      chosen={site.notify.personIds}
      none="nobody yet"
      onchange={(personIds) =>
        set(`Who is told of emergency calls at ${name()}`, { notify: { ...site.notify, personIds } })}
    />
    <EditField
      label="And these e-mail addresses"
      value={site.notify.mailTo.join(', ')}
      keep={(text) =>
        set(`Who is told of emergency calls at ${name()}`, {
          notify: { ...site.notify, mailTo: list(text) },
        })}
    />
    <div class="again">
      <WhenField
        label="Look again whether this is right on"
        value={site.checkAgainOn ?? ''}
        onvalue={(value) => {
          const checkAgainOn = value || null;
          if (checkAgainOn !== (system.sites[id]?.checkAgainOn ?? null))
            set(`Look at the address of ${name()} again`, { checkAgainOn });
        }}
      />
      {#if site.checkAgainOn && site.checkAgainOn <= today}
        <p class="small due">
          Is this still right? <Button
            size="small"
            kind="tertiary"
            on:click={() =>
              set(`The address of ${name()} is still right`, { checkAgainOn: addDays(today, 365) })}
            >Yes, ask in a year</Button
          >
        </p>
      {/if}
    </div>
  </div>
  <h3>In the office</h3>
  <div class="fields">
    <EditField
      label="Networks"
      placeholder="192.0.2.0/24, 2001:db8::/32"
      helper="A phone signed on from elsewhere is “outside”"
      value={site.networks.join(', ')}
      keep={networks}
    />
    {#if site.networks.length}<TryAddress />{/if}
    <Select
      size="sm"
      labelText="Time zone"
      selected={site.timeZone}
      on:update={(e) => {
        if (e.detail !== site.timeZone) set(`${name()} goes by ${e.detail}`, { timeZone: String(e.detail) });
      }}
    >
      {#each zones as zone (zone)}<SelectItem value={zone} text={zone.replaceAll('_', ' ')} />{/each}
    </Select>
  </div>
  <button class="linkish small" type="button" onclick={remove}>Remove {site.name}</button>
</div>

<style>
  h3 {
    margin: 16px 0 6px;
  }
  .fields {
    margin-bottom: 12px;
  }
  .due {
    color: var(--amber);
    font-weight: 600;
    margin: 8px 0 0;
  }
</style>
