<script lang="ts">
  import { Button, Checkbox, Select } from 'carbon-components-svelte';
  import { metNow, type Met } from '$core/phone';
  import { allSteps, type MeetingRoom, type Plan } from '$core/system';
  import type { LiveCall } from '$exchange';
  import EditField from '../fields/EditField.svelte';
  import SecondsField from '../fields/SecondsField.svelte';
  import SelectItem from '../fields/SelectItem.svelte';
  import { durationText } from '../format';
  import { freshId } from '../ids';
  import { freeName } from '../parted';
  import type { Line } from '../phone/line.svelte';
  import Planned from './Planned.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** A meeting room: who gets in and how, where one dials, and who is in it now. */
  let { room, line }: { room: MeetingRoom; line: Line } = $props();
  const system = $derived(theBusiness().system);
  const set = (change: Partial<Omit<MeetingRoom, 'id'>>, words: string) =>
    theBusiness().keep(`${room.name}: ${words}`, [{ do: 'meeting room.set', id: room.id, change }]);
  const people = $derived(Object.values(system.people));
  const leads = (plan: Plan) =>
    [...allSteps(plan.steps)].some((s) => s.kind === 'meeting' && s.roomId === room.id);
  const plans = $derived(Object.values(system.plans).filter(leads));
  const numbers = $derived(Object.values(system.numbers).filter((n) => plans.some((p) => p.id === n.planId)));
  const inForce = $derived(theBusiness().view.inForce.system.rooms[room.id]);
  const met = $derived(metNow(line.calls, room.id));
  const locked = $derived(line.calls.some((c) => c.meets?.roomId === room.id && c.meets.locked));
  /** One plan of one step, dialled inside by an extension that is free. */
  function makePlan() {
    const planId = freshId('plan');
    const name = freeName(
      room.name,
      Object.values(system.plans).map((p) => p.name),
    );
    theBusiness().edit(`A way into ${room.name}`, [
      {
        do: 'plan.add',
        value: { id: planId, name, steps: [{ id: freshId('step'), kind: 'meeting', roomId: room.id }] },
      },
    ]);
  }
  const digits = (text: string) => text.replace(/\s/g, '') || null;
  const act = (call: LiveCall | Met, does: 'mute' | 'unmute' | 'mute all' | 'lock' | 'unlock' | 'put out') =>
    line.act({ kind: 'in a meeting', callId: 'callId' in call ? call.callId : call.request.id, does });
  const remove = () =>
    theBusiness().edit(`Remove the room ${room.name}`, [{ do: 'meeting room.remove', id: room.id }], {
      withNotice: true,
    });
</script>

<section class="card" id={room.id} aria-label={room.name}>
  <div class="head">
    <h2>{room.name}</h2>
    {#if !inForce}<span class="small soft">In the draft only: nobody gets in yet.</span>{/if}
    <span class="grow"></span>
    <button class="linkish small" type="button" aria-label="Remove {room.name}" onclick={remove}
      >Remove</button
    >
  </div>
  <div class="fields">
    <EditField label="Name" value={room.name} keep={(name) => set({ name }, `called “${name}”`)} />
    <EditField
      label="PIN of members"
      value={room.pin ?? ''}
      placeholder="none: everybody gets in"
      keep={(text) => set({ pin: digits(text) }, 'the PIN of members')}
    />
    <Select
      size="sm"
      labelText="Host"
      selected={room.hostId ?? ''}
      on:update={(e) => {
        const hostId = String(e.detail) || null;
        if (hostId !== room.hostId) set({ hostId }, 'its host');
      }}
    >
      <SelectItem value="" text="nobody in particular" />
      {#each people as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
    </Select>
    <EditField
      label="PIN of the host"
      value={room.hostPin ?? ''}
      placeholder="none: from their own phone only"
      keep={(text) => set({ hostPin: digits(text) }, 'the PIN of the host')}
    />
    <SecondsField
      label="So many at the most"
      what="a number"
      value={room.most}
      min={2}
      max={50}
      narrow
      onchange={(most) => set({ most }, `at most ${most}`)}
    />
    <div>
      <Checkbox
        labelText="Members hear music until the host is there"
        checked={room.waits}
        on:check={(e) => {
          if (e.detail !== room.waits) set({ waits: e.detail }, 'waiting for the host');
        }}
      />
      <Checkbox
        labelText="Members say their name first"
        checked={room.asksName}
        on:check={(e) => {
          if (e.detail !== room.asksName) set({ asksName: e.detail }, 'asking for names');
        }}
      />
    </div>
  </div>
  <p class="small">
    {#if plans.length}Dialled by {#each plans as p, i (p.id)}{i ? ', ' : ''}<a href="/answering/{p.id}"
          >{p.name}</a
        >{p.extension ? ` (extension ${p.extension})` : ''}{/each}{#if numbers.length}; from outside {numbers
          .map((n) => theBusiness().number(n.e164))
          .join(', ')}{:else}; from outside by no number yet: <a href="/numbers">give a number its plan</a>,
        or let a menu lead there{/if}.
    {:else}No plan leads here yet.
      <Button size="small" kind="ghost" on:click={makePlan}>Make one</Button>{/if}
    Keys in the meeting: 1 mutes and unmutes oneself; of the host, 2 mutes all others, 3 locks and opens the room,
    4 has it recorded and ends that, from a phone of ours and where calls may be recorded: all hear so first.
  </p>
  <Planned {room} />
  <h3>In it now</h3>
  {#if met.length}
    <ul data-testid="in-room">
      {#each met as m (m.callId)}
        <li>
          <b>{m.name}</b>
          <span class="soft small"
            >{m.as === 'host' ? 'host' : m.is === 'waits' ? 'waits for the host' : 'member'} · {durationText(
              Math.max(0, theBusiness().now - m.since),
            )}{m.muted ? ' · muted' : ''}</span
          >
          <span class="grow"></span>
          {#if m.is === 'in'}<button
              class="linkish small"
              type="button"
              onclick={() => void act(m, m.muted ? 'unmute' : 'mute')}
              >{m.muted ? 'Unmute' : 'Mute'}<span class="visually-hidden"> {m.name}</span></button
            >{/if}
          <button class="linkish small" type="button" onclick={() => void act(m, 'put out')}
            >Put out<span class="visually-hidden"> {m.name}</span></button
          >
        </li>
      {/each}
    </ul>
    <Button size="small" kind="ghost" on:click={() => void act(met[0]!, 'mute all')}
      >Mute all but the host</Button
    >
    <Button size="small" kind="ghost" on:click={() => void act(met[0]!, locked ? 'unlock' : 'lock')}
      >{locked ? 'Open the room' : 'Lock the room'}</Button
    >
  {:else}<p class="soft">Nobody.</p>{/if}
  {#if line.problem}<p class="problem" role="alert">{line.problem}</p>{/if}
</section>

<style>
  .head,
  li {
    display: flex;
    gap: 10px;
    align-items: baseline;
    flex-wrap: wrap;
  }
  .grow {
    flex: 1;
  }
  .fields {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
    gap: 8px 14px;
  }
  ul {
    list-style: none;
    padding: 0;
    margin: 0;
  }
  li {
    border-bottom: 1px solid var(--rule);
    padding: 5px 0;
  }
  h3 {
    margin: 10px 0 4px;
  }
</style>
