<script lang="ts">
  import { Button, Select, TextInput } from 'carbon-components-svelte';
  import { readNumber } from '$core/numbering';
  import { newPhone, type Person } from '$core/system';
  import { freshId } from '../ids';
  import { session, theBusiness } from '../window/session.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  /** Links somebody's own mobile or landline. */
  let { person }: { person: Person } = $props();
  let open = $state(false);
  let kind = $state<'linked mobile' | 'linked landline'>('linked mobile');
  let number = $state('');
  let problem = $state('');

  function link(event: Event) {
    event.preventDefault();
    const { business } = theBusiness().system;
    const read = readNumber(number, business.country, business.outsideDigit);
    if (!read.ok) {
      problem = read.message;
      return;
    }
    const { e164, strippedDigit } = read.number;
    const own = Object.values(theBusiness().system.numbers).find((n) => n.e164 === e164);
    const twice = Object.values(theBusiness().system.phones).find((p) => p.number === e164);
    if (own || twice) {
      problem = own
        ? `That is your own ${own.label}: calls would come back to it.`
        : `${theBusiness().system.people[twice!.personId ?? '']?.name ?? 'Somebody'} has linked this phone already.`;
      return;
    }
    problem =
      theBusiness().keep(`Link ${theBusiness().number(e164)} for ${person.name}`, [
        {
          do: 'phone.add',
          value: newPhone({
            id: freshId('phone'),
            name: kind === 'linked mobile' ? 'Own mobile' : 'Own landline',
            kind,
            personId: person.id,
            number: e164,
          }),
        },
      ]) ?? '';
    if (problem) return;
    if (strippedDigit)
      session.say({
        kind: 'info',
        title: `The ${strippedDigit} for an outside line was taken off: the system dials it by itself.`,
      });
    open = false;
    number = '';
  }
</script>

{#if open}
  <form onsubmit={link}>
    <Select size="sm" labelText="Kind of phone" bind:selected={kind}>
      <SelectItem value="linked mobile" text="a mobile" />
      <SelectItem value="linked landline" text="a landline" />
    </Select>
    <TextInput
      size="sm"
      labelText="Its number"
      type="tel"
      bind:value={number}
      invalid={!!problem}
      invalidText={problem}
    />
    <div class="row">
      <Button size="small" type="submit">Link it</Button>
      <Button size="small" kind="ghost" on:click={() => (open = false)}>Not now</Button>
    </div>
  </form>
{:else}
  <Button kind="ghost" size="small" on:click={() => (open = true)}>Link an outside phone</Button>
{/if}

<style>
  form {
    display: grid;
    gap: 10px;
    padding: 10px 0;
  }
  .row {
    display: flex;
    gap: 8px;
  }
</style>
