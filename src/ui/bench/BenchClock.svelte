<script lang="ts">
  import { Button, Toggle } from 'carbon-components-svelte';
  import { momentOf } from '$core/hours';
  import { atSpeed, speedOf, type ClockSetting } from '$standins/clock/clock';
  import { clockText, fieldText, momentText } from '../format';
  import { session, theBusiness } from '../window/session.svelte';
  import WhenField from '../fields/WhenField.svelte';
  import BenchPast from './BenchPast.svelte';

  let text = $state(fieldText(theBusiness().now, theBusiness().zone));
  let problem = $state('');
  const clock = $derived(theBusiness().view.clock);
  const mode = $derived(clock.mode);
  const FAST = 10;
  let fast = $derived(speedOf(clock) > 1);

  async function set(event: Event) {
    event.preventDefault();
    const match = /^(\d{4}-\d\d-\d\d)T(\d\d):(\d\d)/.exec(text);
    if (!match) {
      problem = 'Choose a date and a time.';
      return;
    }
    const benchAt = momentOf(theBusiness().zone, match[1]!, Number(match[2]) * 60 + Number(match[3]));
    await put({ ...atSpeed(clock, speedOf(clock), Date.now()), benchAt });
  }
  async function put(setting: ClockSetting) {
    problem = (await theBusiness().workspace.setClock(setting)) ?? '';
    session.tick();
  }
  const real = () => put({ mode: 'real' });
  async function hurry(on: boolean) {
    await put(atSpeed(clock, on ? FAST : 1, Date.now()));
    // Where a call goes on, the clock stays as it is, and the switch says so.
    fast = speedOf(clock) > 1;
  }
</script>

<p>
  It is <b>{momentText(theBusiness().now, theBusiness().zone)}</b>
  <span class="soft"
    >({clockText(theBusiness().now, theBusiness().zone)}, {theBusiness().zone.replaceAll('_', ' ')})</span
  >
</p>
<p class="small">
  {mode === 'real' ? 'The bench goes by real time.' : 'The bench clock was set and runs on from there.'} Everything
  goes by it, ringing included; only sound is as long as it is.
</p>
<form onsubmit={(e) => void set(e)}>
  <WhenField label="Set it to" time bind:value={text} {problem} />
  <div class="row">
    <Button size="small" type="submit">Set the clock</Button>
    <Button size="small" kind="tertiary" disabled={mode === 'real'} on:click={real}>Back to real time</Button>
  </div>
</form>
<div class="fast">
  <Toggle
    labelText="Ten times as fast"
    labelA="No"
    labelB="Yes"
    bind:toggled={fast}
    on:toggle={(e) => {
      if (e.detail.toggled !== speedOf(clock) > 1) void hurry(e.detail.toggled);
    }}
  />
</div>
<BenchPast />

<style>
  .row {
    display: flex;
    gap: 8px;
    margin-top: 12px;
  }
  p {
    margin: 0 0 10px;
  }
  .fast {
    margin-top: 20px;
  }
  .soft {
    color: var(--bench-soft);
  }
</style>
