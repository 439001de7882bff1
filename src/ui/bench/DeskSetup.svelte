<script lang="ts">
  import { Button, Select, TextInput } from 'carbon-components-svelte';
  import { z } from 'zod';
  import { REGISTERED_SECONDS } from '$core/system';
  import { SERVER } from '$standins/registrar/accounts';
  import type { Algorithm } from '$standins/registrar/digest';
  import type { Attempt } from '$standins/registrar/deskphone';
  import { registerDesk } from '$workspace';
  import { freshId } from '../ids';
  import { theBusiness } from '../window/session.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  /** A stand-in desk phone is told its account by hand, or many of them by a file; what it and the registrar say is shown. */
  let { places }: { places: { address: string; name: string }[] } = $props();
  const FileShape = z.object({
    format: z.literal('upper-line-accounts'),
    accounts: z
      .array(
        z.object({
          owner: z.string(),
          server: z.string(),
          user: z.string(),
          authName: z.string(),
          password: z.string(),
          expires: z.number(),
        }),
      )
      .min(1)
      .max(5000),
  });
  type Typed = z.infer<typeof FileShape>['accounts'][number];

  let server = $state(SERVER);
  let user = $state('');
  let password = $state('');
  let place = $state('');
  let knows = $state<'both' | 'old'>('both');
  let attempt = $state.raw<Attempt | null>(null);
  let words = $state('');
  let busy = $state(false);
  let picker: HTMLInputElement;

  const register = async (typed: Typed) => {
    const algorithms: Algorithm[] = knows === 'old' ? ['MD5'] : ['SHA-256', 'MD5'];
    const address = place || (places[0]?.address ?? '');
    const device = { knows: algorithms, address, cnonce: freshId('c') };
    const done = await registerDesk(
      theBusiness().db,
      theBusiness().changes,
      theBusiness().workspace.id,
      typed,
      device,
    );
    await theBusiness().workspace.refresh('standing');
    return done;
  };
  async function one(event: Event) {
    event.preventDefault();
    busy = true;
    words = '';
    const name = user.trim();
    attempt = await register({
      owner: '',
      server: server.trim(),
      user: name,
      authName: name,
      password: password.trim(),
      expires: REGISTERED_SECONDS,
    });
    busy = false;
    if (attempt.ok) user = password = '';
  }
  async function many() {
    const file = picker.files?.[0];
    picker.value = '';
    if (!file) return;
    busy = true;
    attempt = null;
    words = '';
    try {
      const read = FileShape.parse(JSON.parse(await file.text()));
      const refused: string[] = [];
      let done = 0;
      for (const account of read.accounts) {
        const tried = await register(account);
        if (tried.ok) done++;
        else refused.push(`${account.owner}: ${tried.words}`);
      }
      words = [`${done} of ${read.accounts.length} registered.`, ...refused].join(' ');
    } catch {
      words = 'This is not a file of accounts saved on the Desk phones page.';
    }
    busy = false;
  }
</script>

<form onsubmit={(e) => void one(e)}>
  <TextInput size="sm" labelText="Server" bind:value={server} />
  <TextInput size="sm" labelText="User" bind:value={user} autocomplete="off" />
  <TextInput size="sm" labelText="Password" bind:value={password} autocomplete="off" />
  <Select size="sm" labelText="Is" bind:selected={place}>
    {#each places as p, i (p.address)}<SelectItem value={i ? p.address : ''} text={p.name} />{/each}
  </Select>
  <Select size="sm" labelText="Knows" bind:selected={knows}>
    <SelectItem value="both" text="SHA-256 and MD5" />
    <SelectItem value="old" text="MD5 only: an older phone" />
  </Select>
  <div class="row">
    <Button size="small" type="submit" disabled={busy || !user.trim() || !password.trim()}>Register</Button>
    <button class="linkish small" type="button" onclick={() => picker.click()}
      >Set up from a file of accounts</button
    >
    <input
      bind:this={picker}
      class="visually-hidden"
      type="file"
      accept="application/json,.json"
      aria-label="File of accounts"
      tabindex="-1"
      onchange={() => void many()}
    />
  </div>
</form>
{#if words}<p class="small" role="status">{words}</p>{/if}
{#if attempt}
  <ol aria-label="What was said" class:wrong={!attempt.ok}>
    {#each attempt.said as line, i (i)}<li>{line}</li>{:else}<li>{attempt.words}</li>{/each}
  </ol>
{/if}

<style>
  form {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 8px;
  }
  form > :global(:first-child),
  .row {
    grid-column: 1 / 3;
  }
  .row {
    display: flex;
    gap: 14px;
    align-items: center;
  }
  ol {
    margin: 8px 0 0;
    padding: 8px 8px 8px 26px;
    background: var(--sheet);
    border: 1px solid var(--dash);
    font-size: var(--text-small);
    overflow-wrap: anywhere;
  }
  .wrong li:last-child {
    color: var(--alarm);
  }
  p {
    margin: 8px 0 0;
  }
</style>
