<script lang="ts">
  import { Button, TextArea, TextInput } from 'carbon-components-svelte';
  import { tick } from 'svelte';
  import { FIELDS, unknownFields } from '$core/texting';
  import type { Wording } from '$core/system';
  import { freshId } from '../ids';
  import { theBusiness } from '../window/session.svelte';

  /** The ready-made answers of the business: writing, changing and taking away. */
  const business = $derived(theBusiness());
  const all = $derived(Object.values(business.system.wordings).sort((a, b) => a.name.localeCompare(b.name)));
  const NEW = '';
  let openId = $state<string | null>(null);
  let name = $state('');
  let text = $state('');
  let problem = $state<{ field: 'name' | 'text'; message: string } | null>(null);
  const strangers = $derived(unknownFields(text));

  async function open(wording: Wording | null) {
    openId = wording?.id ?? NEW;
    name = wording?.name ?? '';
    text = wording?.text ?? '';
    problem = null;
    await tick();
    document.getElementById('ready-made-name')?.focus();
  }
  async function keep(event: Event) {
    event.preventDefault();
    if (!name.trim()) return (problem = { field: 'name', message: 'Give it a name.' });
    if (!text.trim()) return (problem = { field: 'text', message: 'Write what it says.' });
    const value = { name: name.trim(), text: text.trim() };
    const wrong = await business.keepStored(
      `${openId ? 'Change' : 'Add'} the ready-made answer ${value.name}`,
      openId
        ? [{ do: 'wording.set', id: openId, change: value }]
        : [{ do: 'wording.add', value: { id: freshId('wording'), ...value } }],
    );
    if (wrong) return (problem = { field: wrong.includes('“') ? 'name' : 'text', message: wrong });
    openId = null;
    await tick();
    document.getElementById('new-ready-made')?.focus();
  }
  const remove = ({ id, name }: Wording) =>
    business.edit(`Remove the ready-made answer ${name}`, [{ do: 'wording.remove', id }], {
      withNotice: true,
    });
</script>

<details>
  <summary>Ready-made answers ({all.length})</summary>
  <p class="soft small">
    In braces stands what is filled in when one is taken: {#each Object.entries(FIELDS) as [field, what], i (field)}{i
        ? ', '
        : ''}<code title={what}>{`{${field}}`}</code>{/each}. Staff phones have them once they are in force.
  </p>
  {#if all.length}
    <ul aria-label="Ready-made answers">
      {#each all as w (w.id)}
        <li>
          <b>{w.name}</b>
          <p>{w.text}</p>
          <button class="linkish small" type="button" onclick={() => void open(w)}
            >Change<span class="visually-hidden">&nbsp;{w.name}</span></button
          >
          <button class="linkish small" type="button" onclick={() => remove(w)}
            >Remove<span class="visually-hidden">&nbsp;{w.name}</span></button
          >
        </li>
      {/each}
    </ul>
  {/if}
  {#if openId === null}
    <Button id="new-ready-made" size="small" kind="tertiary" on:click={() => void open(null)}
      >Write one</Button
    >
  {:else}
    <form onsubmit={(e) => void keep(e)}>
      <TextInput
        id="ready-made-name"
        size="sm"
        labelText="What it is called"
        bind:value={name}
        invalid={problem?.field === 'name'}
        invalidText={problem?.message ?? ''}
      />
      <TextArea
        rows={3}
        labelText="What it says"
        placeholder={'{first name}, your boat is ready. {me}, {business}'}
        bind:value={text}
        invalid={problem?.field === 'text'}
        invalidText={problem?.message ?? ''}
      />
      {#if strangers.length}
        <p class="small warn">
          {strangers.join(', ')} is nothing that is filled in: it would be sent as it stands.
        </p>
      {/if}
      <div class="row">
        <Button size="small" type="submit">Keep it</Button>
        <Button size="small" kind="ghost" on:click={() => (openId = null)}>Leave it</Button>
      </div>
    </form>
  {/if}
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
  ul {
    list-style: none;
    padding: 0;
    margin: 8px 0;
  }
  li {
    border-top: 1px solid var(--rule);
    padding: 8px 0;
  }
  li p {
    margin: 2px 0;
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }
  form {
    display: grid;
    gap: 8px;
  }
  .row {
    display: flex;
    gap: 8px;
  }
  .warn {
    color: var(--copper);
    margin: 0;
  }
</style>
