<script lang="ts">
  import { Button, Search, Select } from 'carbon-components-svelte';
  import { accountsOn, type Person, type Phone } from '$core/system';
  import { agoText, count } from '../format';
  import Dot from '../drawn/Dot.svelte';
  import { Remembered } from '../remembered.svelte';
  import { theBusiness } from '../window/session.svelte';
  import { inviteAllText, isInvited, sendInvitations } from './invite';
  import Held from '../holding/Held.svelte';
  import InviteButton from './InviteButton.svelte';
  import { whereItStands, type Where } from './where';
  import SelectItem from '../fields/SelectItem.svelte';

  /** Every phone by person: how far it has come, from where it is used, what is wrong and what to do. */
  interface Row {
    key: string;
    phone: Phone;
    person: Person | undefined;
    where: Where;
  }
  const FILTERS = {
    all: 'every phone',
    problem: 'only those with a problem',
    unpaired: 'only those not paired',
    outside: 'only those used outside',
  } as const;
  type Filter = keyof typeof FILTERS;
  const MOST = 200;

  const system = $derived(theBusiness().system);
  const asked = new Remembered<{ query: string; filter: Filter }>(
    `phones:${theBusiness().view.business.id}`,
    {
      query: '',
      filter: 'all',
    },
  );
  const all = $derived(
    Object.values(system.phones)
      .flatMap((phone): Row[] => {
        const owners = accountsOn(phone);
        return (owners.length ? owners : [null]).map((id) => ({
          key: `${phone.id}/${id}`,
          phone,
          person: id ? system.people[id] : undefined,
          where: whereItStands(phone, id, theBusiness().known),
        }));
      })
      .sort(
        (a, b) =>
          Number(!!b.where.problem) - Number(!!a.where.problem) ||
          (a.person?.extension ?? '').localeCompare(b.person?.extension ?? ''),
      ),
  );
  const words = $derived(asked.value.query.toLowerCase().split(/\s+/).filter(Boolean));
  const rows = $derived(
    all.filter(({ phone, person, where }) => {
      const { filter } = asked.value;
      if (filter === 'problem' && !where.problem) return false;
      if (filter === 'unpaired' && where.stage !== 'invited' && where.stage !== 'not invited') return false;
      if (filter === 'outside' && where.place !== 'outside') return false;
      const text =
        `${person?.name ?? 'shared'}\n${person?.extension ?? ''}\n${phone.name}\n${where.words}`.toLowerCase();
      return words.every((w) => text.includes(w));
    }),
  );
  const uninvited = $derived(
    all.flatMap(({ phone, person, where }) =>
      person && isInvited(phone.kind) && where.unpaired && where.stage === 'not invited'
        ? [{ person, phone }]
        : [],
    ),
  );
  const ready = $derived(all.filter((r) => r.where.on).length);
  let busy = $state(false);
  async function inviteAll() {
    busy = true;
    await sendInvitations(uninvited);
    busy = false;
  }
</script>

<div class="tools">
  <Search
    size="sm"
    labelText="Filter phones"
    placeholder="A person, extension or kind"
    value={asked.value.query}
    on:input={(e) => (asked.value = { ...asked.value, query: (e.target as HTMLInputElement).value })}
    on:clear={() => (asked.value = { ...asked.value, query: '' })}
  />
  <Select
    size="sm"
    hideLabel
    labelText="Which phones"
    selected={asked.value.filter}
    on:update={(e) => (asked.value = { ...asked.value, filter: e.detail as Filter })}
  >
    {#each Object.entries(FILTERS) as [value, text] (value)}<SelectItem {value} {text} />{/each}
  </Select>
  <span class="soft small" role="status" data-testid="phones-ready"
    >{ready} of {count(all.length, 'account')} can ring now</span
  >
  {#if uninvited.length}
    <Button size="small" disabled={busy} on:click={() => void inviteAll()}
      >{busy ? 'Sending…' : inviteAllText(uninvited.length)}</Button
    >
  {/if}
</div>
<table class="list">
  <thead>
    <tr
      ><th scope="col">Person</th><th scope="col">Phone</th><th scope="col">Stands</th><th scope="col"
        >Last seen</th
      ><th scope="col">From</th><th scope="col">Problem, and what to do</th><th scope="col"
        ><span class="visually-hidden">Invitation</span></th
      ></tr
    >
  </thead>
  <tbody>
    {#each rows.slice(0, MOST) as { key, phone, person, where } (key)}
      {@const version = where.version}
      <tr>
        <td
          >{#if person}<a href="/people/{person.id}">{person.name}</a>
            <span class="soft">{person.extension}</span>{:else}shared{/if}</td
        >
        <td
          ><a href="/phones/{phone.id}">{phone.name}</a>{#if version}<br /><span class="soft small"
              >{version}</span
            >{/if}{#if phone.number}<br /><span class="soft small">{theBusiness().number(phone.number)}</span
            >{/if}</td
        >
        <td
          ><Dot
            kind={where.on ? 'on' : where.unpaired || where.stage === 'invited' ? 'waiting' : 'off'}
          />{where.words}<Held personId={person?.id ?? null} phoneId={phone.id} /></td
        >
        <td class="soft">{where.lastSeen === null ? '–' : agoText(where.lastSeen, theBusiness().now)}</td>
        <td>{where.place || '–'}</td>
        <td class:problem={where.problem}
          >{#if where.problem}<b>{where.problem}.</b> {where.todo}{:else}–{/if}</td
        >
        <td
          >{#if where.unpaired && person && isInvited(phone.kind)}<InviteButton {person} {phone} />{/if}</td
        >
      </tr>
    {:else}
      <tr><td colspan="7" class="soft">No phone is so.</td></tr>
    {/each}
  </tbody>
</table>
{#if rows.length > MOST}<p class="soft small">
    and {(rows.length - MOST).toLocaleString('en-US')} more: filter to see them.
  </p>{/if}

<style>
  .tools {
    display: flex;
    gap: 14px;
    align-items: center;
    margin-bottom: 10px;
  }
  .tools > :global(.bx--search) {
    max-width: 240px;
  }
  .tools > :global(.bx--form-item) {
    flex: 0 0 210px;
  }
  .tools > :global(.bx--btn) {
    margin-left: auto;
  }
  td {
    vertical-align: top;
  }
  td a {
    color: var(--ink);
  }
  .problem {
    color: var(--alarm);
    font-size: var(--text-body);
    min-width: 200px;
  }
</style>
