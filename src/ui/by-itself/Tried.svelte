<script lang="ts">
  import { Button, InlineLoading } from 'carbon-components-svelte';
  import { exampleOf, ifInWords, rowOf, whenInWords } from '$core/followups';
  import type { FollowUp } from '$core/system';
  import type { TriedHere } from '../../workers/log.worker';
  import { count, momentText } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import { doingInWords, otherInWords } from './doing';

  /** What it would have done in the last days, worked out anew with every edit. */
  let { followUp }: { followUp: FollowUp } = $props();
  const DAYS = 30;
  const STEP = 50;
  let most = $state(STEP);
  let tried = $state.raw<TriedHere | null | undefined>();
  let asked = 0;
  $effect(() => {
    const { system, view, logbook } = theBusiness();
    void system;
    const mine = ++asked;
    void logbook.tried(followUp.id, view.dealings.wishes ?? [], DAYS, most).then((found) => {
      if (mine === asked) tried = found;
    });
  });
  const system = $derived(theBusiness().system);
  const example = $derived(exampleOf(followUp, system, theBusiness().minute));
  const zone = $derived(theBusiness().zone);
  const NAMES = {
    text: ['text', 'texts'],
    ask: ['dialogue', 'dialogues'],
    mail: ['mail', 'mails'],
    hook: ['word to records elsewhere', 'words to records elsewhere'],
    task: ['task', 'tasks'],
    list: ['name on a call list', 'names on call lists'],
    tag: ['tag', 'tags'],
    note: ['note', 'notes'],
  } as const;
  const lower = (text: string) => text.replace(/^./, (c) => c.toLowerCase());
</script>

<section aria-label="Tried on the last {DAYS} days" aria-live="polite">
  <h3>Tried on the last {DAYS} days</h3>
  {#if theBusiness().logbook.problem}
    <p class="problem" role="alert">{theBusiness().logbook.problem}</p>
  {:else if tried === undefined}
    <InlineLoading description="It is tried on what there was." />
  {:else if tried === null || followUp.rests}
    <p class="small soft">
      {followUp.rests ? 'It rests: nothing would have been done.' : 'There is nothing to try it on.'}
    </p>
  {:else}
    <p data-testid="tried">
      {#if tried.about}
        Of {count(tried.about, 'time')} that {whenInWords(followUp.when)}, it would have applied to
        <b>{tried.applied}</b>.
      {:else}
        It was not once so that {whenInWords(followUp.when)}.
      {/if}
    </p>
    {#if !tried.applied && example?.length}
      <p class="small soft">As it would be for somebody now:</p>
      <ul>
        {#each example as one (one.id)}<li>
            {one.doing ? doingInWords(one.doing) : `Nothing: ${one.lacks}`}
          </li>{/each}
      </ul>
    {/if}
    {#if tried.about > tried.applied}
      <ul class="small">
        {#each followUp.if as condition, i (i)}
          {#if tried.notSo[i]}<li>
              {tried.notSo[i]} not: it was not so that {ifInWords(condition, system)}.
            </li>{/if}
        {/each}
      </ul>
    {/if}
    {#if tried.counts.length}
      <ul class="counts">
        {#each tried.counts as { what, why, done, n } (`${what} ${done} ${why}`)}
          <li class:not={!done}>
            <b>{n}</b>
            {what ? NAMES[what][n === 1 ? 0 : 1] : ''}
            {#if !done}not: {lower(why)}{:else if why}later: {lower(why)}{:else}when due.{/if}
          </li>
        {/each}
      </ul>
    {/if}
    {#if tried.lines.length}
      <table aria-label="What each would have got">
        <thead
          ><tr><th>Who, and when it happened</th><th>What they would have got</th><th>When</th></tr></thead
        >
        <tbody>
          {#each tried.lines as line (`${rowOf(line.happening)?.kind} ${rowOf(line.happening)?.id}`)}
            {@const row = rowOf(line.happening)}
            {#each line.got as got, i (i)}
              <tr class:not={got.at === null}>
                <td
                  >{#if i === 0 && row}{otherInWords(row.facts.other)}<br /><span class="small soft"
                      >{momentText(row.at, zone)}</span
                    >{/if}</td
                >
                <td class="says">{doingInWords(got.doing)}</td>
                <td>
                  {#if got.at === null}Not: {got.why}{:else}{momentText(got.at, zone)}{#if got.why}<br /><span
                        class="small soft">{got.why}</span
                      >{/if}{/if}
                </td>
              </tr>
            {/each}
          {/each}
        </tbody>
      </table>
      {#if tried.applied > tried.lines.length}
        <p class="small">
          The newest {tried.lines.length} of {tried.applied} are shown.
          <Button size="small" kind="ghost" on:click={() => (most += STEP * 4)}>Show more</Button>
        </p>
      {/if}
    {/if}
  {/if}
</section>

<style>
  section {
    min-width: 0;
  }
  h3 {
    margin: 12px 0 4px;
  }
  .counts {
    padding-left: 18px;
  }
  .not {
    color: var(--ink-soft);
  }
  table {
    width: 100%;
    border-collapse: collapse;
    font-size: var(--text-body);
  }
  th,
  td {
    text-align: left;
    vertical-align: top;
    padding: 5px 10px 5px 0;
    border-bottom: 1px solid var(--rule);
  }
  .says {
    overflow-wrap: anywhere;
    max-width: 46ch;
  }
</style>
