<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { onMount, untrack, type Snippet } from 'svelte';
  import { tinykeys } from 'tinykeys';
  import { afterNavigate, goto } from '$app/navigation';
  import { count } from '../format';
  import { singleKeys } from '../keys/single-keys.svelte';
  import { theBusiness } from '../window/session.svelte';
  import { keeping } from '../data/keeping.svelte';
  import { newVersion } from '../data/new-version.svelte';
  import BusinessMenu from './BusinessMenu.svelte';
  import Find from '../find/Find.svelte';
  import { keepFocus } from './focus-kept';
  import Keys from '../keys/Keys.svelte';
  import Notices from './Notices.svelte';
  import { ui } from './open.svelte';
  import OwnBusiness from './OwnBusiness.svelte';
  import RehearsalStrip from './RehearsalStrip.svelte';
  import Wire from './Wire.svelte';
  import AskBar from '../phones/apart/AskBar.svelte';

  let { children, strip = true }: { children: Snippet; strip?: boolean } = $props();
  /** What somebody should know of where the data is. */
  const actor = $derived(theBusiness().actor);
  const notes = $derived([
    ...(theBusiness().view.moved
      ? [`This business has moved to ${theBusiness().view.moved?.to}: calls do not go by what is here.`]
      : []),
    ...(theBusiness().view.aside.length
      ? [`${count(theBusiness().view.aside.length, 'record')} could not be read and lies aside.`]
      : []),
    ...(keeping.due ? ['There has been no copy outside this browser for a week.'] : []),
    ...(keeping.place?.file && keeping.allowed !== 'granted'
      ? ['The copy outside this browser waits for your leave.']
      : []),
    ...(keeping.problem ? [keeping.problem] : []),
  ]);
  /** The bench stands beside the page, which makes room for it. */
  $effect(() => {
    document.documentElement.toggleAttribute('data-bench', ui.bench);
    return () => document.documentElement.removeAttribute('data-bench');
  });
  $effect(() => {
    void theBusiness().view;
    untrack(() => keeping.changed());
  });
  let finding = $state(false);

  const typing = (event: Event) => {
    const target = event.target as HTMLElement;
    return (
      target.isContentEditable ||
      (target instanceof HTMLInputElement && target.type !== 'number') ||
      target instanceof HTMLTextAreaElement
    );
  };
  const alone = (act: () => void) => (event: KeyboardEvent) => {
    if (!singleKeys.mean(event)) return;
    event.preventDefault();
    act();
  };
  const unlessTyping = (act: () => void) => (event: KeyboardEvent) => {
    if (typing(event)) return;
    event.preventDefault();
    act();
  };

  /** In a field, numbers and dates too, the browser's own undo works first. */
  const unlessInField = (act: () => void) => (event: KeyboardEvent) => {
    const { target } = event;
    const ticks = target instanceof HTMLInputElement && ['checkbox', 'radio'].includes(target.type);
    if (target instanceof HTMLInputElement && !ticks && !target.readOnly) return;
    unlessTyping(act)(event);
  };

  let main = $state<HTMLElement>();
  function toPage(event: MouseEvent) {
    event.preventDefault();
    main?.focus();
  }
  onMount(() => keepFocus(() => main));
  // A page that is opened has the focus itself: Tab leads to what comes first on it.
  afterNavigate(({ type }) => {
    if (type !== 'enter' && document.activeElement === document.body) main?.focus({ preventScroll: true });
  });
  onMount(() =>
    tinykeys(window, {
      '$mod+k': (event) => {
        event.preventDefault();
        finding = true;
      },
      '/': alone(() => (finding = true)),
      '?': alone(() => (ui.keys = true)),
      'Shift+?': alone(() => (ui.keys = true)),
      b: alone(() => (ui.bench = !ui.bench)),
      '$mod+z': unlessInField(() => theBusiness().undo()),
      '$mod+Shift+Z': unlessInField(() => theBusiness().redo()),
      '$mod+y': unlessInField(() => theBusiness().redo()),
    }),
  );
</script>

<a class="skip" href="#page" onclick={toPage}>To the page</a>
<header>
  <BusinessMenu onstart={() => (ui.ownBusiness = true)} />
  <Wire />
  <div class="tools">
    <a
      class="saved"
      class:not={theBusiness().view.storage.failed}
      href="/data"
      title="Where your data is"
      data-testid="saved"
      aria-live="polite"
      >{theBusiness().view.storage.failed
        ? 'Not saved'
        : theBusiness().view.storage.pending
          ? 'Saving…'
          : 'Saved'}</a
    >
    <Button kind="ghost" size="small" on:click={() => (ui.bench = !ui.bench)}>Bench</Button>
    {#if theBusiness().may('see the system')}
      <Button kind="tertiary" size="small" on:click={() => (finding = true)}>Find <kbd>/</kbd></Button>
    {/if}
    {#if theBusiness().may('change the system')}
      <Button kind={theBusiness().waiting ? 'primary' : 'tertiary'} size="small" href="/changes">
        {theBusiness().waiting ? `Review ${count(Math.abs(theBusiness().waiting), 'change')}` : 'No changes'}
      </Button>
    {/if}
  </div>
</header>

<Notices kept />
{#if actor}
  <p class="as" role="status">
    You see the pages as {theBusiness().system.people[actor]?.name ?? 'somebody'}, {theBusiness().role}.
    <button
      class="linkish"
      type="button"
      onclick={() => {
        theBusiness().lookAs(null);
        void goto('/people/roles');
      }}>Back to all pages</button
    >
  </p>
{/if}
{#if newVersion.waiting}
  <p class="as" role="status" data-testid="new-version">
    A new version of Upper Line is here. It is used when all windows have been closed, or
    <button class="linkish" type="button" onclick={() => newVersion.use()}>now</button>: windows are then
    loaded anew, and nothing that is saved is lost.
  </p>
{/if}
{#if notes.length}
  <p class="as" role="status" data-testid="data-notes">
    {notes.join(' ')} <a href="/data">Where your data is</a>
  </p>
{/if}
<AskBar />
<main id="page" tabindex="-1" bind:this={main} class:striped={strip} class:folded={strip && ui.folded}>
  {@render children()}
</main>

{#if strip}<RehearsalStrip />{/if}
<Find bind:open={finding} />
<Keys bind:open={ui.keys} />
{#if ui.ownBusiness}<OwnBusiness bind:open={ui.ownBusiness} />{/if}
{#if ui.bench}
  {#await import('../bench/Bench.svelte')}
    <p class="bx--visually-hidden" role="status">The bench opens…</p>
  {:then { default: Bench }}
    <Bench bind:open={ui.bench} />
  {:catch}
    <p role="alert" class="as">
      The bench could not be loaded. <button class="linkish" type="button" onclick={() => location.reload()}
        >Load the page again</button
      >
    </p>
  {/await}
{/if}

<style>
  header {
    background: var(--sheet);
    border-top: 3px solid var(--copper);
    border-bottom: 1px solid var(--rule);
    padding: 0 24px;
    display: grid;
    grid-template-columns: 178px minmax(0, 1fr) auto;
    gap: 16px;
    align-items: center;
    min-height: 74px;
    position: sticky;
    top: var(--alarm-height, 0px);
    z-index: 30;
  }
  main:focus {
    outline: none;
  }
  .skip {
    position: absolute;
    left: 8px;
    top: -60px;
    z-index: 60;
    padding: 8px 14px;
    background: var(--solid);
    color: var(--on-solid);
  }
  .skip:focus {
    top: 8px;
  }
  .tools {
    display: flex;
    gap: 8px;
    align-items: center;
  }
  .saved {
    font-size: var(--text-small);
    color: var(--ink-soft);
    min-width: 56px;
    white-space: nowrap;
    text-align: right;
    text-decoration: none;
  }
  .saved:hover {
    text-decoration: underline;
  }
  .saved.not {
    color: var(--alarm);
    font-weight: 700;
  }
  kbd {
    font: inherit;
    opacity: 0.75;
    margin-left: 6px;
  }
  main {
    padding: 20px 24px 40px;
  }
  .as {
    margin: 0;
    padding: 7px 24px;
    background: var(--copper-wash);
    border-bottom: 1px solid var(--rule);
  }
  @media print {
    header,
    .as {
      display: none;
    }
    main {
      padding: 0;
    }
  }
  main.striped {
    padding-bottom: 280px;
  }
  main.striped.folded {
    padding-bottom: 80px;
  }
  :global(:root[data-bench]) header {
    grid-template-columns: 130px minmax(0, 1fr) auto;
    gap: 8px;
    padding: 0 12px;
  }
  :global(:root[data-bench]) .saved:not(.not) {
    display: none;
  }
  /* The names of the stops are never cut for what is as it should be. */
  @media (max-width: 1180px) {
    header {
      grid-template-columns: 140px minmax(0, 1fr) auto;
      gap: 12px;
    }
    .saved:not(.not) {
      display: none;
    }
  }
  :global(:root[data-bench]) main {
    overflow-x: auto;
  }
  .tools :global(.bx--btn) {
    padding: 0 12px;
    min-height: 34px;
    white-space: nowrap;
  }
</style>
