<script lang="ts">
  import { Button, TextArea, TextInput } from 'carbon-components-svelte';
  import { tick } from 'svelte';
  import { answerFor } from '$core/asking';
  import { askedInVain } from '$core/calls';
  import { allSteps } from '$core/system';
  import AnswerCard from '$ui/answers/AnswerCard.svelte';
  import { momentText } from '$ui/format';
  import { freshId } from '$ui/ids';
  import Nearby from '$ui/drawn/Nearby.svelte';
  import { Remembered } from '$ui/remembered.svelte';
  import { theBusiness } from '$ui/window/session.svelte';

  const system = $derived(theBusiness().system);
  const all = $derived(Object.values(system.ownAnswers));
  /** Where they are told: plans with a question that is answered by them. */
  const told = $derived(
    Object.values(system.plans).filter((p) =>
      [...allSteps(p.steps)].some((s) => s.kind === 'ask' && s.questions.some((q) => q.by === 'own answers')),
    ),
  );
  const tried = new Remembered('own answers tried', '');
  const found = $derived(tried.value.trim() ? answerFor(system.ownAnswers, tried.value) : null);
  /** The newest first; so many. */
  const MOST_IN_VAIN = 10;
  const inVain = $derived(
    theBusiness()
      .view.calls.flatMap((c) => askedInVain(c.trace).map((text) => ({ text, at: c.at, callId: c.id })))
      .reverse(),
  );
  const typed = new Remembered(`own answer ${theBusiness().id}`, { name: '', says: '' });
  let problem = $state<string | undefined>();
  async function add(event: Event) {
    event.preventDefault();
    const name = typed.value.name.trim();
    const value = { id: freshId('own-answer'), name, also: [], says: typed.value.says.trim() };
    problem = theBusiness().keep(`Own answer: ${name}`, [{ do: 'own answer.add', value }]);
    if (problem) return;
    typed.value = { name: '', says: '' };
    await tick();
    document.getElementById('question-new')?.focus();
  }
  async function begin(text: string) {
    typed.value = { ...typed.value, name: text.slice(0, 120) };
    await tick();
    document.getElementById('answer-new')?.focus();
  }
</script>

<svelte:head><title>Own answers · Answering · Upper Line</title></svelte:head>

<h1>Own answers</h1>
<p class="sub">
  What callers ask, and what they are told by itself where a plan asks them what they would like to know. It
  is found by words, also by other forms of a word and with small mistakes; what it does not know it says.
</p>
<section class="card" aria-label="Try it">
  <TextInput
    size="sm"
    labelText="A caller says"
    placeholder="Are you open on Saturday?"
    value={tried.value}
    on:input={(e) => (tried.value = String(e.detail ?? ''))}
  />
  <p aria-live="polite" data-testid="own-answer-found">
    {#if !tried.value.trim()}<span class="soft small"
        >Write what somebody might ask: what they would be told stands here.</span
      >
    {:else if found && !found.sure}They are asked back: <b>“Do you mean: {found.answer.name}”</b>, and then
      told “{found.answer.says}”
    {:else if found}They are told <b>“{found.answer.says}”</b>
      <span class="soft small"
        >nearest to “{found.as}”, {Math.round(found.share * 100)} % of the words that count</span
      >
    {:else}They are told <b>“That I do not know.”</b>
      <button class="linkish small" type="button" onclick={() => void begin(tried.value.trim())}
        >Write an answer to it</button
      >{/if}
  </p>
  <p class="small soft">
    {#if told.length}Told by {#each told as p, i (p.id)}{i ? ', ' : ''}<a href="/answering/{p.id}">{p.name}</a
        >{/each}.
    {:else}No plan tells them yet: give an Ask step of a <a href="/answering">plan</a> the question “answered by
      anything”.{/if}
  </p>
</section>
{#if inVain.length}
  <section class="card" aria-label="Asked in vain">
    <h2>Asked in vain</h2>
    <ul>
      {#each inVain.slice(0, MOST_IN_VAIN) as one, i (i)}
        <li>
          “{one.text}” <span class="soft small">{momentText(one.at, theBusiness().zone)}</span>
          <button class="linkish small" type="button" onclick={() => void begin(one.text)}
            >Write an answer to it</button
          >
        </li>
      {/each}
    </ul>
    {#if inVain.length > MOST_IN_VAIN}<p class="small soft">
        and {inVain.length - MOST_IN_VAIN} before that.
      </p>{/if}
  </section>
{/if}
<form class="card" onsubmit={(e) => void add(e)} aria-label="A new own answer">
  <TextInput
    id="question-new"
    size="sm"
    labelText="Question, as somebody would ask"
    value={typed.value.name}
    on:input={(e) => (typed.value = { ...typed.value, name: String(e.detail ?? '') })}
    invalid={!!problem}
    invalidText={problem ?? ''}
  />
  <TextArea
    id="answer-new"
    rows={2}
    labelText="Callers are told"
    value={typed.value.says}
    on:input={(e) => (typed.value = { ...typed.value, says: (e.target as HTMLTextAreaElement).value })}
  />
  <div><Button size="small" type="submit">Add it</Button></div>
</form>
{#each all as answer, i (answer.id)}
  <Nearby id={answer.id} name={answer.name} place={i} height={230}
    ><AnswerCard {answer} found={found?.answer.id === answer.id} /></Nearby
  >
{:else}
  <div class="empty">
    <h2>Nothing is answered by itself yet</h2>
    <p>Begin with what people ask most: when you are open, where you are, what it costs.</p>
  </div>
{/each}

<style>
  form {
    display: grid;
    gap: 8px;
  }
  ul {
    margin: 4px 0;
    padding-left: 18px;
  }
</style>
