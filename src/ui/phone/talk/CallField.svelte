<script lang="ts">
  import { Search } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { callees, presenceInWords, showings, type Callee, type Presence, type Where } from '$core/phone';
  import { dateText } from '../../format';
  import { lamp } from '../../people/lamp';

  interface Props {
    where: Where;
    /** What people are doing, by person. */
    presence: Readonly<Record<string, Presence>>;
    what: 'call' | 'pass on';
    label: string;
    /** What is typed at the beginning. */
    typed?: string;
    /** Called with how the call shows to an outside number, where that was chosen. */
    onchoose: (callee: Callee, shows: string | undefined) => void;
    oncancel?: () => void;
    /** The field takes the cursor when it appears. */
    takes?: boolean;
  }
  let {
    where,
    presence,
    what,
    label,
    typed: first = '',
    onchoose,
    oncancel,
    takes = false,
  }: Props = $props();
  let typed = $state(untrack(() => first));
  let at = $state(0);
  let shows = $state<string | undefined>(undefined);
  let input = $state<HTMLInputElement | null>(null);
  const id = $props.id();
  const found = $derived(callees(typed, where, what));
  const chosen = $derived(found.callees[Math.min(at, found.callees.length - 1)]);
  const shown = $derived(showings(where));
  /** Only an outside number sees a number of ours. */
  const outside = $derived(what === 'call' && chosen?.key.startsWith('outside '));
  $effect(() => {
    void typed;
    at = 0;
  });
  $effect(() => {
    if (takes) input?.focus();
  });

  /** An id has no spaces. */
  const idOf = ({ key }: Callee) => `${id}-${key.replace(/\W/g, '-')}`;
  const doing = (personId: string | null) => (personId ? (presence[personId] ?? null) : null);
  function choose(callee: Callee | undefined) {
    if (!callee) return;
    onchoose(callee, outside ? shows : undefined);
    typed = '';
    shows = undefined;
  }
  function onkeydown(event: CustomEvent<KeyboardEvent> | KeyboardEvent) {
    const e = event instanceof KeyboardEvent ? event : event.detail;
    if (e.key === 'ArrowDown') at = Math.min(at + 1, found.callees.length - 1);
    else if (e.key === 'ArrowUp') at = Math.max(at - 1, 0);
    else if (e.key === 'Enter') choose(chosen);
    else if (e.key === 'Escape' && (typed || oncancel)) {
      if (typed) typed = '';
      else oncancel?.();
    } else return;
    e.preventDefault();
    e.stopPropagation();
  }
</script>

<div class="call-field" data-testid="call-field">
  <Search
    bind:ref={input}
    size="lg"
    labelText={label}
    placeholder={label}
    bind:value={typed}
    role="combobox"
    aria-expanded={found.callees.length > 0}
    aria-controls="{id}-list"
    aria-activedescendant={chosen ? idOf(chosen) : undefined}
    autocomplete="off"
    on:keydown={onkeydown}
  />
  {#if typed.trim()}
    <ul id="{id}-list" role="listbox" aria-label={label}>
      {#each found.callees as callee, i (callee.key)}
        {@const presence = doing(callee.personId)}
        <li
          id={idOf(callee)}
          role="option"
          aria-selected={callee === chosen}
          class:chosen={callee === chosen}
        >
          <button type="button" tabindex="-1" onclick={() => choose(callee)} onpointerenter={() => (at = i)}>
            <b>{callee.name}</b>
            <span>{callee.detail}</span>
            {#if presence}<em class={lamp(presence)}>{presenceInWords(presence, dateText)}</em>{/if}
          </button>
        </li>
      {/each}
    </ul>
    {#if found.more}<p class="soft small">{found.more} more: type more of the name.</p>{/if}
    {#if found.problem}<p class="problem" role="alert">{found.problem}</p>{/if}
    {#if chosen?.before}<p class="before" role="alert" data-testid="before-dialling">{chosen.before}</p>{/if}
    {#if outside && shown.length}
      <label class="shows"
        >They see
        <select bind:value={shows} data-testid="shows">
          {#each shown as s (s.words)}<option value={s.shows}>{s.words}</option>{/each}
        </select>
      </label>
    {/if}
  {/if}
</div>

<style>
  .call-field {
    margin: 0 0 12px;
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
    background: var(--sheet);
    border: 1px solid var(--rule);
    border-top: 0;
  }
  li + li {
    border-top: 1px solid var(--rule);
  }
  li button {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 0 10px;
    width: 100%;
    min-height: 44px;
    align-content: center;
    padding: 6px 12px;
    border: 0;
    background: none;
    color: var(--ink);
    font: inherit;
    text-align: left;
    cursor: pointer;
  }
  li.chosen button {
    background: var(--copper-wash);
  }
  li span {
    color: var(--ink-soft);
    font-size: var(--text-small);
    font-variant-numeric: tabular-nums;
  }
  li b {
    font-size: var(--text-lead);
  }
  li em {
    grid-column: 1 / 3;
    font-style: normal;
    font-size: var(--text-small);
    color: var(--ink-soft);
  }
  li em.free {
    color: var(--group);
  }
  li em.busy {
    color: var(--alarm);
  }
  .problem,
  .before {
    margin: 8px 0 0;
    color: var(--alarm);
    font-size: var(--text-body);
  }
  .before {
    border-left: 4px solid var(--alarm);
    padding-left: 10px;
  }
  .shows {
    display: flex;
    align-items: center;
    gap: 8px;
    margin: 8px 0 0;
    font-size: var(--text-body);
    color: var(--ink-soft);
  }
  select {
    min-height: 44px;
    flex: 1;
    min-width: 0;
    background: var(--sheet);
    color: var(--ink);
    border: 1px solid var(--line);
    font: inherit;
  }
</style>
