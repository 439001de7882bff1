<script lang="ts">
  import { Button, Select, TextInput } from 'carbon-components-svelte';
  import { EXCHANGE, missingToServe, PAUSE_REASONS, serviceOf, type Served } from '$core/phone';
  import { isOn, type Person, type System } from '$core/system';
  import { durationText, momentText } from '../../format';
  import type { Send } from '../../reach/settings.svelte';
  import type { PhoneDesk } from '../desk.svelte';
  import SelectItem from '../../fields/SelectItem.svelte';

  /** The queues somebody serves: who waits, whether they are on, a pause with its reason, and what is missing first. */
  let { desk, person, system, send }: { desk: PhoneDesk; person: Person; system: System; send: Send } =
    $props();
  const { queues, finishing } = $derived(desk.going);
  const missing = $derived(missingToServe(desk.inForce, desk.standing, person.id, desk.minute));
  const service = (q: Served) => serviceOf(desk.standing, q.queueId, person.id, finishing);
  const name = (q: Served) => system.queues[q.queueId]?.name ?? '';
  const paused = $derived(desk.standing.pauses?.[person.id]?.value ?? null);
  /** Asked for a login while something is missing: what that is, is said then. */
  let asked = $state('');
  let pausing = $state(false);
  let other = $state('');

  const log = (q: Served, on: boolean) =>
    send(`${on ? 'Logged in to' : 'Logged out of'} ${name(q)}`, [
      { kind: 'logged in', queueId: q.queueId, personId: person.id, on },
    ]);
  function logIn(q: Served) {
    asked = missing.length ? q.queueId : '';
    if (!missing.length) void log(q, true);
  }
  const pause = (reason: string | null) => {
    pausing = false;
    other = '';
    return send(reason === null ? 'You take calls again' : `Paused: ${reason}`, [
      { kind: 'paused', personId: person.id, reason },
    ]);
  };
  const undisturbed = $derived(isOn(desk.standing.dnd[person.id], desk.minute));
</script>

{#if queues.length}
  <div class="card" data-testid="serving">
    <h2>{queues.length === 1 ? `Queue: ${name(queues[0]!)}` : 'Your queues'}</h2>
    {#each queues as q (q.queueId)}
      {@const s = service(q)}
      <section aria-label={name(q)}>
        <p class="state">
          {#if queues.length > 1}<b>{name(q)}</b>{/if}
          <span class={s.is === 'on' ? 'on' : 'off'}>
            {#if s.is === 'on'}you take its calls
            {:else if s.is === 'finishing'}finishing, {durationText(Math.max(0, s.until - desk.now))} left
            {:else if s.is === 'paused'}paused: {s.reason}
            {:else}logged out{/if}
          </span>
          <span class="soft">
            {q.waiting
              ? `${q.waiting} ${q.waiting === 1 ? 'waits' : 'wait'}, the first for ${durationText(Math.max(0, desk.now - (q.since ?? desk.now)))}`
              : 'nobody waits'}
          </span>
        </p>
        {#if s.is === 'logged out'}
          {#if s.by === EXCHANGE && s.at !== null}<p class="small">
              You were logged out {momentText(s.at, desk.zone)}: no phone of yours was on.
            </p>{/if}
          {#if asked === q.queueId && missing.length}
            <div class="missing" role="status">
              <p>Before its calls reach you:</p>
              <ol>
                {#each missing as m (m.why)}
                  <li>
                    <b>{m.words}.</b>
                    {m.todo}
                    {#if m.why === 'do not disturb' && undisturbed}
                      <button
                        class="linkish"
                        type="button"
                        onclick={() =>
                          void send('Do not disturb is off', [
                            { kind: 'do not disturb', personId: person.id, on: false, until: null },
                          ])}>Switch it off</button
                      >
                    {/if}
                  </li>
                {/each}
              </ol>
            </div>
          {/if}
          <Button size="small" on:click={() => logIn(q)}>Log in</Button>
        {:else}
          <Button size="small" kind="ghost" on:click={() => void log(q, false)}>Log out</Button>
        {/if}
      </section>
    {/each}
    <div class="pause">
      {#if paused !== null}
        <Button size="small" on:click={() => void pause(null)}>Go on taking calls</Button>
      {:else if pausing}
        <form
          onsubmit={(e) => {
            e.preventDefault();
            if (other.trim()) void pause(other.trim());
          }}
        >
          <Select
            size="sm"
            labelText="Why"
            selected=""
            on:update={(e) => {
              if (e.detail) void pause(String(e.detail));
            }}
          >
            <SelectItem value="" text="choose" />
            {#each PAUSE_REASONS as r (r)}<SelectItem value={r} text={r} />{/each}
          </Select>
          <TextInput size="sm" labelText="Or in your words" maxlength={60} bind:value={other} />
          <Button size="small" type="submit" disabled={!other.trim()}>Pause</Button>
          <Button size="small" kind="ghost" on:click={() => (pausing = false)}>Leave it</Button>
        </form>
      {:else}
        <Button size="small" kind="tertiary" on:click={() => (pausing = true)}>Pause…</Button>
      {/if}
    </div>
  </div>
{/if}

<style>
  section + section {
    border-top: 1px solid var(--rule);
    padding-top: 8px;
  }
  .state {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 12px;
    margin: 0 0 6px;
  }
  .on {
    color: var(--group);
    font-weight: 600;
  }
  .off {
    color: var(--alarm);
    font-weight: 600;
  }
  .missing {
    border-left: 4px solid var(--alarm);
    padding-left: 10px;
    margin-bottom: 8px;
  }
  .missing p {
    margin: 0;
  }
  ol {
    margin: 4px 0;
    padding-left: 18px;
    list-style: decimal;
  }
  .pause {
    margin-top: 10px;
  }
  form {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 8px;
    align-items: end;
  }
</style>
