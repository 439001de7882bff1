<script lang="ts">
  import { Button, Checkbox } from 'carbon-components-svelte';
  import { changesByPerson } from '$core/changes';
  import { waitsAsBefore, type WaitsAsBefore } from '$core/followups';
  import { tellOfChanges, withdrawErrands, type VersionRecord } from '$workspace';
  import { count, momentText } from '../format';
  import { freshId } from '../ids';
  import { session, theBusiness } from '../window/session.svelte';

  /** What went in force last: for whom it changes something, what to try now, and who should be told. */
  const inForce = $derived(theBusiness().view.inForce);
  let before = $state.raw<VersionRecord | null>(null);
  $effect(() => {
    const { n } = inForce;
    void theBusiness()
      .workspace.versions()
      .then((all) => (before = all.find((v) => v.n === n - 1) ?? null))
      // Without the version before there is nothing to compare with, and nothing is said.
      .catch(() => (before = null));
  });
  const forWhom = $derived(before ? changesByPerson(before.system, inForce.system) : []);
  /** What waits goes as it was, unless somebody calls it off. */
  let stay = $state.raw<readonly string[]>([]);
  const waiting = $derived(
    before
      ? waitsAsBefore(before.system, inForce.system, theBusiness().view.errands, inForce.at).filter(
          (w) => !stay.includes(w.followUpId),
        )
      : [],
  );
  const HOW = {
    changed: 'as it was before it was changed',
    removed: 'though it was removed',
    resting: 'though it rests now',
  };
  async function callOff({ name, ids }: WaitsAsBefore) {
    const back = await withdrawErrands(theBusiness().workspace, ids);
    theBusiness().sayDone({ kind: 'info', title: `Called off: ${ids.length} of ${name}` }, async () =>
      back(),
    );
  }
  const numbers = $derived(Object.values(inForce.system.numbers).filter((n) => n.planId));
  /** So many are shown at first. */
  const FEW = 6;
  let all = $state(false);
  let left = $state<Record<string, boolean>>({});
  const chosen = $derived(forWhom.filter(({ person }) => person.email && !left[person.id]));
  const silent = $derived(forWhom.filter(({ person }) => !person.email));
  /** The version that was told of in this window. */
  let told = $state(-1);
  let busy = $state(false);

  async function tell() {
    busy = true;
    try {
      await tellOfChanges(
        theBusiness().workspace,
        chosen,
        inForce.at,
        () => freshId('mail'),
        `${location.origin}/phone`,
      );
      told = inForce.n;
      session.say({
        kind: 'success',
        title: `${count(chosen.length, 'mail')} sent`,
        detail: 'In the bench’s mail.',
      });
    } finally {
      busy = false;
    }
  }
</script>

{#if numbers.length || forWhom.length || waiting.length}
  <section class="card" aria-label="Since it went in force" data-testid="after-force">
    <h2>In force since {momentText(inForce.at, theBusiness().zone)}</h2>
    {#if numbers.length}
      <h3>Try it now</h3>
      <p class="calls">
        {#each numbers.slice(0, FEW) as n (n.id)}
          <a
            href="/bench/phone?business={theBusiness().id}&dial={encodeURIComponent(n.e164)}"
            target="_blank"
            rel="opener">Call {n.label}</a
          >
        {/each}
        <span class="small soft">An outside phone of the bench calls it, for real.</span>
      </p>
    {/if}
    {#if waiting.length}
      <h3>What waits from before</h3>
      <ul>
        {#each waiting as w (w.followUpId)}
          <li data-testid="waits-as-before">
            {count(w.ids.length, 'thing')} of “{w.name}” {w.ids.length === 1 ? 'waits' : 'wait'}, and
            {w.ids.length === 1 ? 'goes' : 'go'} out {HOW[w.is]}.
            <button class="linkish small" type="button" onclick={() => void callOff(w)}
              >Call {w.ids.length === 1 ? 'it' : 'them'} off<span class="visually-hidden">
                {w.name}</span
              ></button
            >
            <button class="linkish small" type="button" onclick={() => (stay = [...stay, w.followUpId])}
              >Let {w.ids.length === 1 ? 'it' : 'them'} go<span class="visually-hidden">
                {w.name}</span
              ></button
            >
          </li>
        {/each}
      </ul>
    {/if}
    {#if forWhom.length}
      <h3>For whom it changes something</h3>
      <ul>
        {#each all ? forWhom : forWhom.slice(0, FEW) as { person, says } (person.id)}
          <li>
            <Checkbox
              labelText={person.name}
              disabled={!person.email}
              checked={!!person.email && !left[person.id]}
              on:check={(e) => (left = { ...left, [person.id]: !e.detail })}
            />
            <p class="small">
              {says.join(' ')}{person.email ? '' : ' There is no e-mail address to write to.'}
            </p>
          </li>
        {/each}
      </ul>
      {#if forWhom.length > FEW && !all}
        <button class="linkish small" type="button" onclick={() => (all = true)}
          >Show all {forWhom.length}</button
        >
      {/if}
      <Button
        size="small"
        kind="tertiary"
        disabled={busy || !chosen.length || told === inForce.n}
        on:click={() => void tell()}
        >{told === inForce.n
          ? 'They have been told'
          : `Mail ${count(chosen.length, 'person', 'people')} what changes for them`}</Button
      >
      {#if silent.length}
        <p class="small soft">
          Without an e-mail address: {silent.map(({ person }) => person.name).join(', ')}.
        </p>
      {/if}
    {/if}
  </section>
{/if}

<style>
  h3 {
    font-size: var(--text-lead);
    margin: 8px 0 4px;
  }
  .calls {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 16px;
    margin: 0 0 8px;
  }
  ul {
    list-style: none;
    margin: 0 0 10px;
    padding: 0;
  }
  li {
    border-top: 1px solid var(--rule);
    padding: 4px 0 6px;
  }
  li p {
    margin: 0 0 0 26px;
    overflow-wrap: anywhere;
  }
</style>
