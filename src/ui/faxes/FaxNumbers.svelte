<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import SelectItem from '../fields/SelectItem.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** Which numbers take faxes, and into which mailbox they come. */
  const system = $derived(theBusiness().system);
  const numbers = $derived(Object.values(system.numbers));
  const mailboxes = $derived(Object.values(system.mailboxes));
  const taking = $derived(numbers.filter((n) => n.faxMailboxId).length);
</script>

<details>
  <summary>Numbers that take faxes ({taking})</summary>
  <p class="soft small">
    A fax machine that calls such a number is heard by its tone and leaves its pages; people who call it get
    its plan. It holds once it is in force.
  </p>
  {#each numbers as n (n.id)}
    <Select
      size="sm"
      labelText="Faxes to {n.label} come to"
      selected={n.faxMailboxId ?? ''}
      on:update={(e) => {
        const id = String(e.detail) || null;
        if (id !== (n.faxMailboxId ?? null))
          theBusiness().edit(`Faxes to ${n.label}`, [
            { do: 'number.set', id: n.id, change: { faxMailboxId: id } },
          ]);
      }}
    >
      <SelectItem value="" text="nobody: it takes none" />
      {#each mailboxes as m (m.id)}<SelectItem value={m.id} text={m.name} />{/each}
    </Select>
  {/each}
</details>

<style>
  details {
    margin-top: 18px;
  }
  summary {
    cursor: pointer;
    font-weight: 650;
    padding: 6px 0;
  }
</style>
