<script lang="ts">
  import { onMount } from 'svelte';
  import { version } from '$app/environment';
  import { whoseName } from '$core/calls';
  import { hearGate, type GateState } from '$exchange';
  import { devicesIn, sayOfDevice, type Device, type DeviceWord } from '$workspace';
  import { momentText } from '../../format';
  import { theBusiness } from '../../window/session.svelte';
  import Shared from './Shared.svelte';
  import { soundOf } from './sound';

  /** Phones on other machines: who asks, who is one, how each does, and who is none any more. */
  const system = $derived(theBusiness().system);
  const zone = $derived(theBusiness().zone);
  let gates = $state.raw<GateState[]>([]);
  onMount(() => hearGate((states) => (gates = states)));
  const gate = $derived(gates.find((g) => g.businessId === theBusiness().view.business.id));
  const all = $derived(devicesIn(theBusiness().view.devices).toReversed());
  const asks = $derived(all.filter((d) => d.state === 'asks' || d.state === 'suspended'));
  const paired = $derived(all.filter((d) => d.state === 'paired'));
  const out = $derived(all.filter((d) => d.state === 'shut out'));
  const isHere = (d: Device) => gate?.devices.includes(d.id) ?? false;
  const whose = (d: Device) =>
    system.phones[d.phoneId]
      ? `${whoseName(system, d.phoneId)}, ${system.phones[d.phoneId]!.name}`
      : 'a removed phone';

  /** What a device kept of the business, for when it is gone. */
  function onIt({ phoneId }: Device): string {
    const person = system.people[system.phones[phoneId]?.personId ?? ''];
    const contacts = Object.keys(system.contacts).length;
    return `Sealed on it were the directory, ${contacts} contacts, and the last calls, messages and texts of ${person?.name ?? 'its person'}; no sound of messages, no PIN and no password. It is erased when it comes again.`;
  }
  async function say(device: Device, word: DeviceWord, title: string, detail = '') {
    const { workspace, now } = theBusiness();
    await sayOfDevice(workspace.db, device.businessId, device.id, word, now);
    await workspace.changed('devices', 'standing');
    theBusiness().say({ kind: 'success', title, ...(detail ? { detail, stays: true } : {}) });
  }
</script>

<Shared gate={gate ?? null} />
<p class="small note">
  Phones on other machines ring as long as a window of this browser is open. <a href="/exchange"
    >A window for a machine that stays on</a
  >
</p>

{#if asks.length}
  <section class="card alarm" aria-label="Waiting for your word">
    <h2>Waiting for your word</h2>
    <ul>
      {#each asks as d (d.id)}
        <li>
          <div>
            <b>{d.name}</b> <span class="soft">{d.kind}</span>
            <p>
              {#if d.state === 'asks'}asks to be the phone of <b>{whose(d)}</b>, by the link that was sent to
                them ({momentText(d.at, zone)}).{:else}{d.why ?? 'is suspended.'} It was the phone of
                <b>{whose(d)}</b>.{/if}
            </p>
          </div>
          <button class="do" type="button" onclick={() => void say(d, 'is ours', `${d.name} is ${whose(d)}`)}
            >{d.state === 'asks' ? 'It is theirs' : 'It may go on'}<span class="visually-hidden">
              {d.name}</span
            ></button
          >
          <button
            class="linkish"
            type="button"
            onclick={() =>
              void say(d, 'shut out', `${d.name} is shut out`, d.state === 'asks' ? '' : onIt(d))}
            >Shut it out<span class="visually-hidden"> {d.name}</span></button
          >
        </li>
      {/each}
    </ul>
  </section>
{/if}

<section class="card">
  <h2>Phones</h2>
  {#if paired.length}
    <table class="list" data-testid="devices">
      <thead>
        <tr>
          <th scope="col">Device</th>
          <th scope="col">Whose phone</th>
          <th scope="col">Last seen</th>
          <th scope="col">Version</th>
          <th scope="col">How calls sounded</th>
          <th scope="col"><span class="visually-hidden">What to do</span></th>
        </tr>
      </thead>
      <tbody>
        {#each paired as d (d.id)}
          <tr>
            <td><b>{d.name}</b><span class="soft small block">{d.kind}</span></td>
            <td>{whose(d)}</td>
            <td
              >{isHere(d)
                ? 'connected now'
                : d.seenAt === null
                  ? 'not since it is paired'
                  : momentText(d.seenAt, zone)}</td
            >
            <td>{d.version === version ? 'as here' : 'another than here: reload it'}</td>
            <td>{soundOf(theBusiness().view.calls, d.phoneId)}</td>
            <td
              ><div class="acts">
                <button
                  class="linkish"
                  type="button"
                  onclick={() => void say(d, 'suspend', `${d.name} is suspended`)}
                  >Suspend<span class="visually-hidden"> {d.name}</span></button
                >
                <button
                  class="linkish"
                  type="button"
                  onclick={() => void say(d, 'shut out', `${d.name} is shut out`, onIt(d))}
                  >Shut out<span class="visually-hidden"> {d.name}</span></button
                >
              </div></td
            >
          </tr>
        {/each}
      </tbody>
    </table>
  {:else}
    <p class="soft">
      None yet. <a href="/phones/invitations">Invite somebody</a>: they open the link of the mail on their own
      device, or scan its picture, and it asks here.
    </p>
  {/if}
</section>

{#if out.length}
  <section class="card">
    <h2>Shut out</h2>
    <ul class="out">
      {#each out as d (d.id)}
        <li>
          <b>{d.name}</b> <span class="soft">{d.kind}, was {whose(d)}{d.why ? `. ${d.why}` : ''}</span>
        </li>
      {/each}
    </ul>
  </section>
{/if}

<style>
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  .alarm {
    border-left: 4px solid var(--copper);
  }
  .alarm li {
    display: flex;
    gap: 14px;
    align-items: center;
    padding: 6px 0;
  }
  .alarm li div {
    flex: 1;
  }
  p {
    margin: 2px 0 0;
  }
  .note {
    margin: -6px 0 16px;
  }
  .block {
    display: block;
  }
  .acts {
    display: flex;
    gap: 14px;
  }
  .do {
    background: var(--copper);
    color: #fff;
    border: 0;
    padding: 8px 14px;
    font: inherit;
    cursor: pointer;
  }
  .out li {
    padding: 3px 0;
  }
</style>
