<script lang="ts">
  import { Toggle } from 'carbon-components-svelte';
  import { onDestroy, onMount } from 'svelte';
  import { whoseName } from '$core/calls';
  import { hearGate, SWITCH_LOCK, type GateState } from '$exchange';
  import { devicesIn } from '$workspace';
  import { switchTrouble } from '../data/switch-trouble.svelte';
  import { count, momentText } from '../format';
  import { Line } from '../phone/line.svelte';
  import { theBusiness } from '../window/session.svelte';
  import { Awake } from './awake.svelte';
  import MoveAway from './MoveAway.svelte';

  /** A machine that stays on: nothing but the switch, and how it does. */
  const business = $derived(theBusiness().view.business);
  const system = $derived(theBusiness().view.inForce.system);
  // svelte-ignore state_referenced_locally
  const line = new Line(business.id);
  const awake = new Awake();
  let gates = $state.raw<GateState[]>([]);
  /** Whether a window of this browser runs the switch. */
  let runs = $state<boolean | null>(null);
  const since = theBusiness().now;
  /** It begins within so long, in milliseconds. */
  const BEGIN_MS = 10_000;
  const late = $derived(runs === false && theBusiness().now - since > BEGIN_MS);

  onMount(() => {
    void awake.keep();
    const stop = hearGate((states) => (gates = states));
    const look = async () => {
      const { held = [] } = await navigator.locks.query();
      runs = held.some((l) => l.name === SWITCH_LOCK);
    };
    void look();
    const looking = setInterval(() => void look(), 2000);
    return () => {
      stop();
      clearInterval(looking);
      void awake.letGo();
    };
  });
  onDestroy(() => line.close());

  const gate = $derived(gates.find((g) => g.businessId === business.id));
  const going = $derived(line.calls.filter((c) => c.phase !== 'over'));
  const devices = $derived(devicesIn(theBusiness().view.devices).filter((d) => d.state === 'paired'));
  const there = $derived(devices.filter((d) => gate?.devices.includes(d.id)));
  const registered = $derived(
    Object.values(theBusiness().standing.registrations).filter((r) => r.online && !r.standIn).length,
  );
  const trouble = $derived(switchTrouble.of(business.id));
  const moved = $derived(theBusiness().view.moved);
</script>

<svelte:document onvisibilitychange={awake.look} />

<main>
  <h1>The exchange of {system.business.name}</h1>
  <p
    class="state"
    class:bad={late || trouble !== null || moved !== null}
    role="status"
    data-testid="exchange-state"
  >
    {#if moved && !moved.known}Calls rest: everything goes to {moved.to}.
    {:else if moved}This business has moved to {moved.to}. What is here is a copy that calls do not go by:
      close this window, or read a saved file to begin here anew.
    {:else if trouble}Calls go on, and cannot be stored: {trouble}
    {:else if runs}Calls are switched here. Leave this window open.
    {:else if late}No window of this browser switches calls. Reload this one.
    {:else}Beginning…{/if}
  </p>
  <dl>
    <div>
      <dt>Calls now</dt>
      <dd data-testid="calls-now">{going.length}</dd>
    </div>
    <div>
      <dt>Phones that are there</dt>
      <dd>{registered}</dd>
    </div>
    <div>
      <dt>On other machines</dt>
      <dd>{devices.length ? `${there.length} of ${devices.length}` : 'none yet'}</dd>
    </div>
    <div>
      <dt>Their way here</dt>
      <dd data-testid="way-here">
        {!gate
          ? 'not needed'
          : gate.replaced
            ? 'another browser answers'
            : gate.connected
              ? 'open'
              : gate.why || 'cut off'}
      </dd>
    </div>
    <div>
      <dt>Open since</dt>
      <dd>{momentText(since, theBusiness().zone)}</dd>
    </div>
  </dl>
  <Toggle
    labelText="Keep this machine awake"
    labelA="off"
    labelB="on"
    toggled={awake.on}
    on:toggle={(e) => {
      if (e.detail.toggled !== awake.on) void (e.detail.toggled ? awake.keep() : awake.letGo());
    }}
  />
  {#if awake.why}<p class="small" role="status">{awake.why}</p>{/if}
  {#if going.length}
    <ul aria-label="Calls now">
      {#each going as call (call.request.id)}
        <li>
          {call.from.kind === 'outside'
            ? theBusiness().number(call.from.number ?? '') || 'a hidden number'
            : whoseName(system, call.from.phoneId)}
          · {call.phase}
        </li>
      {/each}
    </ul>
  {/if}
  {#if !moved?.known && theBusiness().may('businesses')}<MoveAway />{/if}
  <p class="small soft">
    While this window is closed, and no other of this browser is open, nobody answers and phones on other
    machines are cut off ({count(devices.length, 'device')}). <a href="/">To the administration</a> ·
    <a href="/phones/devices">On other machines</a>
  </p>
</main>

<style>
  main {
    max-width: 720px;
    margin: 40px auto;
    padding: 0 20px;
  }
  .state,
  dl {
    margin: 14px 0 20px;
  }
  .small {
    margin: 14px 0 0;
  }
  .state {
    font-size: 18px;
    padding: 12px 16px;
    border-left: 4px solid var(--copper);
    background: var(--copper-wash);
  }
  .state.bad {
    border-color: var(--alarm);
    background: var(--alarm-wash);
  }
  dl {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
    gap: 14px;
  }
  dt {
    color: var(--ink-soft);
  }
  dd {
    margin: 0;
    font-size: 20px;
    font-weight: 700;
  }
</style>
