<script lang="ts">
  import { alike, corrected, type Finding } from '$core/findings';
  import EditField from './fields/EditField.svelte';
  import { theBusiness } from './window/session.svelte';

  let { findings, most = 6 }: { findings: Finding[]; most?: number } = $props();
  let all = $state(false);
  /** So many of those alike are drawn, once they are asked for, and so many more each time. */
  const AT_ONCE = 20;
  /** How many of those alike are drawn, by the first of them. */
  const opened = $state<Record<string, number>>({});
  const groups = $derived(alike(findings));
  const shown = $derived(all ? groups : groups.slice(0, most));
  const WORD = { stops: 'Stops', warning: 'Warning', hint: 'Hint' } as const;

  function href({ place }: Finding): string {
    if (place.kind === 'plan') return `/answering/${place.id}${place.stepId ? `?step=${place.stepId}` : ''}`;
    if (place.kind === 'person') return `/people/${place.id}`;
    if (place.kind === 'number') return `/numbers#${place.id}`;
    if (place.kind === 'site') return `/numbers/sites#${place.id}`;
    if (place.kind === 'dialling') return '/numbers/dialling';
    if (place.kind === 'group') return `/people/groups#${place.id}`;
    if (place.kind === 'phone') return `/phones/${place.id}`;
    if (place.kind === 'queue') return `/answering/queues#${place.id}`;
    if (place.kind === 'rota') return `/hours/rotas#${place.id}`;
    if (place.kind === 'meeting room') return `/answering/rooms#${place.id}`;
    if (place.kind === 'call button') return `/by-itself/buttons#${place.id}`;
    if (place.kind === 'own answer') return `/answering/answers#${place.id}`;
    if (place.kind === 'calendar') return `/by-itself/bookings#${place.id}`;
    if (place.kind === 'dialogue') return `/by-itself/dialogues#${place.id}`;
    if (place.kind === 'follow-up') return `/by-itself#${place.id}`;
    return { hours: `/hours#${place.id}`, mailbox: '/messages' }[place.kind];
  }
</script>

{#snippet one(finding: Finding, more: readonly Finding[] = [])}
  <div class="finding {finding.severity}">
    <b><span class="mark">{WORD[finding.severity]}</span> <a href={href(finding)}>{finding.title}</a></b>
    <span>{finding.detail}</span>
    {#if finding.correct}
      {@const { correct } = finding}
      <div class="correct">
        <EditField
          label={correct.label}
          value={correct.value}
          keep={(text) => {
            const { words, commands } = corrected(correct, text);
            return theBusiness().keep(words, commands);
          }}
        />
      </div>
    {/if}
    {#if finding.fix}
      {@const fix = finding.fix}
      <button
        class="linkish"
        type="button"
        onclick={() => theBusiness().edit(fix.edit.words, fix.edit.commands, { withNotice: true })}
        >{fix.label}</button
      >
    {/if}
    {#if more.length}
      {@const most = opened[finding.id] ?? 0}
      <details ontoggle={(e) => e.currentTarget.open && !most && (opened[finding.id] = AT_ONCE)}>
        <summary>The same of {more.length} more</summary>
        {#each more.slice(0, most) as other (other.id)}{@render one(other)}{/each}
        {#if most && more.length > most}
          <button class="linkish small" type="button" onclick={() => (opened[finding.id] = most + AT_ONCE)}
            >Show {Math.min(AT_ONCE, more.length - most)} more of {more.length}</button
          >
        {/if}
      </details>
    {/if}
  </div>
{/snippet}

{#each shown as [first, ...more] (first!.id)}{@render one(first!, more)}{/each}
{#if groups.length > most}
  <button class="linkish small" type="button" onclick={() => (all = !all)}
    >{all ? 'Show fewer' : `Show all ${groups.length}`}</button
  >
{/if}

<style>
  .finding {
    padding: 8px 0;
    border-bottom: 1px solid var(--rule);
    font-size: var(--text-body);
  }
  details {
    margin-top: 4px;
  }
  summary {
    cursor: pointer;
    font-size: var(--text-small);
  }
  details .finding {
    padding-left: 12px;
  }
  .finding:last-of-type {
    border: 0;
  }
  b {
    display: block;
    font-size: var(--text-body);
  }
  b a {
    color: var(--ink);
    text-decoration: none;
  }
  b a:hover {
    text-decoration: underline;
  }
  span {
    color: var(--ink-soft);
  }
  .correct {
    margin: 6px 0 2px;
  }
  .mark {
    font-size: var(--text-tiny);
    font-weight: 650;
    padding: 0 5px;
    border: 1px solid currentcolor;
    margin-right: 2px;
  }
  .stops .mark {
    color: var(--on-solid);
    background: var(--solid-alarm);
    border-color: var(--solid-alarm);
  }
  .warning .mark {
    color: var(--alarm);
  }
  .hint .mark {
    color: var(--ink-soft);
  }
</style>
