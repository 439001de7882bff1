<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import { isOpen, resultsOf } from '$core/dialogues';
  import { otherInWords } from '$ui/by-itself/doing';
  import SelectItem from '$ui/fields/SelectItem.svelte';
  import { count, momentText } from '$ui/format';
  import { theBusiness } from '$ui/window/session.svelte';

  const runs = $derived(theBusiness().view.runs);
  const named = $derived(
    new Map(
      runs.map((r) => [r.dialogueId, theBusiness().system.dialogues[r.dialogueId]?.name ?? r.name] as const),
    ),
  );
  let chosen = $state('');
  const id = $derived(named.has(chosen) ? chosen : ([...named.keys()].at(-1) ?? ''));
  const mine = $derived(runs.filter((r) => r.dialogueId === id));
  const results = $derived(resultsOf(mine));
  const percent = (share: number) => `${Math.round(share * 100)} %`;
  /** So many words of each are shown. */
  const MOST = 50;
  const byId = $derived(new Map(mine.map((r) => [r.id, r])));
  const STATES = {
    open: 'answers yet',
    done: 'over',
    'handed over': 'with a person',
    stopped: 'stopped',
    left: 'not answered',
  } as const;
  const stateOf = (r: (typeof mine)[number]) =>
    r.state === 'open' && !isOpen(r, theBusiness().minute) ? 'left' : r.state;
</script>

<svelte:head><title>Answers · By itself · Upper Line</title></svelte:head>

<h1>Answers</h1>
<p class="sub">
  What was answered to dialogues by text, and after talks. Each share stands with the interval in which it
  truly lies 95 times of 100 (Wilson); of a few answers that is wide.
</p>
{#if mine.length}
  <div class="choose">
    <Select
      size="sm"
      labelText="Of which dialogue"
      selected={id}
      on:update={(e) => (chosen = String(e.detail))}
    >
      {#each named as [of, name] (of)}<SelectItem value={of} text={name} />{/each}
    </Select>
  </div>
  {#each results as r (r.label)}
    <section class="card" aria-label={r.label}>
      <h2>{r.label}</h2>
      <p class="small soft">{count(r.answered, 'answer')} of {r.asked} who were asked.</p>
      {#if r.shares.length}
        <table aria-label="Shares of {r.label}">
          <thead
            ><tr><th>Answer</th><th>How many</th><th>Share</th><th>It lies between</th><th></th></tr></thead
          >
          <tbody>
            {#each r.shares as s (s.name)}
              <tr>
                <td>{s.name}</td>
                <td>{s.n}</td>
                <td>{r.answered ? percent(s.n / r.answered) : '–'}</td>
                <td>{r.answered ? `${percent(s.from)} and ${percent(s.to)}` : '–'}</td>
                <td class="drawn" aria-hidden="true">
                  <span class="span" style:left={percent(s.from)} style:right={percent(1 - s.to)}></span>
                  {#if r.answered}<span class="at" style:left={percent(s.n / r.answered)}></span>{/if}
                </td>
              </tr>
            {/each}
          </tbody>
        </table>
      {:else}
        <ul>
          {#each r.said.slice(0, MOST) as s (s.runId)}
            <li>
              “{s.text}” <span class="small soft">{otherInWords(byId.get(s.runId)?.theirs ?? null)}</span>
            </li>
          {/each}
        </ul>
        {#if r.said.length > MOST}<p class="small">The newest {MOST} of {r.said.length} are shown.</p>{/if}
      {/if}
    </section>
  {/each}
  <section class="card" aria-label="Who was asked">
    <h2>Who was asked</h2>
    <table aria-label="Who was asked">
      <thead><tr><th>Who</th><th>Begun</th><th>How it stands</th><th>Answers</th></tr></thead>
      <tbody>
        {#each mine.toReversed().slice(0, 100) as r (r.id)}
          <tr>
            <td
              >{otherInWords(r.theirs)}{#if r.callId}
                <span class="small soft">after a talk</span>{/if}</td
            >
            <td>{momentText(r.at, theBusiness().zone)}</td>
            <td>{STATES[stateOf(r)]}</td>
            <td>{r.answers.map((a) => `${a.label}: ${a.said}`).join('; ')}</td>
          </tr>
        {/each}
      </tbody>
    </table>
    {#if mine.length > 100}<p class="small">The newest 100 of {mine.length} are shown.</p>{/if}
  </section>
{:else}
  <div class="empty">
    <h2>Nobody was asked yet</h2>
    <p>
      Once a <a href="/by-itself/dialogues">dialogue</a> is in force and somebody writes, or a
      <a href="/by-itself">follow-up</a> begins one, what they answer stands here.
    </p>
  </div>
{/if}

<style>
  .choose {
    max-width: 320px;
    margin: 8px 0;
  }
  table {
    width: 100%;
    border-collapse: collapse;
    font-size: var(--text-body);
  }
  th,
  td {
    text-align: left;
    padding: 5px 12px 5px 0;
    border-bottom: 1px solid var(--rule);
    overflow-wrap: anywhere;
    vertical-align: top;
  }
  .drawn {
    position: relative;
    width: 40%;
    padding: 0;
  }
  .span {
    position: absolute;
    top: 45%;
    height: 3px;
    background: var(--held-line);
  }
  .at {
    position: absolute;
    top: 25%;
    width: 3px;
    height: 50%;
    background: var(--copper);
  }
  ul {
    padding-left: 18px;
    overflow-wrap: anywhere;
  }
</style>
