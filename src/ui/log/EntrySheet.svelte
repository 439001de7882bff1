<script lang="ts">
  import { ringChart, traceLines } from '$core/calls';
  import { detailOf, settledInWords, titleOf, type Entry, type Settled } from '$core/story';
  import type { System } from '$core/system';
  import type { CallRecord } from '$workspace';
  import { agoText, momentText } from '../format';
  import AnswerBack from '../messages/AnswerBack.svelte';
  import { giveTo } from '../messages/answering';
  import SeesToIt from '../messages/SeesToIt.svelte';
  import CallSounds from '../messages/CallSounds.svelte';
  import DeleteEntry from './DeleteEntry.svelte';
  import KeepContact from '../contacts/KeepContact.svelte';
  import RingChart from '../drawn/RingChart.svelte';
  import Tags from './Tags.svelte';
  import Notes from './Notes.svelte';
  import { theBusiness } from '../window/session.svelte';
  import { againLink } from './again';
  import { sayDone } from './edits';

  /** One entry of the log in full: how it went, what was said and written, and what can be done about it. */
  interface Props {
    entry: Entry;
    system: System;
    settled: Settled | undefined;
    /** Everything with the same contact, or from the same number. */
    onstory: (entry: Entry) => void;
  }
  let { entry, system, settled, onstory }: Props = $props();
  const call = $derived(entry.call as CallRecord | undefined);
  const again = $derived(call && againLink(call));
  const other = $derived(entry.facts.other);
</script>

<article class="card" data-testid="entry" aria-label={titleOf(entry, system)}>
  <h2>{titleOf(entry, system)}</h2>
  <p class="soft small">
    {momentText(entry.at, theBusiness().zone)}, {agoText(entry.at, theBusiness().minute)}{entry.contact &&
    other
      ? ` · ${theBusiness().number(other)}`
      : ''}
  </p>
  <p>{detailOf(entry, system)}</p>
  {#if entry.facts.missed}
    <p class="stands" class:open={!settled}>{settledInWords(settled, entry.at, system)}</p>
  {/if}
  <div class="acts">
    {#if other}
      <AnswerBack number={other} answered={() => (entry.facts.missed ? sayDone(entry) : Promise.resolve())} />
      {#if entry.facts.missed && !settled}
        <SeesToIt
          personId={entry.call?.assignedTo ?? entry.message?.assignedTo}
          about={titleOf(entry, system)}
          ongive={(id) =>
            void giveTo(id, entry.message ? [entry.id] : [], entry.call ? [entry.id] : [], entry.who)}
        />
        <button class="linkish small" type="button" onclick={() => void sayDone(entry)}>Done</button>
      {/if}
      <button class="linkish small" type="button" onclick={() => onstory(entry)}
        >Everything with {entry.who}</button
      >
      {#if !entry.contact}<KeepContact number={other} />{/if}
    {/if}
    {#if again}<a class="small" href={again}>Rehearse this call</a>{/if}
    <DeleteEntry {entry} />
  </div>
  {#if entry.message?.said}<p>“{entry.message.said}”</p>{/if}
  {#if entry.message?.notes?.length}
    <p class="small soft">{entry.message.notes.map((n) => `${n.label}: ${n.text}`).join(' · ')}</p>
  {/if}
  {#if call}<CallSounds {call} {system} />{/if}
  {#if call}<Tags {call} />{/if}
  {#if call || entry.message}<Notes {entry} />{/if}
  {#if call}
    <h3>How it went</h3>
    <RingChart chart={ringChart(call.trace, system)} />
    <details>
      <summary>Second by second</summary>
      <ol>
        {#each traceLines(call.trace, system) as line, i (i)}<li>{line}</li>{/each}
      </ol>
    </details>
  {/if}
</article>

<style>
  h2 {
    overflow-wrap: anywhere;
  }
  h3 {
    margin: 14px 0 4px;
    font-size: var(--text-body);
  }
  p {
    margin: 4px 0;
    overflow-wrap: anywhere;
  }
  .stands {
    font-weight: 600;
  }
  .open {
    color: var(--copper);
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
    align-items: baseline;
    margin: 8px 0;
  }
  summary {
    cursor: pointer;
    font-size: var(--text-small);
    margin-top: 8px;
  }
  ol {
    list-style: none;
    padding: 0;
    margin: 6px 0 0;
    font-size: var(--text-small);
  }
</style>
