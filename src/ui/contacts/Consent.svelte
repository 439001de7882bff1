<script lang="ts">
  import type { Contact } from '$core/system';
  import EditField from '../fields/EditField.svelte';
  import WhenField from '../fields/WhenField.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** That somebody agreed to be texted: without it no text to many goes to them. */
  let {
    contact,
    set,
  }: {
    contact: Contact;
    set: (change: Partial<Omit<Contact, 'id'>>, words: string) => string | undefined;
  } = $props();
  const { consent } = $derived(contact);
  function keep(how: string): string | undefined {
    if (!how) return set({ consent: undefined }, 'has not agreed to be texted');
    return set({ consent: { on: consent?.on ?? theBusiness().today, how } }, 'agreed to be texted');
  }
</script>

<div class="two">
  <EditField
    label="Agreed to be texted, how"
    value={consent?.how ?? ''}
    placeholder="not said"
    helper="Without it no text to many goes to them."
    {keep}
  />
  {#if consent}
    <WhenField
      label="Agreed on"
      value={consent.on}
      onvalue={(on) => {
        if (on && on !== consent.on) set({ consent: { ...consent, on } }, 'when they agreed');
      }}
    />
  {/if}
</div>

<style>
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 12px;
    align-items: start;
  }
</style>
