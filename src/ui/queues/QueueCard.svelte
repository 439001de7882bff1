<script lang="ts">
  import { MultiSelect, NumberInput, Select, Toggle } from 'carbon-components-svelte';
  import { PATTERN_WORDS } from '$core/answering';
  import { Pattern, servingOf, usersOf, type Queue } from '$core/system';
  import EditField from '../fields/EditField.svelte';
  import PeopleField from '../fields/PeopleField.svelte';
  import HoldSound from '../fields/HoldSound.svelte';
  import RecordingField from '../fields/RecordingField.svelte';
  import SecondsField from '../fields/SecondsField.svelte';
  import Origin from '../reach/Origin.svelte';
  import { sendFromHere } from '../reach/settings.svelte';
  import { named } from '../named';
  import { theBusiness } from '../window/session.svelte';
  import { setQueue } from './edits';
  import SelectItem from '../fields/SelectItem.svelte';

  let { queue }: { queue: Queue } = $props();
  const system = $derived(theBusiness().system);
  const usedBy = $derived(usersOf(system, 'queue', queue.id));
  let problem = $state('');
  const set = (change: Partial<Omit<Queue, 'id'>>, words: string): string | undefined => {
    problem = setQueue(queue, change, words) ?? '';
    return problem || undefined;
  };
  /** For fields that say themselves what is wrong. */
  const keep = (change: Partial<Omit<Queue, 'id'>>, words: string) => setQueue(queue, change, words);
  const serving = $derived(servingOf(system, queue.id));
  function setGroups(ids: string[]) {
    const now = queue.groupIds ?? [];
    if (ids.length === now.length && ids.every((id) => now.includes(id))) return;
    set({ groupIds: ids.length ? ids : undefined }, 'which groups serve it');
  }
  const loggedIn = (id: string) => theBusiness().standing.logins[queue.id]?.[id]?.value ?? true;
  const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1);
  const KEYS = [...'123456789*0#'];

  const pauseOf = (id: string) => theBusiness().standing.pauses?.[id]?.value ?? null;

  /** Logging in and out is no edit: it holds at once. */
  const log = (personId: string, on: boolean) =>
    sendFromHere(`${nameOf(personId)} ${on ? 'logged in to' : 'logged out of'} ${queue.name}`, [
      { kind: 'logged in', queueId: queue.id, personId, on },
    ]);
  const nameOf = (personId: string) => system.people[personId]?.name ?? 'Somebody';
</script>

<section class="card" id={queue.id} aria-label={queue.name}>
  <div class="head">
    <EditField label="Name" value={queue.name} keep={(name) => keep({ name }, `called “${name}”`)} />
    <EditField
      label="Extension"
      value={queue.extension ?? ''}
      placeholder="none"
      keep={(text) => keep({ extension: text || null }, text ? `extension ${text}` : 'without an extension')}
    />
    <p class="small soft">
      {usedBy.length ? `Used by ${usedBy.map((p) => p.name).join(', ')}.` : 'No plan uses it.'}
      <button
        class="linkish"
        type="button"
        onclick={() =>
          theBusiness().edit(`Remove the queue ${queue.name}`, [{ do: 'queue.remove', id: queue.id }], {
            withNotice: true,
          })}>Remove</button
      >
    </p>
  </div>
  <div class="cols">
    <div class="fields">
      <h3>Who serves it</h3>
      <PeopleField
        label="People"
        people={system.people}
        chosen={queue.memberIds}
        none="nobody yet"
        onchange={(memberIds) => set({ memberIds }, 'who serves it')}
      />
      {#if Object.keys(system.groups).length}
        <div {@attach named('Groups that serve it')}>
          <MultiSelect
            size="sm"
            labelText="Groups that serve it"
            label={(queue.groupIds ?? []).map((id) => system.groups[id]?.name ?? '').join(', ') || 'no group'}
            items={Object.values(system.groups).map((g) => ({ id: g.id, text: g.name }))}
            selectedIds={queue.groupIds ?? []}
            on:select={(e) => setGroups(e.detail.selectedIds as string[])}
          />
        </div>
      {/if}
      {#each serving as id (id)}
        <Toggle
          size="sm"
          labelText={system.people[id]?.name ?? ''}
          labelA="logged out"
          labelB="logged in"
          toggled={loggedIn(id)}
          on:toggle={(e) => {
            if (e.detail.toggled !== loggedIn(id)) void log(id, e.detail.toggled);
          }}
        />
        {#if pauseOf(id) !== null}
          <p class="small">
            paused: {pauseOf(id)}
            <button
              class="linkish"
              type="button"
              onclick={() =>
                void sendFromHere(`${nameOf(id)} takes calls again`, [
                  { kind: 'paused', personId: id, reason: null },
                ])}>Take calls again</button
            >
            <Origin stamp={theBusiness().standing.pauses?.[id]} />
          </p>
        {/if}
      {/each}
      <Select
        size="sm"
        labelText="Who is rung"
        selected={queue.pattern}
        on:update={(e) => {
          const pattern = Pattern.safeParse(e.detail);
          if (pattern.success) set({ pattern: pattern.data }, PATTERN_WORDS[pattern.data]);
        }}
      >
        {#each Pattern.options as p (p)}<SelectItem value={p} text={capital(PATTERN_WORDS[p])} />{/each}
      </Select>
      {#if queue.pattern === 'by weight'}
        {#each serving as id (id)}
          <NumberInput
            size="sm"
            labelText="Weight of {system.people[id]?.name}"
            min={0}
            max={100}
            value={queue.weights?.[id] ?? 1}
            on:input={(e) => {
              if (typeof e.detail === 'number' && e.detail !== (queue.weights?.[id] ?? 1))
                set({ weights: { ...queue.weights, [id]: e.detail } }, 'weights');
            }}
          />
        {/each}
      {/if}
      <SecondsField
        label="Seconds each is rung"
        value={queue.seconds}
        onchange={(seconds) => keep({ seconds }, `rings each ${seconds} s`)}
      />
      <SecondsField
        label="Seconds left alone after a call"
        value={queue.wrapUp}
        min={0}
        onchange={(wrapUp) => keep({ wrapUp }, `${wrapUp} s after a call`)}
      />
      <Select
        size="sm"
        labelText="Paused after calls missed in a row"
        selected={String(queue.pauseAfter ?? '')}
        on:update={(e) => {
          const pauseAfter = e.detail ? Number(e.detail) : null;
          if (pauseAfter !== (queue.pauseAfter ?? null))
            set({ pauseAfter }, pauseAfter ? `paused after ${pauseAfter} missed` : 'nobody is paused');
        }}
      >
        <SelectItem value="" text="never" />
        {#each [1, 2, 3, 4, 5] as n (n)}<SelectItem value={String(n)} text={String(n)} />{/each}
      </Select>
      <Select
        size="sm"
        labelText="Who leads it, and is told of that by mail"
        selected={queue.leadId ?? ''}
        on:update={(e) => {
          const leadId = String(e.detail) || null;
          if (leadId !== (queue.leadId ?? null)) set({ leadId }, 'who leads it');
        }}
      >
        <SelectItem value="" text="nobody" />
        {#each Object.values(system.people).filter((p) => p.role !== 'shared room') as p (p.id)}<SelectItem
            value={p.id}
            text={p.name}
          />{/each}
      </Select>
    </div>
    <div class="fields">
      <h3>How long somebody waits</h3>
      <SecondsField
        label="Longest wait, in seconds"
        value={queue.longestWait}
        min={5}
        max={7200}
        onchange={(longestWait) => keep({ longestWait }, `waits ${longestWait} s at most`)}
      />
      <NumberInput
        size="sm"
        labelText="Callers who may wait at once"
        min={0}
        max={500}
        value={queue.limit}
        on:input={(e) => {
          if (typeof e.detail === 'number' && e.detail !== queue.limit)
            set({ limit: e.detail }, `${e.detail} may wait`);
        }}
      />
      {#each [['exitKey', 'Key to leave the queue'], ['callBackKey', 'Key to be called back']] as const as [field, label] (field)}
        <Select
          size="sm"
          labelText={label}
          selected={queue[field] ?? ''}
          on:update={(e) => set({ [field]: String(e.detail) || null }, label.toLowerCase())}
        >
          <SelectItem value="" text="none" />
          {#each KEYS as k (k)}<SelectItem value={k} text={k} />{/each}
        </Select>
      {/each}
      {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
    </div>
    <div class="fields">
      <h3>What those who wait hear</h3>
      <HoldSound
        label="Hold sound"
        chosen={queue}
        none="as of the number they called"
        onchoose={(choice) => set(choice, 'hold sound')}
      />
      <RecordingField
        label="Comfort message"
        recordingId={queue.comfort?.recordingId ?? null}
        about="for those who wait in {queue.name}"
        onchoose={(recordingId) =>
          set(
            {
              comfort: recordingId ? { every: 60, position: true, ...queue.comfort, recordingId } : null,
            },
            'what those who wait are told',
          )}
        attach={(recordingId) => ({
          do: 'queue.set',
          id: queue.id,
          change: { comfort: { every: 60, position: true, ...queue.comfort, recordingId } },
        })}
      />
      {#if queue.comfort}
        {@const { comfort } = queue}
        <SecondsField
          label="Every so many seconds"
          value={comfort.every}
          min={10}
          onchange={(every) => keep({ comfort: { ...comfort, every } }, `told every ${every} s`)}
        />
        <Toggle
          size="sm"
          labelText="Their place in the queue"
          labelA="is not said"
          labelB="is said"
          toggled={comfort.position}
          on:toggle={(e) => {
            if (e.detail.toggled !== comfort.position)
              set({ comfort: { ...comfort, position: e.detail.toggled } }, 'place in the queue');
          }}
        />
      {/if}
    </div>
  </div>
</section>

<style>
  .head {
    display: grid;
    grid-template-columns: 240px 120px 1fr;
    gap: 14px;
    align-items: end;
    margin-bottom: 12px;
  }
  .cols {
    display: grid;
    grid-template-columns: 1fr 1fr 1fr;
    gap: 24px;
  }
  h3 {
    font-size: var(--text-body);
    font-weight: 650;
    margin: 0 0 4px;
  }
</style>
