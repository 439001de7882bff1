<script lang="ts">
  import { Button, Select, TextInput } from 'carbon-components-svelte';
  import FilePicker from '../../fields/FilePicker.svelte';
  import { onMount, untrack } from 'svelte';
  import type { System } from '$core/system';
  import { pair } from '$workspace';
  import { session } from '../../window/session.svelte';
  import { OUTSIDE_ADDRESS, placesOf } from '../../bench/standins';
  import { readPairing } from './pairing-file';
  import { allowSound } from '../sounds/tones';
  import SelectItem from '../../fields/SelectItem.svelte';

  /** Pairs this window with an account: by link, by the picture or the file of the letter, or by number and code. */
  let {
    given,
    onpaired,
  }: {
    /** Number and code of a link that was followed. */
    given: { number: string; code: string } | null;
    onpaired: (businessId: string, phoneId: string) => void;
  } = $props();
  let number = $state(untrack(() => given?.number ?? ''));
  let code = $state(untrack(() => given?.code ?? ''));
  let from = $state(untrack(() => (given ? 'the link' : '')));
  let problem = $state<{ field: 'number' | 'code' | 'file'; message: string } | null>(null);
  let busy = $state(false);
  let place = $state<'office' | 'outside'>('office');
  let over = $state(false);

  const inOffice = async (system: System): Promise<string> => {
    const [first] = await placesOf(system);
    return first && first.address !== OUTSIDE_ADDRESS ? first.address : '';
  };
  async function submit(event: Event) {
    event.preventDefault();
    busy = true;
    void allowSound();
    const address = place === 'outside' ? OUTSIDE_ADDRESS : inOffice;
    const device = { address, version: 'Browser softphone 0.1', standIn: false };
    const result = await pair(session.db!, session.changes!, number, code, device);
    busy = false;
    if (result.ok) onpaired(result.businessId, result.phoneId);
    else problem = result;
  }
  async function read(file: File | undefined | null) {
    if (!file) return;
    problem = null;
    const found = await readPairing(file);
    if ('message' in found) {
      problem = { field: 'file', message: found.message };
      return;
    }
    ({ number, code } = found);
    from = found.from;
  }
  function paste(event: ClipboardEvent) {
    const file = [...(event.clipboardData?.files ?? [])][0];
    if (!file) return;
    event.preventDefault();
    void read(file);
  }
  onMount(() => {
    window.addEventListener('paste', paste);
    return () => window.removeEventListener('paste', paste);
  });
  const said = (field: 'number' | 'code' | 'file') => (problem?.field === field ? problem.message : '');
</script>

<form
  class="card"
  class:over
  onsubmit={submit}
  ondragover={(e) => {
    e.preventDefault();
    over = true;
  }}
  ondragleave={() => (over = false)}
  ondrop={(e) => {
    e.preventDefault();
    over = false;
    void read(e.dataTransfer?.files[0]);
  }}
>
  <h1>Pair this phone</h1>
  <p class="sub">
    {from
      ? `Read from ${from}. Look whether it is your business, then pair.`
      : 'All it needs is in your invitation.'}
  </p>
  <div class="fields">
    <div>
      <FilePicker
        words="Read the mail’s picture or file"
        label="Picture or settings file of the mail"
        accept="image/*,application/json,.json"
        onfile={(file) => void read(file)}
      />
      <p class="small soft">Or drop or paste it here; on a phone, take a photo of it.</p>
      {#if said('file')}<p class="small problem" role="alert">{said('file')}</p>{/if}
    </div>
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
      maxlength={7}
      bind:value={code}
      invalid={!!said('code')}
      invalidText={said('code')}
    />
    <Button type="submit" disabled={busy}>Pair</Button>
  </div>
</form>
<div class="bench">
  <Select
    size="sm"
    labelText="Bench: this window plays a phone"
    selected={place}
    on:update={(e) => (place = e.detail === 'outside' ? 'outside' : 'office')}
  >
    <SelectItem value="office" text="in the office" />
    <SelectItem value="outside" text="outside the office" />
  </Select>
</div>

<style>
  p {
    margin: 6px 0 0;
  }
  p.sub {
    margin: 0 0 14px;
  }
  .over {
    outline: 2px dashed var(--copper);
  }
  .problem {
    color: var(--alarm);
  }
  .bench {
    background: var(--bench);
    border: 1px solid var(--line);
    padding: 8px 12px;
    margin: 0 0 16px;
  }
</style>
