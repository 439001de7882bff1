<script lang="ts">
  import { OverflowMenu, OverflowMenuItem } from 'carbon-components-svelte';
  import ChevronDown from 'carbon-icons-svelte/lib/ChevronDown.svelte';
  import { goto } from '$app/navigation';
  import { demonstration } from '$demo/lantern-cove';
  import { forgetLaid, remember } from '$workspace';
  import ReadFile from '../data/ReadFile.svelte';
  import SaveFile from '../data/SaveFile.svelte';
  import { session, theBusiness } from '../window/session.svelte';
  import { ui } from './open.svelte';

  let { onstart }: { onstart: () => void } = $props();
  let input: HTMLInputElement | undefined = $state();
  /** A file that is being read. */
  let incoming = $state.raw<File | null>(null);
  const others = $derived(
    theBusiness().view.businesses.filter((b) => b.id !== theBusiness().view.business.id) ?? [],
  );
  const hasDemo = $derived(theBusiness().view.businesses.some((b) => b.kind === 'demonstration'));

  async function show(id: string) {
    await session.open(id);
    await remember(theBusiness().db, id).catch(() => {});
    await goto('/');
  }

  async function resetDemo() {
    const whole = demonstration(theBusiness().workspace.now());
    await theBusiness().workspace.adopt(whole);
    await forgetLaid(theBusiness().db, whole.business.id);
    await show(whole.business.id);
    session.say({
      kind: 'success',
      title: hasDemo ? 'The demonstration is as it was on the first day.' : 'Here is the demonstration.',
    });
  }

  function read() {
    incoming = input?.files?.[0] ?? null;
    if (input) input.value = '';
  }
</script>

<div class="brand">
  <b>Upper Line</b>
  <OverflowMenu
    icon={ChevronDown}
    iconDescription="Businesses and files"
    aria-label="Businesses and files"
    size="sm"
  >
    {#each others as other (other.id)}
      <OverflowMenuItem text="Open {other.name}" on:click={() => show(other.id)} />
    {/each}
    {#if theBusiness().may('businesses')}
      <OverflowMenuItem text="Start with your own business" on:click={onstart} />
      <OverflowMenuItem
        text={hasDemo ? 'Reset the demonstration' : 'Open the demonstration'}
        on:click={resetDemo}
      />
      <OverflowMenuItem text="The order of the work" on:click={() => void goto('/begin')} />
      <OverflowMenuItem text="Settings of the business" on:click={() => void goto('/begin/business')} />
      <OverflowMenuItem hasDivider text="Save everything as a file" on:click={() => (ui.saving = true)} />
      <OverflowMenuItem text="Read a saved file" on:click={() => input?.click()} />
      <OverflowMenuItem text="Where your data is" on:click={() => void goto('/data')} />
    {/if}
  </OverflowMenu>
  <span title={theBusiness().system.business.name}>{theBusiness().system.business.name}</span>
  <input
    bind:this={input}
    type="file"
    accept=".gz,.json,application/gzip,application/json"
    class="visually-hidden"
    tabindex="-1"
    aria-label="A file saved by Upper Line"
    onchange={read}
  />
</div>

{#if ui.saving}<SaveFile onclose={() => (ui.saving = false)} />{/if}
{#if incoming}{#key incoming}<ReadFile file={incoming} onclose={() => (incoming = null)} />{/key}{/if}

<style>
  .brand {
    position: relative;
    display: grid;
    grid-template-columns: auto 1fr;
    align-items: center;
    column-gap: 4px;
  }
  .brand b {
    font-weight: 700;
    font-size: var(--text-title);
    letter-spacing: 0.2px;
  }
  .brand > span {
    grid-column: 1 / 3;
    color: var(--ink-soft);
    font-size: var(--text-small);
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .brand :global(.bx--overflow-menu-options) {
    width: 260px;
  }
  .brand :global(.bx--overflow-menu-options__btn) {
    max-width: none;
  }
  .brand :global(.bx--overflow-menu) {
    width: 28px;
    height: 28px;
    min-height: 28px;
  }
</style>
