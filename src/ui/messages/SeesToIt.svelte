<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import SelectItem from '../fields/SelectItem.svelte';
  import { here } from '../window/session.svelte';

  /** Who sees to something, and giving it to somebody. */
  interface Props {
    /** Undefined is nobody in particular. */
    personId: string | undefined;
    /** What it is, for who hears the page. */
    about: string;
    /** @param personId empty is nobody in particular */
    ongive: (personId: string) => void;
  }
  let { personId, about, ongive }: Props = $props();
  /** The field is drawn when it is wanted: a list of fields takes long to draw with every key of a search. */
  let open = $state(false);
  const people = $derived(Object.values(here().system.people ?? {}).filter((p) => p.role !== 'shared room'));
</script>

{#if open}
  <Select
    size="sm"
    inline
    hideLabel
    labelText="Who sees to {about}"
    selected={personId ?? ''}
    on:update={(e) => {
      if (e.detail === (personId ?? '')) return;
      open = false;
      ongive(String(e.detail));
    }}
  >
    <SelectItem value="" text="nobody in particular" />
    {#each people as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
  </Select>
{:else}
  <button class="linkish small" type="button" onclick={() => (open = true)}
    >{personId ? `${here().system.people[personId]?.name ?? 'somebody'} sees to it` : 'Give it to…'}<span
      class="visually-hidden">&nbsp;({about})</span
    ></button
  >
{/if}
