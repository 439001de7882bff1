<script lang="ts">
  import { NumberInput, Select } from 'carbon-components-svelte';
  import { momentOf } from '$core/hours';
  import { sentence } from '$core/calls';
  import { fieldText } from '../format';
  import { asPlan, unnumbered } from '../rehearse/subject';
  import { DOINGS, rehearsal } from '../rehearsal.svelte';
  import RingChart from '../drawn/RingChart.svelte';
  import { supposed } from '../supposed/supposed.svelte';
  import { theBusiness } from '../window/session.svelte';
  import { fold, ui } from './open.svelte';
  import SelectItem from '../fields/SelectItem.svelte';
  import WhenField from '../fields/WhenField.svelte';

  const numbers = $derived(Object.values(theBusiness().system.numbers ?? {}));
  const plans = $derived(unnumbered(theBusiness().system));
  const when = $derived(
    rehearsal.question.at === null ? '' : fieldText(rehearsal.question.at, theBusiness().zone),
  );
  const timed = $derived(
    rehearsal.personId !== null &&
      (rehearsal.question.does === 'answers' || rehearsal.question.does === 'declines'),
  );

  function setMoment(text: string) {
    const match = /^(\d{4}-\d\d-\d\d)T(\d\d):(\d\d)/.exec(text);
    rehearsal.ask({
      at: match ? momentOf(theBusiness().zone, match[1]!, Number(match[2]) * 60 + Number(match[3])) : null,
    });
  }
</script>

<section class="strip" aria-label="Rehearsal">
  {#if !rehearsal.number}
    <p>Get a number or write a plan, and this strip shows second by second what a call would do.</p>
  {:else if ui.folded}
    <p class="one">
      <span>Call {rehearsal.number.label}:</span>
      <output class="out" data-testid="rehearsal-outcome">{rehearsal.outcome}</output>
      <a class="now" href="/answering/rehearsal{rehearsal.link}">In full</a>
      <button class="now" type="button" aria-expanded="false" onclick={() => fold(false)}>Unfold</button>
    </p>
  {:else}
    <div class="ask">
      <span>Call</span>
      <Select
        inline
        hideLabel
        labelText="Number called"
        size="sm"
        selected={rehearsal.subject.id ?? ''}
        on:update={(e) => rehearsal.ask({ numberId: String(e.detail) })}
      >
        {#each numbers as n (n.id)}<SelectItem
            value={n.id}
            text="{n.label} · {theBusiness().number(n.e164)}"
          />{/each}
        {#each plans as p (p.id)}<SelectItem value={asPlan(p.id)} text="{p.name}, without a number" />{/each}
      </Select>
      <span>from</span>
      <Select
        inline
        hideLabel
        labelText="Caller"
        size="sm"
        selected={rehearsal.question.hidden ? 'hidden' : 'new'}
        on:update={(e) => rehearsal.ask({ hidden: e.detail === 'hidden' })}
      >
        <SelectItem value="new" text="a new caller" />
        <SelectItem value="hidden" text="a hidden number" />
      </Select>
      <span>at</span>
      <div class="moment">
        <WhenField
          hideLabel
          label="Moment of the call; empty is now"
          time
          value={when || fieldText(rehearsal.moment, theBusiness().zone)}
          onvalue={(value) => setMoment(value)}
        />
        {#if rehearsal.question.at !== null}<button
            class="now"
            type="button"
            onclick={() => rehearsal.ask({ at: null })}>now</button
          >{/if}
      </div>
      <span>when</span>
      <Select
        inline
        hideLabel
        labelText="Who does something"
        size="sm"
        selected={rehearsal.personId ?? ''}
        on:update={(e) => rehearsal.ask({ personId: String(e.detail) || null })}
      >
        <SelectItem value="" text="nobody answers" />
        {#each rehearsal.people as id (id)}<SelectItem
            value={id}
            text={theBusiness().system.people[id]?.name ?? id}
          />{/each}
      </Select>
      {#if rehearsal.personId}
        <Select
          inline
          hideLabel
          labelText="What they do"
          size="sm"
          selected={rehearsal.question.does}
          on:update={(e) => rehearsal.ask({ does: e.detail as typeof rehearsal.question.does })}
        >
          {#each DOINGS as d (d)}<SelectItem value={d} text={d} />{/each}
        </Select>
      {/if}
      {#if timed}
        <span>after</span>
        <div class="seconds">
          <NumberInput
            hideLabel
            hideSteppers
            labelText="Seconds of ringing before they act"
            size="sm"
            min={0}
            max={600}
            value={rehearsal.question.after}
            on:input={(e) => {
              if (typeof e.detail === 'number' && e.detail >= 0 && e.detail <= 600)
                rehearsal.ask({ after: e.detail });
            }}
          />
        </div>
        <span>s</span>
      {/if}
    </div>
    {#if rehearsal.chart}<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
      <div tabindex="0" role="group" aria-label="Ring chart" class="lanes">
        <RingChart chart={rehearsal.chart} dark />
      </div>{/if}
    <p class="sentence">
      <output class="out" data-testid="rehearsal-outcome">{rehearsal.outcome}</output>
      {#if rehearsal.trace && theBusiness().system}
        <span data-testid="rehearsal-sentence">{sentence(rehearsal.trace, rehearsal.system)}</span>
      {/if}
      <span class="note"
        >{supposed.is('rehearsal', theBusiness().standing)
          ? 'The draft, as if everybody had paired.'
          : 'The draft; every paired phone is taken to be on.'}</span
      >
      <a class="now" href="/answering/rehearsal{rehearsal.link}">In full</a>
      <button class="now" type="button" aria-expanded="true" onclick={() => fold(true)}>Fold</button>
    </p>
  {/if}
</section>

<style>
  .one {
    display: flex;
    gap: 12px;
    align-items: baseline;
    margin: 0;
    white-space: nowrap;
    overflow: hidden;
  }
  .one output {
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .strip {
    position: fixed;
    left: 0;
    right: var(--bench-width, 0px);
    bottom: 0;
    z-index: 20;
    background: var(--night);
    color: #f3efe6;
    padding: 10px 24px 8px;
    max-height: 42vh;
    overflow-y: auto;
  }
  .ask {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 8px;
    align-items: center;
    font-size: var(--text-body);
    margin-bottom: 8px;
  }
  .out {
    color: #f3c9a8;
    font-weight: 600;
    font-size: var(--text-lead);
    margin-right: 8px;
  }
  .sentence {
    margin: 4px 0 0;
    font-size: var(--text-small);
    color: #d5dbe0;
  }
  .sentence .note {
    color: #9fabb5;
  }
  .lanes {
    max-height: 124px;
    overflow-y: auto;
  }
  .moment,
  .seconds {
    display: flex;
    align-items: center;
    gap: 4px;
  }
  .seconds {
    width: 56px;
  }
  .now {
    background: none;
    border: 0;
    color: #f3c9a8;
    text-decoration: underline;
    cursor: pointer;
    padding: 2px 4px;
    font-size: var(--text-body);
  }
  .strip :global(.bx--select-input),
  .strip :global(.bx--text-input),
  .strip :global(.bx--number input[type='number']) {
    background-color: #26323e;
    color: #f3efe6;
    border-bottom: 1px solid #55606a;
    height: 28px;
    font-size: var(--text-body);
  }
  .strip :global(.bx--select-input) {
    max-width: 250px;
    padding: 0 30px 0 10px;
  }
  .strip :global(.bx--select__arrow) {
    fill: #f3efe6;
  }
  .strip :global(.when) {
    width: 232px;
  }
  .strip :global(.bx--number input[type='number']) {
    padding: 0 8px;
    min-width: 0;
  }
  .strip :global(.bx--select-option) {
    background: var(--night);
    color: #f3efe6;
  }
  .strip :global(.bx--form-item) {
    flex: 0 0 auto;
  }
  .strip :global(:focus-visible) {
    outline-color: #f3c9a8;
  }
</style>
