<script lang="ts">
  import { Button, Checkbox, InlineLoading } from 'carbon-components-svelte';
  import { onDestroy, untrack } from 'svelte';
  import { proxy } from 'comlink';
  import { netChanges, withAlone, type NetChange } from '$core/changes';
  import { fixedLines } from '$core/costs';
  import { alike } from '$core/findings';
  import { differencesOf, type Differences, type DifferencesSoFar } from '$core/coverage';
  import FindingList from '$ui/FindingList.svelte';
  import { byWhom, count, momentText } from '$ui/format';
  import AfterForce from '$ui/changes/AfterForce.svelte';
  import DifferenceCard from '$ui/changes/DifferenceCard.svelte';
  import ForceLater from '$ui/changes/ForceLater.svelte';
  import NetChanges from '$ui/changes/NetChanges.svelte';
  import Versions from '$ui/changes/Versions.svelte';
  import { sumText } from '$ui/numbers/sums';
  import { LoadHeld } from '$ui/promises/load-held.svelte';
  import LoadVerdicts from '$ui/promises/LoadVerdicts.svelte';
  import { CoverageClient } from '$ui/coverage/client';
  import { supposed } from '$ui/supposed/supposed.svelte';
  import Supposed from '$ui/supposed/Supposed.svelte';
  import { session, theBusiness } from '$ui/window/session.svelte';
  import { TARIFF } from '$standins/carrier/prices';

  const NOTHING: Differences = { week: [], later: [], left: [] };

  const view = $derived(theBusiness().view);
  const record = $derived(view.draft.record);
  const before = $derived(view.inForce.system);
  const after = $derived(record.system);
  const hour = $derived(Math.floor(theBusiness().now / 3_600_000) * 3_600_000);
  const waiting = $derived(view.draft.edits.filter((e) => e.seq > record.inForceAt && e.seq <= record.done));
  const undone = $derived(Math.max(0, record.inForceAt - record.done));
  const stops = $derived(theBusiness().checks.findings.filter((f) => f.severity === 'stops'));
  const history = $derived([...view.draft.edits].reverse().slice(0, 100));
  /** Promises about load are held against a draft that differs; whoever does not want to wait stops that. */
  const load = new LoadHeld();
  onDestroy(() => load.stop());
  const against = $derived(stops.length > 0 || load.broken > 0);
  $effect(() => {
    const [draft, isWaiting] = [after, theBusiness().waiting];
    untrack(() => {
      load.stop();
      if (isWaiting) void load.hold(theBusiness(), draft);
    });
  });
  const net = $derived(netChanges(before, after));
  /** The change that is looked at as if nothing else had changed. */
  let aloneKey = $state<string | null>(null);
  const alone = $derived(net.find((c) => c.key === aloneKey) ?? null);
  const withIt = $derived(alone && withAlone(alone, before, after));
  const compared = $derived(alone ? (withIt ?? before) : after);
  const price = $derived([sumText(fixedLines(before, TARIFF)), sumText(fixedLines(after, TARIFF))]);
  function lookAt(change: NetChange | null) {
    aloneKey = change?.key ?? null;
    document.querySelector('h1')?.scrollIntoView({ block: 'nearest' });
  }
  let inSpite = $state(false);
  let problem = $state('');
  /** What differs: what was found so far while it is worked out. */
  let differ = $state.raw<Differences>(NOTHING);
  /** How far that has come; null when all of it is there. */
  let looked = $state.raw<{ numbers: number; of: number } | null>(null);
  /** So many are shown at first, and so many more each time. */
  const AT_ONCE = 40;
  let shown = $state(AT_ONCE);
  const client = new CoverageClient();
  onDestroy(() => client.stop());
  $effect(() => {
    const phones = { ...before.phones, ...compared.phones };
    const reckoned = supposed.standing('changes', { phones }, theBusiness().standing);
    const [a, b, standing, moment] = [before, compared, reckoned, hour];
    differ = NOTHING;
    looked = { numbers: 0, of: Object.keys(b.numbers).length };
    shown = AT_ONCE;
    const all = (found: Differences) => {
      differ = found;
      looked = null;
    };
    let left = false;
    const tell = proxy((sofar: DifferencesSoFar) => {
      if (left || !looked) return;
      differ = sofar;
      looked = sofar;
    });
    void client
      .ask((w) => w.differences(a, b, standing, moment, tell) as Promise<Differences>)
      .then((found) => {
        if (found) all(found);
      })
      // A worker that failed must not keep anybody from seeing what differs: then it is worked out here.
      .catch(() => all(differencesOf(a, b, standing, moment)));
    return () => (left = true);
  });
  let busy = $state(false);

  async function putInForce() {
    busy = true;
    problem = (await theBusiness().workspace.putInForce(record.revision)) ?? '';
    busy = false;
    if (!problem) {
      inSpite = false;
      session.say({
        kind: 'success',
        title: 'In force: callers get this from now on.',
        detail: 'For whom it changes something, and what to try now, stands beside.',
      });
    }
  }
</script>

<svelte:head><title>Changes · Upper Line</title></svelte:head>

{#snippet more(all: number)}
  <p>
    <Button kind="tertiary" size="small" on:click={() => (shown += AT_ONCE)}>
      Show {Math.min(AT_ONCE, all - shown)} more of {all}
    </Button>
  </p>
{/snippet}

<div class="columns">
  <section>
    <h1>What differs for callers</h1>
    <p class="sub">
      The draft against what is in force, for calls that nobody answers, whoever calls and whatever they
      press, over the seven days from today, and then over the rest of the year. Not part of it: calls while
      those rung are on other calls, callers who spell a name, and colleagues who dial an extension.
    </p>
    {#if !theBusiness().waiting}<AfterForce />{/if}
    <Supposed place="changes" system={compared} of="the draft" />
    {#if alone}
      <p class="alone" role="status" data-testid="alone">
        {#if withIt}Only what changes of <b>{alone.name}</b>, as if nothing else had.
        {:else}What changes of <b>{alone.name}</b> goes with other changes: by itself it cannot be.{/if}
        <button class="linkish" type="button" onclick={() => lookAt(null)}>All changes together</button>
      </p>
    {/if}
    {#each differ.week.slice(0, shown) as d (`${d.numberId} ${d.caller} ${d.when} ${d.before} ${d.after}`)}
      <DifferenceCard difference={d} {before} after={compared} />
    {:else}
      {#if !looked}
        <div class="empty">
          <h2>{differ.left.length ? 'Nothing found that differs' : 'Nothing differs for callers'}</h2>
          <p>
            {differ.later.length
              ? 'Not in the coming seven days.'
              : alone
                ? 'No unanswered call that was looked at goes another way because of this one.'
                : theBusiness().waiting
                  ? 'The draft has changes, but no unanswered call that was looked at goes another way because of them.'
                  : 'The draft is what is in force.'}
          </p>
        </div>
      {/if}
    {/each}
    {#if looked}
      <InlineLoading
        description={looked.numbers
          ? `${looked.numbers} of ${count(looked.of, 'number')} looked at so far`
          : 'What differs is worked out'}
      />
    {:else if differ.week.length + differ.later.length > AT_ONCE}
      <p class="sub" data-testid="how-many">
        {count(differ.week.length, 'thing differs', 'things differ')} in the coming seven days, {count(
          differ.later.length,
          'more thing',
          'more things',
        )} later in the year.
      </p>
    {/if}
    {#if differ.week.length > shown}{@render more(differ.week.length)}{/if}
    {#if differ.left.length}
      <div class="card left" data-testid="not-looked-at">
        <h2>Not looked at</h2>
        {#each differ.left as words (words)}<p>{words}</p>{/each}
      </div>
    {/if}
    {#if differ.later.length}
      <h2 class="later">Later in the year</h2>
      {#each differ.later.slice(0, shown) as d (`${d.numberId} ${d.caller} ${d.when} ${d.before} ${d.after}`)}
        <DifferenceCard difference={d} {before} after={compared} />
      {/each}
      {#if differ.later.length > shown}{@render more(differ.later.length)}{/if}
    {/if}
  </section>
  <aside>
    <div class="card">
      <h2>
        {theBusiness().waiting
          ? `${count(waiting.length || undone, waiting.length ? 'edit waits' : 'edit undone', waiting.length ? 'edits wait' : 'edits undone')}`
          : 'No edit waits'}
      </h2>
      {#if waiting.length}
        <details>
          <summary class="small">One by one</summary>
          <ol>
            {#each waiting as e (e.seq)}<li>
                {e.words}{#if e.by}<span class="soft small"> · {e.by}</span>{/if}
              </li>{/each}
          </ol>
        </details>
      {/if}
      {#if theBusiness().waiting && !net.length}
        <p>They come to nothing: everything is as it is in force.</p>
      {/if}
      {#if price[0] !== price[1]}
        <p data-testid="price">
          Numbers and people cost <b>{price[1]}</b> a month; <del>{price[0]}</del> before.
          <a class="small" href="/numbers/costs">Costs</a>
        </p>
      {/if}
      {#if undone}<p class="small soft">Edits that are in force have been undone in the draft.</p>{/if}
      {#if theBusiness().waiting && load.promises.length}
        <h3>Promises about load</h3>
        <LoadVerdicts held={load} />
      {/if}
      {#if against}
        <Checkbox
          labelText="In spite of {[
            stops.length ? count(stops.length, 'finding') : '',
            load.broken ? count(load.broken, 'broken promise') : '',
          ]
            .filter(Boolean)
            .join(' and ')} that should stop this"
          bind:checked={inSpite}
        />
      {/if}
      <Button
        disabled={busy ||
          !theBusiness().waiting ||
          !theBusiness().checks.done ||
          (against && !inSpite) ||
          load.busy}
        on:click={putInForce}>Put in force</Button
      >
      {#if theBusiness().waiting && !theBusiness().checks.done}<InlineLoading
          description="The promises are held against the draft"
        />{/if}
      {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
      <ForceLater
        disabled={busy ||
          !theBusiness().waiting ||
          !theBusiness().checks.done ||
          (against && !inSpite) ||
          load.busy}
      />
      {#if theBusiness().checks.findings.length}<p class="small">
          <a href="#found"
            >The checks found {count(alike(theBusiness().checks.findings).length, 'thing')} in the draft</a
          >
        </p>{/if}
      <p class="small soft">In force since {momentText(view.inForce.at, theBusiness().zone)}.</p>
      <div class="row">
        <Button
          kind="ghost"
          size="small"
          disabled={record.done === 0}
          on:click={() => theBusiness().undoEdit()}>Undo</Button
        >
        <Button
          kind="ghost"
          size="small"
          disabled={!view.draft.edits.some((e) => e.seq === record.done + 1)}
          on:click={() => theBusiness().redoEdit()}>Redo</Button
        >
      </div>
    </div>
    {#if net.length}
      <div class="card">
        <NetChanges changes={net} then={before} alone={alone?.key ?? null} onalone={lookAt} />
      </div>
    {/if}
    <div class="card" id="found">
      <h2>What the checks found in the draft</h2>
      {#if theBusiness().checks.findings.length}<FindingList
          findings={theBusiness().checks.findings}
        />{:else}<p class="soft">Nothing.</p>{/if}
    </div>
    <Versions />
    <details class="card">
      <summary>History of edits</summary>
      <ol class="history">
        {#each history as e (e.seq)}
          <li>
            {e.words}
            <span class="soft small">
              {momentText(e.at, theBusiness().zone)} · {byWhom(e.by)} · {e.seq > record.done
                ? 'undone'
                : e.seq > record.inForceAt
                  ? 'in the draft'
                  : 'in force'}
            </span>
          </li>
        {:else}<li class="soft">Nothing has been edited yet.</li>{/each}
      </ol>
    </details>
  </aside>
</div>

<style>
  #found {
    scroll-margin-top: 90px;
  }
  .columns {
    grid-template-columns: minmax(0, 1fr) 380px;
  }
  .alone {
    border-left: 4px solid var(--copper);
    padding-left: 10px;
  }
  .left {
    border-left: 4px solid var(--copper);
    margin-top: 10px;
  }
  .later {
    margin: 18px 0 8px;
  }
  ol {
    margin: 0 0 12px;
    padding-left: 20px;
    list-style: decimal;
    font-size: var(--text-lead);
    max-height: 240px;
    overflow-y: auto;
  }
  details:not(.card) {
    margin-bottom: 10px;
  }
  summary {
    font-weight: 650;
    cursor: pointer;
  }
  .history {
    list-style: none;
    padding: 0;
    margin: 8px 0 0;
  }
  .history li {
    padding: 4px 0;
  }
  .problem {
    color: var(--alarm);
  }
  h3 {
    margin: 0;
    font-size: var(--text-lead);
  }
  .row {
    display: flex;
    gap: 4px;
  }
</style>
