<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { isClosed } from '$workspace';
  import { count } from '../format';
  import { session } from '../window/session.svelte';
  import SaveFile from './SaveFile.svelte';
  import { switchTrouble } from './switch-trouble.svelte';

  /** What cannot be stored: it stays until it is stored, or somebody has decided what becomes of it. */
  const failed = $derived(session.business?.view.storage.failed ?? null);
  const ofCalls = $derived(
    session.business?.view ? switchTrouble.of(session.business?.view.business.id) : null,
  );
  let height = $state(0);
  // The header stays below it.
  $effect(() => {
    const shown = failed || ofCalls ? height : 0;
    document.documentElement.style.setProperty('--alarm-height', `${shown}px`);
  });
  let saving = $state(false);
  let givingUp = $state(false);
  let trying = $state(false);

  async function again() {
    trying = true;
    await session.business?.db.again();
    trying = false;
  }
  async function giveUp() {
    givingUp = false;
    await session.business?.workspace.giveUp();
  }
</script>

{#if failed || ofCalls}
  <div class="alarm" bind:clientHeight={height} role="alert" data-testid="storage-alarm">
    {#if failed}
      <div>
        <b
          >{failed.waiting.length
            ? `Not saved: ${count(failed.waiting.length, 'change')}.`
            : 'Nothing can be saved.'}</b
        >
        {failed.reason}
        {#if isClosed(failed.why)}
          This window shows what it had. Nothing more can be changed in it until it is reloaded{failed.waiting
            .length
            ? ', and what is not saved is lost then: save a file first'
            : ''}.
        {:else}
          It is tried again by itself. Until it is stored nothing more can be changed, and closing this window
          would lose it.
        {/if}
        {#if failed.waiting.length}
          <ul>
            {#each failed.waiting.slice(0, 5) as words, i (i)}<li>{words}</li>{/each}
            {#if failed.waiting.length > 5}<li>and {failed.waiting.length - 5} more</li>{/if}
          </ul>
        {/if}
      </div>
      <div class="acts">
        {#if isClosed(failed.why)}
          <Button size="small" on:click={() => location.reload()}>Reload</Button>
        {:else}
          <Button size="small" disabled={trying} on:click={again}>Try again now</Button>
        {/if}
        <Button size="small" kind="tertiary" on:click={() => (saving = true)}
          >Save everything as a file</Button
        >
        {#if failed.waiting.length && !isClosed(failed.why)}
          {#if givingUp}
            <Button size="small" kind="danger" on:click={giveUp}
              >Yes, give up {count(failed.waiting.length, 'change')}</Button
            >
          {:else}
            <Button size="small" kind="ghost" on:click={() => (givingUp = true)}
              >Give up what is not saved</Button
            >
          {/if}
        {/if}
      </div>
    {/if}
    {#if ofCalls}
      <div>
        <b>Calls that go on now are not saved.</b>
        {ofCalls} It is tried again every second; a call that ends meanwhile is kept as soon as it can be, unless
        all windows are closed before.
      </div>
    {/if}
  </div>
{/if}
{#if saving}<SaveFile onclose={() => (saving = false)} />{/if}

<style>
  .alarm {
    position: sticky;
    top: 0;
    z-index: 40;
    background: var(--alarm-wash, var(--sheet));
    border-bottom: 3px solid var(--alarm);
    border-top: 3px solid var(--alarm);
    color: var(--ink);
    padding: 10px 24px;
    display: grid;
    gap: 8px;
  }
  b {
    color: var(--alarm);
  }
  ul {
    margin: 4px 0 0;
    padding-left: 18px;
    list-style: disc;
    max-height: 110px;
    overflow: auto;
    overflow-wrap: anywhere;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
  }
</style>
