<script lang="ts">
  import { Button, Select, Toggle } from 'carbon-components-svelte';
  import { newPhone, PHONE_NAMES, type Person, type PhoneKind } from '$core/system';
  import { freshId } from '../ids';
  import { theBusiness } from '../window/session.svelte';
  import { outsideConsequence } from './outside';
  import SelectItem from '../fields/SelectItem.svelte';

  /** Gives somebody one of the system's own phones; whether it may be used outside is asked, with what follows. */
  let { person }: { person: Person } = $props();
  const KINDS: PhoneKind[] = ['browser', 'computer', 'mobile app', 'desk'];
  let open = $state(false);
  let kind = $state<PhoneKind>('mobile app');
  let outside = $state(true);

  function add(event: Event) {
    event.preventDefault();
    theBusiness().edit(`Give ${person.name} a ${PHONE_NAMES[kind].toLowerCase()}`, [
      {
        do: 'phone.add',
        value: newPhone({
          id: freshId('phone'),
          name: PHONE_NAMES[kind],
          kind,
          personId: person.id,
          outsideOffice: outside,
        }),
      },
    ]);
    open = false;
  }
</script>

{#if open}
  <form onsubmit={add}>
    <Select
      size="sm"
      labelText="Kind of phone"
      selected={kind}
      on:update={(e) => {
        if (e.detail === kind) return;
        kind = e.detail as PhoneKind;
        outside = kind === 'mobile app';
      }}
    >
      {#each KINDS as k (k)}<SelectItem value={k} text={PHONE_NAMES[k]} />{/each}
    </Select>
    <Toggle
      size="sm"
      labelText="Used outside the office"
      labelA="no"
      labelB="yes"
      toggled={outside}
      on:toggle={(e) => (outside = e.detail.toggled)}
    />
    <p class="small soft">{outsideConsequence(kind, outside, theBusiness().system)}</p>
    <div class="row">
      <Button size="small" type="submit">Add it</Button>
      <Button size="small" kind="ghost" on:click={() => (open = false)}>Not now</Button>
    </div>
  </form>
{:else}
  <Button kind="ghost" size="small" on:click={() => (open = true)}>Add a phone</Button>
{/if}

<style>
  form {
    display: grid;
    gap: 10px;
    padding: 10px 0;
  }
  p {
    margin: 0;
  }
  .row {
    display: flex;
    gap: 8px;
  }
</style>
