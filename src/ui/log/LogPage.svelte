<script lang="ts">
  import { Button, InlineLoading, Search, Select, TextInput } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { ANY, VIEWS, type Entry, type Question, type View } from '$core/story';
  import { changeViews, MOST_VIEWS, readViews, type SavedViews } from '$workspace';
  import SelectItem from '../fields/SelectItem.svelte';
  import { count } from '../format';
  import { freshId } from '../ids';
  import { Near } from '../drawn/near.svelte';
  import { Remembered } from '../remembered.svelte';
  import { theBusiness } from '../window/session.svelte';
  import EntryRow from './EntryRow.svelte';
  import Kept from './Kept.svelte';
  import { storyWith } from './story-with';
  import EntrySheet from './EntrySheet.svelte';
  import SaveLog from './SaveLog.svelte';
  import type { Told } from './reader.svelte';
  import WhenField from '../fields/WhenField.svelte';

  /** Every call, message and text of the business: narrowed, searched, and each in full. */
  const business = $derived(theBusiness());
  const system = $derived(business.system);
  const logbook = $derived(business.logbook);

  const asked = new Remembered<Question>('log', ANY);
  const question = $derived(asked.value);
  /** So many are drawn at first, and so many more when their end comes near. */
  const AT_ONCE = 60;
  let shown = $state(AT_ONCE);
  const ask = (change: Partial<Question>) => {
    asked.value = { ...question, ...change };
    shown = AT_ONCE;
  };
  let found = $state.raw<readonly Told[]>([]);
  /** How many there are; null while they are counted. */
  let total = $state<number | null>(null);
  /** Whether anything was answered yet, and whether what is shown answers something older. */
  let answered = $state(false);
  let asking = $state(true);
  $effect(() => {
    const [log, wanted, most] = [logbook, { ...question }, shown];
    // Asked anew when something comes, changes or goes, and when names do.
    void [log.state, system];
    untrack(() => {
      asking = true;
      void log.ask(wanted, most, (told, of) => {
        found = told;
        total = of;
        answered = true;
        asking = of === null;
      });
    });
  });
  /** Once those before are there: the end of the list comes near anew with each of them. */
  const more = () => {
    if (found.length >= shown) shown += AT_ONCE;
  };
  let openId = $state<string | null>(null);
  const open = $derived(found.find((t) => t.entry.id === openId) ?? found[0]);
  const narrowed = $derived(JSON.stringify({ ...question }) !== JSON.stringify(ANY));

  const WORDS: Record<View, string> = {
    all: 'everything',
    missed: 'missed',
    'not called back': 'missed, not called back yet',
    in: 'what came in',
    out: 'what went out',
    inside: 'among ourselves',
    recorded: 'recorded',
    'with a message': 'with a message',
    'with a note': 'with a note',
    unwanted: 'unwanted',
    texts: 'texts',
    faxes: 'faxes',
  };
  const people = $derived(Object.values(system.people));
  const queues = $derived(Object.values(system.queues));
  const contacts = $derived(Object.values(system.contacts));

  let views = $state.raw<SavedViews>([]);
  $effect(() => void readViews(business.db, business.id).then((known) => (views = known)));
  let naming = $state(false);
  let name = $state('');
  let problem = $state('');
  const same = (a: Question, b: Question) =>
    (Object.keys(ANY) as (keyof Question)[]).every((key) => a[key] === b[key]);
  const current = $derived(views.find((v) => same(v.question, question)));
  async function save(event: Event) {
    event.preventDefault();
    if (!name.trim()) return (problem = 'Give it a name.');
    if (views.some((v) => v.name.toLowerCase() === name.trim().toLowerCase()))
      return (problem = 'There is one of this name already.');
    if (views.length >= MOST_VIEWS)
      return (problem = `There are ${MOST_VIEWS} already: forget one of them first.`);
    const view = { id: freshId('view'), name: name.trim(), question: $state.snapshot(question) };
    try {
      views = await changeViews(business.db, business.id, (known) =>
        known.length < MOST_VIEWS ? [...known, view] : known,
      );
      naming = false;
      name = problem = '';
    } catch (error) {
      problem = error instanceof Error ? error.message : String(error);
    }
  }
  const drop = async (id: string) =>
    (views = await changeViews(business.db, business.id, (known) => known.filter((v) => v.id !== id)));

  const everythingWith = (entry: Entry) => {
    asked.value = storyWith(entry);
    shown = AT_ONCE;
  };

  function onkeydown(event: KeyboardEvent) {
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (!by) return;
    const rows = [...(event.currentTarget as HTMLElement).querySelectorAll<HTMLElement>('button.entry')];
    const next = rows[rows.indexOf(document.activeElement as HTMLElement) + by];
    if (!next) return;
    next.focus();
    event.preventDefault();
  }
</script>

<h1>Log</h1>
<div class="columns">
  <section>
    <Search
      size="sm"
      labelText="Search the log"
      placeholder="Search: names, numbers, lines, words in notes and messages"
      value={question.text}
      on:input={(e) => ask({ text: (e.target as HTMLInputElement).value })}
      on:clear={() => ask({ text: '' })}
    />
    <div class="ask" role="group" aria-label="Which entries">
      <Select
        size="sm"
        hideLabel
        labelText="What is shown"
        selected={question.view}
        on:update={(e) => ask({ view: e.detail as View })}
      >
        {#each VIEWS as v (v)}<SelectItem value={v} text={WORDS[v]} />{/each}
      </Select>
      <Select
        size="sm"
        hideLabel
        labelText="Which line"
        selected={question.numberId}
        on:update={(e) => ask({ numberId: String(e.detail) })}
      >
        <SelectItem value="" text="every line" />
        {#each Object.values(system.numbers) as n (n.id)}<SelectItem value={n.id} text={n.label} />{/each}
      </Select>
      <Select
        size="sm"
        hideLabel
        labelText="Who of us"
        selected={question.personId}
        on:update={(e) => ask({ personId: String(e.detail) })}
      >
        <SelectItem value="" text="everybody of us" />
        {#each people as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
      </Select>
      {#if queues.length}
        <Select
          size="sm"
          hideLabel
          labelText="Queue"
          selected={question.queueId}
          on:update={(e) => ask({ queueId: String(e.detail) })}
        >
          <SelectItem value="" text="any queue or none" />
          {#each queues as q (q.id)}<SelectItem value={q.id} text={q.name} />{/each}
        </Select>
      {/if}
      {#if contacts.length}
        <Select
          size="sm"
          hideLabel
          labelText="Contact"
          selected={question.contactId}
          on:update={(e) => ask({ contactId: String(e.detail) })}
        >
          <SelectItem value="" text="whoever it was" />
          {#each contacts as c (c.id)}<SelectItem value={c.id} text={c.name} />{/each}
        </Select>
      {/if}
      <span class="days">
        <WhenField
          hideLabel
          label="From day"
          value={question.from}
          onvalue={(value) => ask({ from: value })}
        />
        <span class="soft">to</span>
        <WhenField hideLabel label="To day" value={question.to} onvalue={(value) => ask({ to: value })} />
      </span>
    </div>
    <div class="views">
      {#each views as view (view.id)}
        <span class="view" class:here={view === current}>
          <button
            class="linkish small"
            type="button"
            aria-pressed={view === current}
            onclick={() => ask(view.question)}>{view.name}</button
          >
          <button
            class="linkish small"
            type="button"
            aria-label="Forget the search {view.name}"
            onclick={() => void drop(view.id)}>×</button
          >
        </span>
      {/each}
      {#if narrowed}
        {#if !current}<button
            class="linkish small"
            type="button"
            aria-expanded={naming}
            onclick={() => (naming = !naming)}>Keep this search</button
          >{/if}
        <button class="linkish small" type="button" onclick={() => ask(ANY)}>Show everything</button>
      {/if}
    </div>
    {#if naming}
      <form onsubmit={(e) => void save(e)}>
        <TextInput
          size="sm"
          labelText="Name of the search"
          bind:value={name}
          invalid={!!problem}
          invalidText={problem}
        />
        <Button size="small" type="submit">Keep it</Button>
      </form>
    {/if}
    <p class="soft small" data-testid="log-count" aria-live="polite" aria-busy={asking}>
      {#if total !== null}
        {count(total, 'entry', 'entries')}{narrowed
          ? ` of ${(logbook.state?.entries ?? 0).toLocaleString('en-US')}`
          : ''}{logbook.state?.unread
          ? `; ${count(logbook.state.unread, 'entry', 'entries')} cannot be read and ${logbook.state.unread === 1 ? 'is' : 'are'} not among them`
          : ''}
      {:else if answered}{found.length} and more; they are counted{:else}&nbsp;{/if}
    </p>
    {#if logbook.problem}
      <p class="problem" role="alert">
        {logbook.problem}
        <button class="linkish" type="button" onclick={() => (shown = AT_ONCE + (shown === AT_ONCE ? 1 : 0))}
          >Try again</button
        >
      </p>
    {:else if logbook.state?.behind}
      <p class="problem" role="alert">What came last is not in it: {logbook.state.behind}</p>
    {:else if !logbook.state?.whole}
      <InlineLoading
        description={found.length ? 'Older entries are still gone through' : 'The log is gone through'}
      />
    {/if}
    <!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
    <ul aria-label="Entries" {onkeydown}>
      {#each found as told (`${told.entry.kind} ${told.entry.id}`)}
        <EntryRow {...told} {system} chosen={told === open} onopen={() => (openId = told.entry.id)} />
      {/each}
    </ul>
    {#if total !== null && total > found.length}
      {#key found.length}
        {@const end = new Near(false, more)}
        <p class="soft small" {@attach end.attach}>
          <button class="linkish" type="button" onclick={more}
            >Show more of {total.toLocaleString('en-US')}</button
          >
        </p>
      {/key}
    {:else if answered && !found.length && logbook.state?.whole}
      <div class="empty">
        {#if logbook.state.entries}
          <h2>Nothing is found by that</h2>
          <p>Take a word or a choice away, or show everything.</p>
        {:else}
          <h2>Nothing has happened yet</h2>
          <p>
            Every call to and from your numbers stands here from the first on, with what was left, noted and
            texted.
          </p>
        {/if}
      </div>
    {/if}
    {#if total}<SaveLog {total} {system} />{/if}
    <Kept />
  </section>
  <aside>
    {#if open}
      {#key open.entry.id}
        <EntrySheet {...open} {system} onstory={everythingWith} />
      {/key}
    {/if}
  </aside>
</div>

<style>
  .columns {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
  .ask,
  .views {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 12px;
    align-items: center;
    margin: 6px 0;
  }
  .ask :global(.bx--form-item) {
    flex: 0 1 auto;
  }
  .ask :global(.bx--select-input) {
    max-width: 190px;
  }
  .ask :global(input[type='date']) {
    width: 138px;
  }
  /* What is open stays beside the line that opened it. */
  aside {
    position: sticky;
    top: 88px;
    align-self: start;
  }
  .days {
    display: flex;
    gap: 8px;
    align-items: center;
  }
  .view {
    border: 1px solid var(--rule);
    padding: 0 8px;
  }
  .view.here {
    border-color: var(--copper);
  }
  form {
    display: grid;
    grid-template-columns: 260px auto;
    gap: 8px;
    align-items: end;
    justify-content: start;
    margin: 6px 0;
  }
  ul {
    list-style: none;
    margin: 6px 0;
    padding: 0;
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  .problem {
    color: var(--alarm);
  }
  ul:empty {
    display: none;
  }
</style>
