<script lang="ts">
  import { Button, TextInput } from 'carbon-components-svelte';
  import { tick } from 'svelte';
  import { here } from '../window/session.svelte';

  /** A number that is nobody's becomes a contact, from wherever it stands. */
  let { number }: { number: string } = $props();
  let open = $state(false);
  let name = $state('');
  let problem = $state('');
  const id = $props.id();
  const whose = $derived(here().contactsAre);

  async function begin() {
    open = !open;
    await tick();
    document.getElementById(`${id}-name`)?.focus();
  }
  async function add(event: Event) {
    event.preventDefault();
    problem = (await here().deeds.keepContact(name, number)) ?? '';
    if (problem) return;
    open = false;
    name = '';
  }
</script>

<button class="linkish small" type="button" aria-expanded={open} onclick={() => void begin()}
  >Make a contact<span class="visually-hidden">&nbsp;of {here().number(number)}</span></button
>
{#if open}
  <form onsubmit={(e) => void add(e)}>
    <TextInput
      id="{id}-name"
      size="sm"
      labelText="Name of the contact, {whose}"
      bind:value={name}
      invalid={!!problem}
      invalidText={problem}
    />
    <Button size="small" type="submit">Add it</Button>
  </form>
{/if}

<style>
  form {
    flex-basis: 100%;
    display: grid;
    grid-template-columns: minmax(0, 260px) auto;
    gap: 8px;
    align-items: end;
    justify-content: start;
    margin: 6px 0;
  }
</style>
