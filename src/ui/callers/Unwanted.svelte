<script lang="ts">
  import { Button, Select, TextInput } from 'carbon-components-svelte';
  import { readNumber } from '$core/numbering';
  import { usualUnwanted, type Unwanted } from '$core/system';
  import Origin from '../reach/Origin.svelte';
  import { block } from '../messages/edits';
  import { theBusiness } from '../window/session.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  /** Calls nobody wants: what becomes of them, and the block list, which holds at once. */
  const system = $derived(theBusiness().system);
  const unwanted = $derived(system.business.unwanted ?? usualUnwanted());
  const blocked = $derived(
    Object.entries(theBusiness().standing.blocked ?? {})
      .filter(([, b]) => b.value)
      .sort((a, b) => b[1].at - a[1].at),
  );
  const spam = $derived(theBusiness().view.messages.filter((m) => m.folder === 'spam').length);
  let typed = $state('');
  let problem = $state('');
  const WORDS: Record<Unwanted['blocked'], string> = {
    refused: 'are refused',
    mailbox: 'go to a mailbox, into its spam folder',
    'as anybody': 'are treated as anybody',
  };
  const set = (change: Partial<Unwanted>, words: string) =>
    theBusiness().edit(words, [{ do: 'business.set', change: { unwanted: { ...unwanted, ...change } } }]);

  async function add(event: Event) {
    event.preventDefault();
    const read = readNumber(typed, system.business.country, system.business.outsideDigit);
    if (!read.ok) problem = read.message;
    else if (Object.values(system.numbers).some((n) => n.e164 === read.number.e164))
      problem = 'That is a number of your own.';
    else {
      problem = '';
      await block(read.number.e164, true);
      typed = '';
    }
  }
</script>

<section class="card">
  <h2>Calls nobody wants</h2>
  {#each [['blocked', 'Blocked callers'], ['suspected', 'Calls the network suspects']] as const as [what, label] (what)}
    <Select
      size="sm"
      labelText={label}
      selected={unwanted[what]}
      on:update={(e) =>
        e.detail !== unwanted[what] &&
        set({ [what]: e.detail }, `${label} ${WORDS[e.detail as Unwanted['blocked']]}`)}
    >
      {#each Object.entries(WORDS) as [value, words] (value)}<SelectItem {value} text={words} />{/each}
    </Select>
  {/each}
  {#if unwanted.blocked === 'mailbox' || unwanted.suspected === 'mailbox'}
    <Select
      size="sm"
      labelText="The mailbox"
      selected={unwanted.mailboxId ?? ''}
      invalid={!unwanted.mailboxId}
      invalidText="Without one they are refused."
      on:update={(e) =>
        (e.detail || null) !== unwanted.mailboxId &&
        set({ mailboxId: String(e.detail) || null }, 'Where calls nobody wants go')}
    >
      <SelectItem value="" text="none yet" />
      {#each Object.values(system.mailboxes) as m (m.id)}<SelectItem value={m.id} text={m.name} />{/each}
    </Select>
  {/if}
  <p class="small soft">A plan that has a branch for them treats them itself.</p>
  {#if spam}<p class="small"><a href="/messages">{spam} in the spam folder</a></p>{/if}
  <h3>Block list</h3>
  <ul aria-label="Block list">
    {#each blocked as [number, stamp] (number)}
      <li>
        <span>{theBusiness().number(number)}<Origin {stamp} /></span>
        <button class="linkish small" type="button" onclick={() => void block(number, false)}
          >Unblock<span class="visually-hidden">&nbsp;{theBusiness().number(number)}</span></button
        >
      </li>
    {:else}<li class="soft small">Nobody. Contacts can be blocked too.</li>{/each}
  </ul>
  <form onsubmit={(e) => void add(e)} aria-label="Block a number" data-part="block a number">
    <TextInput
      size="sm"
      type="tel"
      labelText="Number to block, at once"
      bind:value={typed}
      invalid={!!problem}
      invalidText={problem}
    />
    <Button size="small" kind="tertiary" type="submit">Block</Button>
  </form>
</section>

<style>
  h3 {
    margin: 14px 0 4px;
  }
  ul {
    list-style: none;
    margin: 0 0 8px;
    padding: 0;
  }
  li {
    display: flex;
    justify-content: space-between;
    gap: 8px;
    padding: 4px 0;
    border-bottom: 1px solid var(--rule);
    font-size: var(--text-body);
  }
  form {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 8px;
    align-items: end;
  }
  section > :global(.bx--form-item) {
    margin-bottom: 10px;
  }
  p {
    margin: 6px 0;
  }
</style>
