<script lang="ts">
  import { Select, Toggle } from 'carbon-components-svelte';
  import { accountsOn, isLinked, isOn, type Person, type System } from '$core/system';
  import Origin from './Origin.svelte';
  import type { Send } from './settings.svelte';
  import UntilField from './UntilField.svelte';
  import { here } from '../window/session.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  /** Each phone of somebody, switched off and on one by one; what a linked phone shows and asks. */
  let { person, system, send }: { person: Person; system: System; send: Send } = $props();
  const phones = $derived(Object.values(system.phones).filter((p) => accountsOn(p).includes(person.id)));
  const resting = $derived(here().standing.resting ?? {});
  const own = $derived(here().standing.own?.phones ?? {});
  const rings = (id: string) => !isOn(resting[id], here().minute);
  const left = $derived(phones.filter((p) => rings(p.id)).length);
</script>

<div class="card">
  <h2>Phones, one by one</h2>
  {#each phones as phone (phone.id)}
    <section aria-label={phone.name}>
      <Toggle
        size="sm"
        labelText={phone.name + (isLinked(phone) ? ` · ${here().number(phone.number)}` : '')}
        labelA={isLinked(phone) ? 'switched off: it is not dialled' : 'not to be disturbed here'}
        labelB="rings"
        toggled={rings(phone.id)}
        on:toggle={(e) =>
          e.detail.toggled !== rings(phone.id) &&
          void send(`${phone.name} of ${person.name} ${e.detail.toggled ? 'rings again' : 'does not ring'}`, [
            { kind: 'resting', phoneId: phone.id, on: !e.detail.toggled, until: null },
          ])}
      />
      {#if !rings(phone.id)}
        <UntilField
          label="{phone.name}: off until"
          until={resting[phone.id]?.until ?? null}
          onchange={(until) =>
            void send(`${phone.name} of ${person.name} does not ring`, [
              { kind: 'resting', phoneId: phone.id, on: true, until },
            ])}
        />
        <Origin stamp={resting[phone.id]} />
      {/if}
      {#if isLinked(phone)}
        <div class="linked">
          <Select
            size="sm"
            labelText="It shows"
            selected={phone.shows ?? 'caller'}
            on:update={(e) =>
              e.detail !== (phone.shows ?? 'caller') &&
              void send(`${phone.name} shows ${e.detail === 'caller' ? 'the caller' : 'the number called'}`, [
                { kind: 'phone', phoneId: phone.id, values: { shows: e.detail as 'caller' } },
              ])}
          >
            <SelectItem value="caller" text="the caller’s number" />
            <SelectItem value="number called" text="the business’s number: a call for work" />
          </Select>
          <Toggle
            size="sm"
            labelText="Press 1 to take a call"
            labelA="no: its own voicemail can take it"
            labelB="yes: its own voicemail is kept out"
            toggled={phone.confirmByKey}
            on:toggle={(e) =>
              e.detail.toggled !== phone.confirmByKey &&
              void send(`${phone.name} ${e.detail.toggled ? 'asks for a key' : 'asks for no key'}`, [
                { kind: 'phone', phoneId: phone.id, values: { confirmByKey: e.detail.toggled } },
              ])}
          />
          <Origin stamp={own[phone.id]?.shows ?? own[phone.id]?.confirmByKey} />
        </div>
      {/if}
    </section>
  {:else}<p class="soft">No phone yet.</p>{/each}
  {#if phones.length && !left}<p class="warn" role="status">
      No phone is left that rings: a call goes on at once, as the chart above shows.
    </p>{/if}
</div>

<style>
  section {
    padding: 6px 0 10px;
    border-bottom: 1px solid var(--rule);
  }
  .linked {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 6px 14px;
    margin-top: 6px;
    padding-left: 12px;
    border-left: 3px solid var(--rule);
  }
  @media (max-width: 600px) {
    .linked {
      grid-template-columns: minmax(0, 1fr);
    }
  }
  .warn {
    color: var(--alarm);
  }
</style>
