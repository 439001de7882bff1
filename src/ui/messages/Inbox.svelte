<script lang="ts">
  import { Button, Checkbox, Search, Select } from 'carbon-components-svelte';
  import { ALL_MESSAGES, BIN_DAYS, inbox, type Folder, type InboxQuestion } from '$core/messages';
  import { count } from '../format';
  import { Remembered } from '../remembered.svelte';
  import { theBusiness } from '../window/session.svelte';
  import { archive, assign, backToInbox, bin, change, markSpam } from './edits';
  import MessageCard from './MessageCard.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  /** All messages: narrowed, searched, and several dealt with at once. */
  const system = $derived(theBusiness().view.inForce.system);
  const asked = new Remembered<InboxQuestion>('inbox', ALL_MESSAGES);
  const question = $derived({ ...ALL_MESSAGES, ...asked.value });
  const ask = (change: Partial<InboxQuestion>) => {
    asked.value = { ...question, ...change };
    shown = IN_SIGHT;
    chosenIds = [];
  };
  /** So many fill the window: they are drawn with the key that was pressed, more once no key follows. */
  const IN_SIGHT = 5;
  const STILL_MS = 150;
  /** So many are drawn then, and with each further press. */
  const FIRST = 20;
  let shown = $state(IN_SIGHT);
  $effect(() => {
    void found;
    if (shown >= FIRST) return;
    const timer = setTimeout(() => (shown = FIRST), STILL_MS);
    return () => clearTimeout(timer);
  });
  const found = $derived(inbox(theBusiness().view.messages, question));
  let chosenIds = $state<string[]>([]);
  const chosen = $derived(found.filter((m) => chosenIds.includes(m.id)));
  const people = $derived(
    Object.values(theBusiness().system.people ?? {}).filter((p) => p.role !== 'shared room'),
  );
  const FOLDERS: [Folder, string][] = [
    ['inbox', 'Inbox'],
    ['archive', 'Archive'],
    ['spam', 'Spam'],
    ['bin', `Deleted, kept ${BIN_DAYS} days`],
  ];
  const mailboxName = (id: string) =>
    system.mailboxes[id]?.name ?? theBusiness().system.mailboxes[id]?.name ?? 'a removed mailbox';
  async function all(work: () => Promise<void>) {
    await work();
    chosenIds = [];
  }
  const none = $derived(!theBusiness().view.messages.length);
</script>

<div class="ask" role="group" aria-label="Which messages">
  <Select
    size="sm"
    hideLabel
    labelText="Where they lie"
    selected={question.folder}
    on:update={(e) => ask({ folder: e.detail as Folder })}
  >
    {#each FOLDERS as [id, words] (id)}<SelectItem value={id} text={words} />{/each}
  </Select>
  <Select
    size="sm"
    hideLabel
    labelText="Mailbox shown"
    selected={question.mailboxId}
    on:update={(e) => ask({ mailboxId: String(e.detail) })}
  >
    <SelectItem value="" text="every mailbox" />
    {#each Object.values(system.mailboxes) as m (m.id)}<SelectItem value={m.id} text={m.name} />{/each}
  </Select>
  <Select
    size="sm"
    hideLabel
    labelText="Who sees to them"
    selected={question.assignedTo}
    on:update={(e) => ask({ assignedTo: String(e.detail) })}
  >
    <SelectItem value="" text="whoever sees to it" />
    <SelectItem value="-" text="nobody yet" />
    {#each people as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
  </Select>
  <Checkbox
    labelText="Only new"
    checked={question.onlyNew}
    on:check={(e) => {
      if (e.detail !== question.onlyNew) ask({ onlyNew: e.detail });
    }}
  />
</div>
<Search
  size="sm"
  labelText="Search messages"
  placeholder="Search: words, notes, names, numbers"
  value={question.text}
  on:input={(e) => ask({ text: (e.target as HTMLInputElement).value })}
  on:clear={() => ask({ text: '' })}
/>
<div class="several" role="group" aria-label="With those chosen">
  <Checkbox
    labelText={chosen.length
      ? `${chosen.length} chosen`
      : `${count(found.length, 'message')}; choose all shown`}
    checked={chosen.length > 0}
    indeterminate={chosen.length > 0 && chosen.length < Math.min(found.length, shown)}
    on:check={(e) => (chosenIds = e.detail ? found.slice(0, shown).map((m) => m.id) : [])}
  />
  {#if chosen.length}
    <Button size="small" kind="ghost" on:click={() => all(() => change(chosen, { heard: true }))}
      >Mark as heard</Button
    >
    {#if question.folder === 'inbox'}<Button
        size="small"
        kind="ghost"
        on:click={() => all(() => archive(chosen))}>Archive them</Button
      ><Button size="small" kind="ghost" on:click={() => all(() => markSpam(chosen))}>Spam</Button
      >{:else}<Button size="small" kind="ghost" on:click={() => all(() => backToInbox(chosen))}
        >Back to the inbox</Button
      >{/if}
    {#if question.folder !== 'bin'}<Button size="small" kind="ghost" on:click={() => all(() => bin(chosen))}
        >Delete them</Button
      >{/if}
    <Select
      size="sm"
      hideLabel
      labelText="Who sees to those chosen"
      selected=""
      on:update={(e) => {
        if (e.detail) void all(() => assign(chosen, String(e.detail)));
      }}
    >
      <SelectItem value="" text="Give them to…" />
      {#each people as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
    </Select>
  {/if}
</div>
<div data-testid="inbox">
  {#each found.slice(0, shown) as m (m.id)}
    <MessageCard
      message={m}
      mailbox={mailboxName(m.mailboxId)}
      chosen={chosenIds.includes(m.id)}
      onchoose={(is) => (chosenIds = is ? [...chosenIds, m.id] : chosenIds.filter((id) => id !== m.id))}
    />
  {:else}
    <div class="empty">
      <h2>{none ? 'No messages yet' : 'No message is left by this choice'}</h2>
      <p>
        {none
          ? "Call one of your numbers from the bench's outside phone, and leave one."
          : 'Look elsewhere, or search for less.'}
      </p>
    </div>
  {/each}
</div>
{#if found.length > shown}
  <Button size="small" kind="tertiary" on:click={() => (shown += FIRST)}
    >Show {Math.min(FIRST, found.length - shown)} more of {found.length}</Button
  >
{/if}

<style>
  .ask,
  .several {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 6px 12px;
    margin-bottom: 6px;
  }
  .ask :global(.bx--form-item),
  .several :global(.bx--form-item) {
    flex: 0 1 auto;
  }
  .several {
    min-height: 40px;
  }
</style>
