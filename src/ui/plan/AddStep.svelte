<script lang="ts">
  import Add from 'carbon-icons-svelte/lib/Add.svelte';
  import { tick } from 'svelte';
  import { stepInWords } from '$core/answering';
  import type { Plan, Step, StepList } from '$core/system';
  import { chosenBy } from '../chosen';
  import { theBusiness } from '../window/session.svelte';
  import { copiedStep, cutting, putDown } from './clipboard.svelte';
  import { addStep } from './edits';
  import { STEPS_OFFERED } from './kinds';

  /** Adds a step at a place: a list that takes typing. */
  interface Props {
    plan: Plan;
    place: StepList;
    index: number;
    /** Open from the start: where a step is to be inserted. */
    now?: boolean;
    onadd: (stepId: string) => void;
    /** It was closed without adding. */
    onclose?: () => void;
  }
  let { plan, place, index, now = false, onadd, onclose = () => {} }: Props = $props();
  const uid = $props.id();
  let open = $state(false);
  let typed = $state('');
  let chosen = $state(0);
  let copied = $state.raw<Step | undefined>(undefined);
  let button = $state<HTMLButtonElement>();
  let field = $state<HTMLInputElement>();
  let list = $state<HTMLUListElement>();
  const words = $derived(copied ? stepInWords(copied, theBusiness().system) : undefined);

  interface Offer {
    id: string;
    name: string;
    does: string;
    add: () => string | undefined;
  }
  const offers = $derived<Offer[]>([
    ...(words
      ? [
          {
            id: 'copied',
            name: cutting.stepId ? 'Cut' : 'Copied',
            does: `${words.verb} ${words.what}`,
            add: () => putDown(plan, place, index),
          },
        ]
      : []),
    ...STEPS_OFFERED.map((k) => ({
      id: k.kind,
      name: k.name,
      does: k.does,
      add: () => addStep(plan, k.kind, place, index),
    })),
  ]);
  /** Names that begin with what was typed come first. */
  const shown = $derived.by(() => {
    const text = typed.trim().toLowerCase();
    if (!text) return offers;
    const named = offers.filter((o) => o.name.toLowerCase().startsWith(text));
    const told = offers.filter(
      (o) => !named.includes(o) && `${o.name} ${o.does}`.toLowerCase().includes(text),
    );
    return [...named, ...told];
  });

  async function show() {
    copied = copiedStep();
    typed = '';
    chosen = 0;
    open = true;
    await tick();
    // All of the list is to be seen, above the strip for rehearsals too.
    field?.parentElement?.scrollIntoView({ block: 'center' });
    field?.focus({ preventScroll: true });
  }
  $effect(() => {
    if (now) void show();
  });
  $effect(() => list?.children[chosen]?.scrollIntoView({ block: 'nearest' }));
  function close() {
    open = false;
    onclose();
    button?.focus();
  }
  async function take(offer: Offer | undefined) {
    const id = offer?.add();
    if (!id) return;
    open = false;
    onadd(id);
    onclose();
    // What somebody does next is to set it.
    await tick();
    const panel = document.querySelector('[data-step-panel]');
    const first = panel?.querySelector<HTMLElement>('input:not([type=hidden]), select, button, textarea');
    (first ?? document.querySelector<HTMLElement>(`[data-focus="step-${id}"]`))?.focus();
  }
  function onkeydown(event: KeyboardEvent) {
    const next = chosenBy(event.key, chosen, shown.length);
    if (next !== null) chosen = next;
    else if (event.key === 'Enter') void take(shown[chosen]);
    else if (event.key === 'Escape') close();
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
  /** The cursor has gone elsewhere. */
  function onfocusout(event: FocusEvent) {
    if (!open || (event.currentTarget as HTMLElement).contains(event.relatedTarget as Node | null)) return;
    open = false;
    onclose();
  }
</script>

<div class="add" class:now {onfocusout}>
  {#if !now}
    <button
      class="label"
      type="button"
      data-focus={place ? undefined : 'add'}
      bind:this={button}
      aria-expanded={open}
      aria-haspopup="listbox"
      onclick={() => (open ? close() : void show())}><Add /> Add a step</button
    >
  {/if}
  {#if open}
    <div class="offered">
      <input
        type="text"
        role="combobox"
        aria-label="Which step? Type to find one"
        aria-expanded="true"
        aria-controls="{uid}-list"
        aria-activedescendant={shown[chosen] ? `${uid}-${shown[chosen]!.id}` : undefined}
        autocomplete="off"
        placeholder="Type to find one"
        bind:this={field}
        bind:value={typed}
        oninput={() => (chosen = 0)}
        {onkeydown}
      />
      <ul role="listbox" id="{uid}-list" aria-label="Steps" bind:this={list}>
        {#each shown as offer, i (offer.id)}
          <!-- svelte-ignore a11y_click_events_have_key_events (keys go to the field) -->
          <li
            role="option"
            id="{uid}-{offer.id}"
            aria-selected={i === chosen}
            onpointerdown={(e) => e.preventDefault()}
            onclick={() => void take(offer)}
          >
            <b>{offer.name}</b> <span>{offer.does}</span>
          </li>
        {/each}
      </ul>
      {#if !shown.length}<p class="small soft" role="status">No step is called “{typed}”.</p>{/if}
    </div>
  {/if}
</div>

<style>
  .add {
    position: relative;
    margin: 2px 0 4px 62px;
  }
  .add.now {
    min-height: 36px;
  }
  .label {
    display: flex;
    align-items: center;
    gap: 6px;
    border: 0;
    background: none;
    padding: 5px 8px;
    color: var(--copper);
    font: inherit;
    font-size: var(--text-body);
    cursor: pointer;
  }
  .label:hover {
    background: var(--hover);
  }
  .offered {
    position: absolute;
    z-index: 20;
    width: 410px;
    max-width: calc(100% - 8px);
    background: var(--sheet);
    border: 1px solid var(--copper);
    box-shadow: 0 4px 14px rgb(0 0 0 / 18%);
  }
  input {
    width: 100%;
    border: 0;
    border-bottom: 1px solid var(--rule);
    background: var(--sheet);
    color: var(--ink);
    font: inherit;
    padding: 8px 12px;
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
    max-height: 340px;
    overflow-y: auto;
  }
  li {
    display: grid;
    grid-template-columns: 96px 1fr;
    gap: 8px;
    padding: 6px 12px;
    font-size: var(--text-body);
    cursor: pointer;
  }
  li span {
    color: var(--ink-soft);
  }
  li:hover {
    background: var(--hover);
  }
  li[aria-selected='true'] {
    background: var(--copper-wash);
  }
  p {
    margin: 8px 12px;
  }
</style>
