<script lang="ts">
  import { Button, TextInput } from 'carbon-components-svelte';
  import { pair } from '$workspace';
  import { session } from '../session.svelte';
  import { allowSound } from './tones';

  let { onpaired }: { onpaired: (businessId: string, phoneId: string) => void } = $props();
  let number = $state('');
  let code = $state('');
  let problem = $state<{ field: 'number' | 'code'; message: string } | null>(null);
  let busy = $state(false);

  async function submit(event: Event) {
    event.preventDefault();
    busy = true;
    void allowSound();
    const result = await pair(session.db!, session.changes!, number, code);
    busy = false;
    if (result.ok) onpaired(result.businessId, result.phoneId);
    else problem = result;
  }
  const said = (field: 'number' | 'code') => (problem?.field === field ? problem.message : '');
</script>

<form class="card" onsubmit={submit}>
  <h1>Pair this phone</h1>
  <p class="sub">Both are in your invitation.</p>
  <div class="fields">
    <TextInput
      labelText="Business number"
      type="tel"
      bind:value={number}
      invalid={!!said('number')}
      invalidText={said('number')}
      helperText="The number of the business, not your own."
    />
    <TextInput
      labelText="Six-digit code"
      inputmode="numeric"
      autocomplete="one-time-code"
      maxlength={6}
      bind:value={code}
      invalid={!!said('code')}
      invalidText={said('code')}
    />
    <Button type="submit" disabled={busy}>Pair</Button>
  </div>
</form>
