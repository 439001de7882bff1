<script lang="ts">
  import { Button, Select, Toggle } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import {
    accountId,
    accountsOn,
    ALERT_DELAY,
    isLinked,
    Transport,
    type Codec,
    type Phone,
  } from '$core/system';
  import type { AccountDetails } from '$standins/registrar/accounts';
  import { accountsOf, signOut } from '$workspace';
  import EditField from '../fields/EditField.svelte';
  import { momentText } from '../format';
  import { session, theBusiness } from '../window/session.svelte';
  import AccountCards from './AccountCards.svelte';
  import { makeThem } from './accounts';
  import { isInvited } from './invite';
  import InviteButton from './InviteButton.svelte';
  import KeyDrawing from './KeyDrawing.svelte';
  import LinesOnIt from './LinesOnIt.svelte';
  import LinkedPhone from './LinkedPhone.svelte';
  import MessageLight from './MessageLight.svelte';
  import { outsideConsequence } from './outside';
  import { whereItStands } from './where';
  import SelectItem from '../fields/SelectItem.svelte';

  let { phone }: { phone: Phone } = $props();
  const id = untrack(() => phone.id);
  const system = $derived(theBusiness().system);
  const person = $derived(phone.personId ? system.people[phone.personId] : undefined);
  const desk = $derived(phone.kind === 'desk');
  const linked = $derived(isLinked(phone));
  const owners = $derived<(string | null)[]>(accountsOn(phone).length ? accountsOn(phone) : [null]);
  let shown = $state.raw<AccountDetails[]>([]);
  const keep = (words: string, change: Partial<Omit<Phone, 'id'>>) =>
    system.phones[id] ? theBusiness().keep(words, [{ do: 'phone.set', id, change }]) : undefined;
  const accountOf = (owner: string | null) => theBusiness().standing.accounts[accountId(phone, owner)];
  const addable = $derived(
    Object.values(system.people)
      .filter((p) => !accountsOn(phone).includes(p.id))
      .sort((a, b) => a.name.localeCompare(b.name)),
  );
  const missing = $derived(owners.filter((o) => !accountOf(o)));

  async function make(wanted: (string | null)[]) {
    const made = await makeThem(wanted.map((personId) => ({ phone, personId })));
    const others = shown.filter((s) => !made.some((m) => m.account === s.account));
    shown = [...others, ...made];
  }
  function moveCodec(i: number, by: number) {
    const codecs = [...phone.codecs];
    const [one] = codecs.splice(i, 1);
    codecs.splice(i + by, 0, one as Codec);
    void keep(`Change the codecs of ${phone.name.toLowerCase()}`, { codecs });
  }
  const CODEC_WORDS: Record<Codec, string> = {
    opus: 'Opus, wide speech',
    G722: 'G.722, wide speech',
    PCMU: 'G.711 µ-law, every phone',
    PCMA: 'G.711 A-law, every phone',
  };
  async function remove() {
    theBusiness().edit(
      `Remove ${phone.name.toLowerCase()} of ${person?.name ?? 'nobody'}`,
      [{ do: 'phone.remove', id }],
      {
        withNotice: true,
      },
    );
    await goto('/phones');
  }
  async function off() {
    await signOut(theBusiness().workspace, accountsOf(phone));
    session.say({ kind: 'info', title: `${phone.name} is signed out`, detail: 'It can be paired again.' });
  }
  const registered = $derived(accountsOf(phone).some((a) => theBusiness().standing.registrations[a]));
</script>

<h1>{phone.name}{person ? ` of ${person.name}` : ''}</h1>
<p class="sub">
  {#if person}<a href="/people/{person.id}">{person.name}</a>, extension {person.extension}{:else}Shared: it
    belongs to nobody{/if}
</p>
{#if shown.length}<AccountCards accounts={shown} done={() => (shown = [])} />{/if}
<div class="halves" class:below={shown.length}>
  <section>
    <div class="card">
      <h2>Where it stands</h2>
      {#each owners as owner (owner)}
        {@const where = whereItStands(phone, owner, theBusiness().known)}
        <div class="stands">
          <p>
            {#if owners.length > 1}<b>{system.people[owner ?? '']?.name}:</b
              >&nbsp;{/if}{where.words}{where.place ? ` · ${where.place}` : ''}{where.version
              ? ` · ${where.version}`
              : ''}
            {#if where.problem}<br /><span class="warn">{where.problem}. {where.todo}</span>{/if}
          </p>
          {#if where.unpaired && person && isInvited(phone.kind)}<InviteButton {person} {phone} />{/if}
        </div>
      {/each}
      {#if linked}{#key id}<LinkedPhone {phone} />{/key}{:else}<MessageLight {phone} details={desk} />{/if}
    </div>
    <div class="card fields">
      <h2>This phone</h2>
      <EditField label="Name" value={phone.name} keep={(name) => keep(`Rename ${phone.name}`, { name })} />
      {#if !linked}
        <div>
          <Toggle
            size="sm"
            labelText="Used outside the office"
            labelA="not allowed"
            labelB="allowed"
            toggled={phone.outsideOffice}
            on:toggle={(e) =>
              e.detail.toggled !== phone.outsideOffice &&
              keep(`${e.detail.toggled ? 'Allow' : 'Do not allow'} ${phone.name.toLowerCase()} outside`, {
                outsideOffice: e.detail.toggled,
              })}
          />
          <p class="small soft">{outsideConsequence(phone.kind, phone.outsideOffice, system)}</p>
        </div>
      {/if}
      <EditField
        label="Seconds until it sounds"
        value={phone.alertDelay === null ? '' : String(phone.alertDelay)}
        placeholder="{ALERT_DELAY[phone.kind]}, as usual for its kind"
        keep={(text) =>
          text && !/^\d{1,2}$/.test(text)
            ? 'Whole seconds, 0 to 30.'
            : keep(`Change when ${phone.name.toLowerCase()} sounds`, {
                alertDelay: text ? Number(text) : null,
              })}
      />
      <div class="row">
        {#if registered}<Button size="small" kind="tertiary" on:click={() => void off()}>Sign it out</Button
          >{/if}
        <Button size="small" kind="ghost" on:click={() => void remove()}>Remove it</Button>
      </div>
    </div>
  </section>
  <section>
    {#if !linked}<LinesOnIt {phone} {system} {keep} />{/if}
    {#if desk}
      <div class="card">
        <h2>Account{owners.length > 1 ? 's' : ''}</h2>
        {#each owners as owner (owner)}
          {@const account = accountOf(owner)}
          <div class="stands">
            <p>
              <b>{system.people[owner ?? '']?.name ?? phone.name}</b><br />
              {#if account}<span class="soft"
                  >user {account.user} · password made {momentText(account.madeAt, theBusiness().zone)}</span
                >{#if account.lockedUntil !== null && theBusiness().now < account.lockedUntil}<br /><span
                    class="warn">locked until {momentText(account.lockedUntil, theBusiness().zone)}</span
                  >{/if}{:else}<span class="warn">no account yet: nothing can sign on</span>{/if}
            </p>
            {#if account}<Button size="small" kind="tertiary" on:click={() => void make([owner])}
                >New password<span class="visually-hidden"
                  >&nbsp;for {system.people[owner ?? '']?.name ?? phone.name}</span
                ></Button
              >{/if}
          </div>
        {/each}
        {#if missing.length}<Button size="small" on:click={() => void make(missing)}
            >Make {missing.length > 1 ? `${missing.length} accounts` : 'its account'}</Button
          >{/if}
        <p class="small soft">
          Any phone that speaks SIP can sign on with the details. A new password puts the phone off within ten
          minutes unless it is entered there.
        </p>
        <div class="two">
          <Select
            size="sm"
            labelText="Transport"
            selected={phone.transport}
            helperText={phone.transport === 'tls'
              ? 'Nobody on the way can read it.'
              : 'Can be read on the way.'}
            on:update={(e) =>
              e.detail !== phone.transport &&
              keep(`Change the transport of ${phone.name.toLowerCase()}`, {
                transport: Transport.parse(e.detail),
              })}
          >
            {#each Transport.options as t (t)}<SelectItem value={t} text={t.toUpperCase()} />{/each}
          </Select>
          <div>
            <p class="bx--label">Codecs, in order</p>
            <ol>
              {#each phone.codecs as codec, i (codec)}
                <li>
                  {CODEC_WORDS[codec]}
                  {#if i > 0}<button class="linkish small" type="button" onclick={() => moveCodec(i, -1)}
                      >up<span class="visually-hidden">&nbsp;{codec}</span></button
                    >{/if}
                </li>
              {/each}
            </ol>
          </div>
        </div>
      </div>
      <div class="card">
        <h2>Keys</h2>
        <KeyDrawing {phone} {system} />
        <div class="keys">
          <EditField
            label="First key{person ? `: ${person.name}` : ''}"
            value={phone.label}
            placeholder={person?.extension ?? ''}
            keep={(label) => keep(`Label a key of ${phone.name.toLowerCase()}`, { label })}
          />
          {#each phone.keys as key, i (key.personId)}
            <EditField
              label="Key {i + 2}: {system.people[key.personId]?.name ?? ''}"
              value={key.label}
              placeholder={system.people[key.personId]?.extension ?? ''}
              keep={(label) =>
                keep(`Label a key of ${phone.name.toLowerCase()}`, {
                  keys: phone.keys.map((k) => (k.personId === key.personId ? { ...k, label } : k)),
                })}
            />
            <button
              class="linkish small"
              type="button"
              onclick={() =>
                void keep(`Take a key off ${phone.name.toLowerCase()}`, {
                  keys: phone.keys.filter((k) => k !== key),
                })}
              >Take off<span class="visually-hidden">&nbsp;{system.people[key.personId]?.name}</span></button
            >
          {/each}
        </div>
        <Select
          size="sm"
          hideLabel
          labelText="Add a key for"
          selected=""
          on:update={(e) => {
            if (e.detail)
              void keep(`Add a key to ${phone.name.toLowerCase()}`, {
                keys: [...phone.keys, { personId: String(e.detail), label: '' }],
              });
          }}
        >
          <SelectItem value="" text="add a key for somebody or a room…" />
          {#each addable as p (p.id)}<SelectItem value={p.id} text="{p.name} · {p.extension}" />{/each}
        </Select>
        <p class="small soft">Each key is an account of its own: calls to any of them ring this phone.</p>
      </div>
    {/if}
  </section>
</div>

<style>
  .halves {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr);
    gap: 0 22px;
  }
  .below {
    margin-top: 18px;
  }
  .stands {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 12px;
    border-bottom: 1px solid var(--rule);
    padding: 4px 0 8px;
    margin-bottom: 8px;
  }
  .stands p {
    margin: 0;
  }
  .warn {
    color: var(--alarm);
  }
  .row {
    display: flex;
    gap: 8px;
  }
  .two {
    display: grid;
    grid-template-columns: 1fr 1.4fr;
    gap: 16px;
  }
  ol {
    list-style: decimal;
    margin: 0;
    padding-left: 20px;
    font-size: var(--text-body);
  }
  .keys {
    display: grid;
    gap: 8px;
    margin: 12px 0;
  }
  @media print {
    .halves {
      display: none;
    }
  }
</style>
