<script lang="ts">
  import { Modal, OverflowMenu, OverflowMenuItem } from 'carbon-components-svelte';
  import ChevronDown from 'carbon-icons-svelte/lib/ChevronDown.svelte';
  import { goto } from '$app/navigation';
  import { demonstration } from '$demo/lantern-cove';
  import { LARGEST_FILE, readFile, writeFile, type Whole } from '$workspace';
  import { saveText } from '../download';
  import { count } from '../format';
  import { session } from '../session.svelte';

  let { onstart }: { onstart: () => void } = $props();
  let input: HTMLInputElement | undefined = $state();
  /** What was read from a file and waits to be looked at. */
  let incoming = $state.raw<Whole | null>(null);
  const replaces = $derived(session.view?.businesses.find((b) => b.id === incoming?.business.id));
  const holds = $derived.by(() => {
    if (!incoming) return '';
    const { numbers, people, plans } = incoming.draft.system;
    const size = (items: object) => Object.keys(items).length;
    return [
      count(size(numbers), 'number'),
      count(size(people), 'person', 'people'),
      count(size(plans), 'plan'),
      count(incoming.messages.length, 'message'),
      count(incoming.calls.length, 'call'),
    ].join(', ');
  });
  const others = $derived(session.view?.businesses.filter((b) => b.id !== session.view?.business.id) ?? []);
  const hasDemo = $derived(session.view?.businesses.some((b) => b.kind === 'demonstration'));

  async function show(id: string) {
    await session.open(id);
    await session.db!.put('settings', id, 'business');
    await goto('/');
  }

  async function resetDemo() {
    const whole = demonstration(session.workspace!.now());
    await session.workspace!.adopt(whole);
    await show(whole.business.id);
    session.say({
      kind: 'success',
      title: hasDemo ? 'The demonstration is as it was on the first day.' : 'Here is the demonstration.',
    });
  }

  async function save() {
    const whole = await session.workspace!.whole();
    const name = whole.draft.system.business.name.toLowerCase().replace(/[^a-z0-9]+/g, '-');
    saveText(`${name}.upper-line.json`, 'application/json', writeFile(whole, Date.now()));
  }

  async function read() {
    const file = input?.files?.[0];
    if (!file) return;
    input!.value = '';
    if (file.size > LARGEST_FILE)
      return session.say({
        kind: 'error',
        title: 'Nothing was read',
        detail: 'The file is larger than 50 MB.',
      });
    const result = readFile(await file.text());
    if (!result.ok) return session.say({ kind: 'error', title: 'Nothing was read', detail: result.message });
    incoming = result.whole;
  }

  async function adopt() {
    const whole = incoming!;
    incoming = null;
    await session.workspace!.adopt(whole);
    await show(whole.business.id);
    session.say({ kind: 'success', title: `Read ${whole.draft.system.business.name} from the file.` });
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
    {#if session.may('businesses')}
      <OverflowMenuItem text="Start with your own business" on:click={onstart} />
      <OverflowMenuItem
        text={hasDemo ? 'Reset the demonstration' : 'Open the demonstration'}
        on:click={resetDemo}
      />
      <OverflowMenuItem hasDivider text="Save everything as a file" on:click={save} />
      <OverflowMenuItem text="Read a saved file" on:click={() => input?.click()} />
    {/if}
  </OverflowMenu>
  <span title={session.system?.business.name}>{session.system?.business.name}</span>
  <input
    bind:this={input}
    type="file"
    accept="application/json,.json"
    class="visually-hidden"
    tabindex="-1"
    aria-label="A file saved by Upper Line"
    onchange={read}
  />
</div>

{#if incoming}
  <Modal
    open
    size="sm"
    modalHeading="Open {incoming.draft.system.business.name}?"
    primaryButtonText={replaces ? 'Put it in its place' : 'Open it'}
    secondaryButtonText="Leave it"
    on:click:button--secondary={() => (incoming = null)}
    on:close={() => (incoming = null)}
    on:submit={adopt}
  >
    <p>The file holds {holds}.</p>
    {#if replaces}
      <p>
        <b>{replaces.name} is in this browser already.</b> What is here now is replaced, and cannot be brought back
        unless you save it first.
      </p>
    {:else}
      <p>It is kept in this browser beside what is here already.</p>
    {/if}
  </Modal>
{/if}

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
    font-size: 17px;
    letter-spacing: 0.2px;
  }
  .brand > span {
    grid-column: 1 / 3;
    color: var(--ink-soft);
    font-size: 12.5px;
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
