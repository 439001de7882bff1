<script lang="ts">
  import { Button, Select } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { page } from '$app/state';
  import {
    listed,
    NEW_CALLER,
    outcomeInWords,
    phoneName,
    ringChart,
    sentence,
    simulate,
    supposedOn,
  } from '$core/calls';
  import { momentText } from '$ui/format';
  import { keepAsPromise } from '$ui/promises/edits';
  import QuestionForm from '$ui/rehearse/QuestionForm.svelte';
  import { asLink, freshQuestion, fromLink, requestsOf, rungIn, type Question } from '$ui/rehearse/question';
  import { subjectOf } from '$ui/rehearse/subject';
  import TraceList from '$ui/rehearse/TraceList.svelte';
  import { taken } from '$ui/rehearsal.svelte';
  import { Remembered } from '$ui/remembered.svelte';
  import RingChart from '$ui/drawn/RingChart.svelte';
  import { supposed } from '$ui/supposed/supposed.svelte';
  import Supposed from '$ui/supposed/Supposed.svelte';
  import { noteRehearsed } from '$ui/begin/here.svelte';
  import { theBusiness } from '$ui/window/session.svelte';
  import SelectItem from '$ui/fields/SelectItem.svelte';

  const asked = new Remembered<Question>('rehearsal-page', freshQuestion(NEW_CALLER));
  const linked = fromLink(untrack(() => page.url.searchParams.get('ask')));
  if (linked) asked.value = linked;
  const subject = $derived(subjectOf(theBusiness().system, asked.value.numberId));
  const { system, number } = $derived(subject);
  const question = $derived({ ...asked.value, numberId: subject.id });
  const ask = (change: Partial<Question>) => (asked.value = { ...asked.value, ...change });

  const reckoned = $derived(supposed.paired('rehearsal', system, theBusiness().standing));
  const work = (q: Question) => {
    const { system: tried, number: called } = subjectOf(theBusiness().system, q.numberId);
    return called
      ? [...simulate(tried, reckoned, requestsOf(q, called, theBusiness().minute), taken).values()]
      : [];
  };
  const traces = $derived(work(question));
  $effect(() => {
    if (number?.planId) untrack(noteRehearsed);
  });
  let which = $state(0);
  const trace = $derived(traces[Math.min(which, traces.length - 1)]);
  const notOn = $derived(
    trace ? supposedOn(trace, system, theBusiness().standing, theBusiness().minute) : [],
  );
  let at = $state(-1);
  let zoom = $state(1);
  /** What the present question is compared with. */
  let held = $state.raw<Question | null>(null);
  const other = $derived(held ? work(held)[0] : undefined);
  const charts = $derived(traces.map((t) => ringChart(t, system)));
  const otherChart = $derived(other ? ringChart(other, system) : null);
  const across = $derived(Math.max(...charts.map((c) => c.length), otherChart?.length ?? 0, 1000) / zoom);
  const rung = $derived(rungIn(work({ ...question, people: {}, phones: {}, calls: 1, patience: null })));
  /** The question with its moment: the present one where none is given, so that it asks the same tomorrow. */
  const written = (): Question => ({ ...question, at: question.at ?? theBusiness().minute });
  let copied = $state(false);
  async function copy() {
    await navigator.clipboard.writeText(`${location.origin}${location.pathname}${asLink(written())}`);
    copied = true;
    setTimeout(() => (copied = false), 3000);
  }
</script>

<svelte:head><title>Rehearsal · Answering · Upper Line</title></svelte:head>

<h1>Rehearsal</h1>
{#if !number}
  <div class="empty">
    <h2>Nothing to call yet</h2>
    <p>
      <a href="/numbers/get">Get a number</a> or <a href="/answering">write a plan</a>: then every call can be
      tried here.
    </p>
  </div>
{:else}
  <div class="columns">
    <section class="card" aria-label="The call">
      <QuestionForm {question} {system} {rung} {trace} onask={ask} />
    </section>
    <div>
      <section class="card" aria-label="What happens">
        <div class="bar">
          <b>{momentText(question.at ?? theBusiness().minute, theBusiness().zone)}</b>
          <span class="grow" data-testid="page-outcome">{trace ? outcomeInWords(trace, system) : ''}</span>
          <Select
            size="sm"
            hideLabel
            labelText="Zoom"
            selected={String(zoom)}
            on:update={(e) => (zoom = Number(e.detail))}
          >
            {#each [1, 2, 4, 8] as z (z)}<SelectItem value={String(z)} text="{z} ×" />{/each}
          </Select>
        </div>
        <Supposed place="rehearsal" {system} of="the draft" />
        <div class="scroll">
          {#each charts as chart, i (i)}
            {#if charts.length > 1}<button
                class="linkish small"
                type="button"
                aria-pressed={which === i}
                onclick={() => ((which = i), (at = -1))}
                >Call {i + 1}: {outcomeInWords(traces[i]!, system)}</button
              >{/if}
            <div style:width="{zoom * 100}%"><RingChart {chart} across={across * zoom} /></div>
          {/each}
        </div>
        {#if trace}<p class="small">{sentence(trace, system)}</p>{/if}
        {#if notOn.length}<p class="small soft" data-testid="supposed">
            Supposed to be on, and not so now: {listed(
              notOn.map((s) => `${phoneName(system, s.phone.id, s.personId)} (${s.is})`),
            )}. A call now does not ring {notOn.length === 1 ? 'it' : 'them'}.
          </p>{/if}
        <div class="bar">
          <Button size="small" kind="tertiary" on:click={() => keepAsPromise(question, trace)}
            >Keep as a promise</Button
          >
          <Button size="small" kind="ghost" on:click={() => void copy()}
            >{copied ? 'Copied' : 'Copy as a link'}</Button
          >
          <Button size="small" kind="ghost" on:click={() => (held = held ? null : written())}
            >{held ? 'Stop comparing' : 'Hold this to compare'}</Button
          >
        </div>
      </section>
      {#if otherChart && other}
        <section class="card" aria-label="Held to compare">
          <h2>Held: {outcomeInWords(other, system)}</h2>
          <div class="scroll">
            <div style:width="{zoom * 100}%"><RingChart chart={otherChart} across={across * zoom} /></div>
          </div>
        </section>
      {/if}
      {#if trace}
        <section class="card" aria-label="Line by line">
          <TraceList {trace} {system} {at} onstep={(n) => (at = n)} />
        </section>
      {/if}
    </div>
  </div>
{/if}

<style>
  .columns {
    display: grid;
    grid-template-columns: 330px minmax(0, 1fr);
    gap: 16px;
    align-items: start;
  }
  .columns > div {
    display: grid;
    gap: 12px;
  }
  .columns > div > section {
    margin: 0;
  }
  .bar {
    display: flex;
    align-items: center;
    gap: 12px;
  }
  .grow {
    flex: 1;
  }
  .bar :global(.bx--form-item) {
    flex: 0 0 auto;
  }
  .scroll {
    overflow-x: auto;
  }
  [aria-pressed='true'] {
    font-weight: 650;
  }
</style>
