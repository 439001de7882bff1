<script lang="ts">
  import { Button, Select } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import { addDays } from '$core/hours';
  import { leavingCommands, leftBehind } from '$core/people';
  import type { Person } from '$core/system';
  import { withdraw } from '$workspace';
  import { count, dateText } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import SelectItem from '../fields/SelectItem.svelte';
  import WhenField from '../fields/WhenField.svelte';

  /** Somebody leaves: all that rang them and that they looked after is handed on, in one edit. */
  let { person }: { person: Person } = $props();
  const id = untrack(() => person.id);
  const system = $derived(theBusiness().system);
  const others = $derived(
    Object.values(system.people)
      .filter((p) => p.id !== id)
      .sort((a, b) => a.name.localeCompare(b.name)),
  );
  const own = $derived(theBusiness().standing.own);
  const items = $derived(leftBehind(system, id, own));
  const phones = $derived(Object.values(system.phones).filter((p) => p.personId === id));
  const messages = $derived(
    theBusiness().view.messages.filter((m) => m.mailboxId === person.mailboxId).length,
  );

  let everything = $state('');
  let heirs = $state<Record<string, string>>({});
  let mailboxTo = $state('');
  let extensionTo = $state('');
  let until = $state(untrack(() => addDays(theBusiness().today, 90)));
  let problem = $state('');
  let form = $state<HTMLFormElement>();
  const heirOf = (key: string) => heirs[key] ?? everything;
  const empty = $derived(items.filter((i) => i.alone && !heirOf(i.key)));

  async function leave() {
    if (extensionTo && (!/^\d{4}-\d{2}-\d{2}$/.test(until) || until < theBusiness().today)) {
      problem = `Write a day from today on, such as ${dateText(addDays(theBusiness().today, 90))}.`;
      return;
    }
    const handover = {
      heirs: Object.fromEntries(items.map((i) => [i.key, heirOf(i.key) || null])),
      mailboxTo: mailboxTo || null,
      extensionTo: extensionTo ? { personId: extensionTo, until } : null,
    };
    const commands = leavingCommands(system, id, handover, own);
    const result = theBusiness().edit(`${person.name} leaves`, commands, { quiet: true, withNotice: true });
    if (!result.ok) {
      problem = result.problems.map((p) => p.message).join(' ');
      return;
    }
    await withdraw(
      theBusiness().workspace,
      phones.map((p) => p.id),
    );
    await goto('/people');
  }
</script>

<h1>{person.name} leaves</h1>
<p class="sub">
  Everything that rang them is handed on at once, and can be undone. Callers get it when it is in force; their
  phones ring until then, and stay signed on until what goes in force after that, so that all of it can be
  undone.
</p>
<div class="columns">
  <section>
    <div class="card">
      <div class="row head">
        <h2>{items.length ? `${count(items.length, 'thing')} to hand on` : 'Nothing rings them'}</h2>
        {#if items.length}
          <Select size="sm" hideLabel labelText="Hand everything to" bind:selected={everything}>
            <SelectItem value="" text="nobody gets everything" />
            {#each others as p (p.id)}<SelectItem value={p.id} text="everything to {p.name}" />{/each}
          </Select>
        {/if}
      </div>
      <ul aria-label="To hand on">
        {#each items as item (item.key)}
          <li>
            <span
              >{item.words}{#if item.alone && !heirOf(item.key)}<em> nobody is left there</em>{/if}</span
            >
            <Select
              size="sm"
              hideLabel
              labelText="Who gets: {item.words}"
              selected={heirOf(item.key)}
              on:update={(e) => (heirs[item.key] = String(e.detail))}
            >
              <SelectItem value="" text="nobody" />
              {#each others as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
            </Select>
          </li>
        {/each}
      </ul>
    </div>
  </section>
  <aside>
    <!-- Enter in a field sends nobody away: only the button does. -->
    <form class="card fields" bind:this={form} onsubmit={(e) => e.preventDefault()}>
      <h2>What was theirs</h2>
      {#if person.mailboxId}
        <Select
          size="sm"
          labelText="Mailbox {system.mailboxes[person.mailboxId]?.name ?? ''}"
          helperText="{count(messages, 'message')} in it. Kept, it stays where plans use it."
          bind:selected={mailboxTo}
        >
          <SelectItem value="" text="kept, nobody hears it" />
          {#each others as p (p.id)}<SelectItem value={p.id} text="passed on to {p.name}" />{/each}
        </Select>
      {/if}
      <Select size="sm" labelText="Extension {person.extension}" bind:selected={extensionTo}>
        <SelectItem value="" text="is free again" />
        {#each others as p (p.id)}<SelectItem value={p.id} text="leads to {p.name} for a time" />{/each}
      </Select>
      {#if extensionTo}
        <WhenField label="Until" bind:value={until} {problem} />
      {/if}
      <p class="small">
        {phones.length
          ? `${phones.map((p) => p.name).join(', ')}: removed with them.`
          : 'They have no phones.'}
      </p>
      {#if empty.length}<p class="small warn">
          {count(empty.length, 'thing')} will have nobody; the checks will say so.
        </p>{/if}
      {#if problem && !extensionTo}<p class="small warn" role="alert">{problem}</p>{/if}
      <Button kind="danger" size="field" on:click={() => form?.reportValidity() && void leave()}
        >{person.name} leaves</Button
      >
      <a class="small" href="/people/{id}">Not now</a>
    </form>
  </aside>
</div>

<style>
  .columns {
    grid-template-columns: minmax(0, 1fr) 320px;
  }
  .head {
    display: flex;
    justify-content: space-between;
    gap: 16px;
    align-items: center;
  }
  .head > :global(:last-child) {
    max-width: 250px;
  }
  ul {
    list-style: none;
    margin: 10px 0 0;
    padding: 0;
  }
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 210px;
    gap: 14px;
    align-items: center;
    padding: 6px 0;
    border-top: 1px solid var(--rule);
  }
  em {
    color: var(--alarm);
    font-style: normal;
    font-size: var(--text-small);
    display: block;
  }
  .warn {
    color: var(--alarm);
  }
  aside p {
    margin: 0;
  }
</style>
