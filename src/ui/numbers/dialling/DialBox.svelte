<script lang="ts">
  import { CopyButton, Select, TextInput } from 'carbon-components-svelte';
  import {
    addressOfHelp,
    emergencyFrom,
    helpFor,
    listed,
    shownBy,
    shownInWords,
    type Help,
  } from '$core/calls';
  import { accountsOn, isLinked } from '$core/system';
  import {
    addressLine,
    dialClashes,
    handDialled,
    numbersOf,
    profileOf,
    writeNumber,
    type Dialled,
  } from '$core/numbering';
  import { theBusiness } from '../../window/session.svelte';
  import { dialPlanOf } from './dial';
  import SelectItem from '../../fields/SelectItem.svelte';

  /** A box that says what a person dialling some digits gets, after how long, and why. */
  const system = $derived(theBusiness().system);
  const people = $derived(Object.values(system.people));
  const plan = $derived(dialPlanOf(system));
  let who = $state('');
  let typed = $state('');
  let from = $state('');
  const caller = $derived(system.people[who] ?? people[0]);
  /** Phones the person dials on; what an own mobile dials goes by its own provider. */
  const phones = $derived(
    Object.values(system.phones).filter((p) => !isLinked(p) && caller && accountsOn(p).includes(caller.id)),
  );
  const phone = $derived(phones.find((p) => p.id === from) ?? phones[0]);
  const emergency = $derived(emergencyFrom(system, theBusiness().paired, caller?.id ?? null, phone));
  const keys = $derived(typed.replace(/[\s().-]/g, ''));
  const odd = $derived([...keys].find((k) => !/[\d*#]/.test(k)));
  const dialled = $derived(
    keys && !odd
      ? handDialled(
          keys,
          { ...system.business, emergency },
          (e) => plan.index.owner(e) !== undefined,
          plan.map,
        )
      : null,
  );
  const profile = $derived(profileOf(system.business.country));
  const clashes = $derived(dialClashes(system.business));
  /** Own people, an outside number of the country, help, and a star code in front. */
  const examples = $derived.by(() => {
    const { outsideDigit, starCodes, country } = system.business;
    const range = profile.fiction[0];
    const national = range ? writeNumber(numbersOf(range)[7]!, country).replace(/\D/g, '') : '';
    const outside = national && outsideDigit + national;
    return [
      people[0]?.extension,
      outside,
      emergency[0],
      outside && starCodes[0] && starCodes[0].code + outside,
    ].filter((e): e is string => Boolean(e));
  });

  function placed({ place, elsewhere }: Help): string {
    const address = addressOfHelp(system, place);
    if (!place) return 'with no address: this person has no site';
    const line = (address && addressLine(address)) || 'none yet';
    const names = {
      phone: 'this phone',
      site: system.sites[place.id]?.name,
      number: system.numbers[place.id]?.label,
    };
    return elsewhere
      ? `told that its place is not known, with the address of the business (${line})`
      : `with the address of ${names[place.kind]} (${line})`;
  }
  function gets(got: Dialled): string {
    switch (got.kind) {
      case 'emergency': {
        const help = helpFor(system, theBusiness().paired, caller?.id ?? null, theBusiness().now, phone);
        const { notify } = (help.siteId && system.sites[help.siteId]) || { notify: null };
        const told = notify?.personIds.map((id) => system.people[id]?.name).filter((n) => n !== undefined);
        return [
          `Emergency call to ${got.number}, ${placed(help)}`,
          help.callback ? `they ring back ${theBusiness().number(help.callback)}` : 'they cannot ring back',
          told?.length ? `${listed(told)} told at once` : 'nobody is told',
        ]
          .join('; ')
          .concat('.');
      }
      case 'extension':
        return `Extension ${got.extension}: ${plan.index.owner(got.extension)?.who}.`;
      case 'service':
        return `Outside call to the service ${got.number}.`;
      case 'feature':
        return `${got.does[0]!.toUpperCase()}${got.does.slice(1)}${got.to ? `: calls go to ${got.to.kind === 'outside' ? theBusiness().number(got.to.e164) : plan.index.owner(got.to.extension)?.who}` : ''}.`;
      case 'outside': {
        const number = Object.values(system.numbers).find((n) => n.e164 === got.e164);
        const shown = got.callerId === 'hidden' ? null : shownBy(system, caller?.id ?? null);
        return `Outside call to ${theBusiness().number(got.e164)}${number ? `, which is your own ${number.label}` : ''}. They see ${shownInWords(shown, system)}.`;
      }
      case 'nothing':
        return got.message;
    }
  }
</script>

<div class="card">
  <h2>What dialling gets</h2>
  <div class="ask">
    <Select labelText="Who dials" selected={caller?.id ?? ''} on:update={(e) => (who = String(e.detail))}>
      {#each people as p (p.id)}<SelectItem value={p.id} text={p.name} />{:else}<SelectItem
          value=""
          text="somebody at a desk phone"
        />{/each}
    </Select>
    {#if phones.length}
      <Select
        labelText="On which phone"
        selected={phone?.id ?? ''}
        on:update={(e) => (from = String(e.detail))}
      >
        {#each phones as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
      </Select>
    {/if}
    <TextInput
      labelText="Digits, one after the other"
      type="tel"
      bind:value={typed}
      invalid={odd !== undefined}
      invalidText="A desk phone has no key “{odd}”. Use digits, * and #."
    />
  </div>
  <p class="small soft">
    Try
    {#each examples as e (e)}<button class="linkish example" type="button" onclick={() => (typed = e)}
        >{e}</button
      >{/each}
  </p>
  {#if dialled}
    <div class="result" role="status">
      <p class="gets" class:bad={dialled.got.kind === 'nothing'}>{gets(dialled.got)}</p>
      <p>
        {dialled.after ? `After ${dialled.after} s` : 'At once'}{dialled.sent &&
        dialled.got.kind !== 'nothing'
          ? `, ${dialled.sent.length} keys: ${dialled.sent}`
          : ''}{dialled.unheard ? `; ${dialled.unheard} comes too late and is not heard` : ''}.
      </p>
      <p class="soft">{dialled.why}</p>
    </div>
  {/if}
  {#each clashes as c (c)}<p class="bad">{c} Choose another digit for an outside line.</p>{/each}
  <h3>The digit map desk phones get</h3>
  <div class="map">
    <dl>
      {#each plan.groups as group (group.what)}
        <dt>{group.what}</dt>
        <dd><code>{group.entries.join('|')}</code></dd>
      {/each}
    </dl>
    <CopyButton text={plan.map.toString()} iconDescription="Copy the digit map" />
  </div>
  <p class="small soft">
    One map, copied as a whole. RFC 3435: x is any digit, [2-8] one of a range, a dot repeats what is before
    it, and T waits {system.business.digitSeconds} s for another digit.
  </p>
</div>

<style>
  .ask {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(190px, 1fr));
    gap: 14px;
  }
  .example {
    margin-right: 12px;
  }
  p {
    margin: 6px 0 0;
  }
  .result {
    border-left: 3px solid var(--copper);
    padding-left: 12px;
    margin: 12px 0;
  }
  .gets {
    font-size: var(--text-title);
    font-weight: 600;
  }
  .bad {
    color: var(--alarm);
  }
  h3 {
    margin-top: 16px;
  }
  .map {
    display: flex;
    align-items: start;
    justify-content: space-between;
    gap: 8px;
    background: var(--paper);
    padding: 8px 10px;
  }
  dl {
    display: grid;
    grid-template-columns: 118px minmax(0, 1fr);
    gap: 4px 12px;
    margin: 0;
  }
  dt {
    color: var(--ink-soft);
    font-size: var(--text-body);
  }
  dd {
    margin: 0;
  }
  code {
    overflow-wrap: anywhere;
    font-size: var(--text-body);
  }
</style>
