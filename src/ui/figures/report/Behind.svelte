<script lang="ts">
  import { goto } from '$app/navigation';
  import { traceLines } from '$core/calls';
  import { ANY, type Entry, type Question } from '$core/story';
  import type { Report } from '$core/traffic';
  import { storyWith } from '../../log/story-with';
  import { Remembered } from '../../remembered.svelte';
  import type { Told } from '../../log/reader.svelte';
  import EntryRow from '../../log/EntryRow.svelte';
  import EntrySheet from '../../log/EntrySheet.svelte';
  import { count } from '../../format';
  import { theBusiness } from '../../window/session.svelte';

  /** The calls behind a figure, the newest first. */
  interface Props {
    of: string;
    title: string;
    /** The report it is of: made anew, its calls are asked for anew, and what is open stays open. */
    report: Report;
    onclose: () => void;
  }
  let { of, title, report, onclose }: Props = $props();
  const AT_ONCE = 40;
  let most = $state(AT_ONCE);
  let found = $state.raw<readonly Told[]>([]);
  let total = $state<number | null>(null);
  let problem = $state('');
  let openId = $state<string | null>(null);
  const business = $derived(theBusiness());
  const open = $derived(found.find((t) => t.entry.id === openId));
  $effect(() => {
    void report;
    let over = false;
    void business.logbook.behind(of, most).then(
      ({ told, total: all }) => {
        if (over) return;
        found = told;
        total = all;
      },
      (error: unknown) => (problem = error instanceof Error ? error.message : String(error)),
    );
    return () => (over = true);
  });
  /** It is the log's to show. */
  function everythingWith(entry: Entry) {
    new Remembered<Question>('log', ANY).value = storyWith(entry);
    void goto('/messages/log');
  }
  let heading = $state<HTMLElement>();
  $effect(() => {
    void of;
    heading?.focus();
  });
</script>

<section class="behind" aria-label="Calls behind the figure" data-testid="behind">
  <h2 bind:this={heading} tabindex="-1">{title}</h2>
  <p class="soft small">
    {total === null ? 'They are looked for' : count(total, 'call')}
    <button class="linkish small" type="button" onclick={onclose}>Close</button>
  </p>
  {#if problem}<p role="alert">{problem}</p>{/if}
  <ul aria-label="Calls">
    {#each found as told (told.entry.id)}
      <EntryRow
        {...told}
        system={business.system}
        chosen={told === open}
        onopen={() => (openId = openId === told.entry.id ? null : told.entry.id)}
      />
      {#if told === open}
        <li class="sheet">
          {#if business.may('see the system')}
            <EntrySheet {...told} system={business.system} onstory={everythingWith} />
          {:else if told.entry.call}
            <!-- What can be done about it is for whoever does the phones. -->
            <ol class="small" data-testid="how-it-went">
              {#each traceLines(told.entry.call.trace, business.system) as line, i (i)}<li>{line}</li>{/each}
            </ol>
          {/if}
        </li>
      {/if}
    {/each}
  </ul>
  {#if total !== null && total > found.length}
    <button class="linkish small" type="button" onclick={() => (most += AT_ONCE)}
      >Show more of {total.toLocaleString('en-US')}</button
    >
  {/if}
</section>

<style>
  .behind {
    position: sticky;
    top: 88px;
    max-height: calc(100vh - 110px);
    overflow: auto;
  }
  h2 {
    margin: 0;
    font-size: var(--text-title);
    overflow-wrap: anywhere;
  }
  h2::first-letter {
    text-transform: uppercase;
  }
  ul {
    list-style: none;
    margin: 6px 0;
    padding: 0;
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  .sheet {
    padding: 6px;
  }
  @media print {
    .behind {
      display: none;
    }
  }
</style>
