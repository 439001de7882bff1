<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import { ADDRESS_KINDS, type AddressKind, type Contact } from '$core/system';
  import SelectItem from '../fields/SelectItem.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** What each number and address of a contact is for. */
  interface Props {
    contact: Contact;
    set: (kinds: Record<string, AddressKind> | undefined) => void;
  }
  let { contact, set }: Props = $props();
  const addresses = $derived([
    ...contact.numbers.map((n) => ({ address: n, shown: theBusiness().number(n) })),
    ...(contact.emails ?? []).map((e) => ({ address: e, shown: e })),
  ]);
  function choose(address: string, kind: string) {
    if (kind === (contact.kinds?.[address] ?? '')) return;
    // Of addresses that are gone nothing is kept.
    const known = addresses.flatMap(({ address: a }) => {
      const is = a === address ? (kind as AddressKind | '') : contact.kinds?.[a];
      return is ? [[a, is] as const] : [];
    });
    set(known.length ? Object.fromEntries(known) : undefined);
  }
</script>

{#if addresses.length}
  <ul aria-label="What they are for">
    {#each addresses as { address, shown } (address)}
      <li>
        <span class="small">{shown}</span>
        <Select
          size="sm"
          hideLabel
          labelText="What {shown} is for"
          selected={contact.kinds?.[address] ?? ''}
          on:update={(e) => choose(address, String(e.detail))}
        >
          <SelectItem value="" text="not said" />
          {#each ADDRESS_KINDS as kind (kind)}<SelectItem value={kind} text={kind} />{/each}
        </Select>
      </li>
    {/each}
  </ul>
{/if}

<style>
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
    display: grid;
    gap: 4px;
  }
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 130px;
    gap: 10px;
    align-items: center;
    overflow-wrap: anywhere;
  }
</style>
