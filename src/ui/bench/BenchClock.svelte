<script lang="ts">
  import { Button, TextInput } from 'carbon-components-svelte';
  import { momentOf } from '$core/hours';
  import { clockText, fieldText, momentText } from '../format';
  import { session, theBusiness } from '../session.svelte';

  let text = $state(fieldText(theBusiness().now, theBusiness().zone));
  let problem = $state('');
  const mode = $derived(theBusiness().view.clock.mode);

  async function set() {
    const match = /^(\d{4}-\d\d-\d\d)T(\d\d):(\d\d)/.exec(text);
    if (!match) {
      problem = 'Choose a date and a time.';
      return;
    }
    const benchAt = momentOf(theBusiness().zone, match[1]!, Number(match[2]) * 60 + Number(match[3]));
    problem = (await theBusiness().workspace.setClock({ mode: 'set', benchAt, realAt: Date.now() })) ?? '';
    session.tick();
  }
  async function real() {
    problem = (await theBusiness().workspace.setClock({ mode: 'real' })) ?? '';
    session.tick();
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
  goes by it, ringing included.
</p>
<TextInput
  type="datetime-local"
  labelText="Set it to"
  bind:value={text}
  invalid={!!problem}
  invalidText={problem}
/>
<div class="row">
  <Button size="small" on:click={set}>Set the clock</Button>
  <Button size="small" kind="tertiary" disabled={mode === 'real'} on:click={real}>Back to real time</Button>
</div>

<style>
  .row {
    display: flex;
    gap: 8px;
    margin-top: 12px;
  }
  p {
    margin: 0 0 10px;
  }
  .soft {
    color: var(--bench-soft);
  }
</style>
