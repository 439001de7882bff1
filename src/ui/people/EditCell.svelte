<script lang="ts">
  import { Select, TextInput } from 'carbon-components-svelte';
  import { tick } from 'svelte';
  import { theBusiness } from '../window/session.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  /** One cell of a table that can be changed: Enter, F2 or typing opens it, Enter keeps it, Escape leaves it. */
  let {
    label,
    value,
    choices,
    shown = value,
    warn = false,
    editing = $bindable(false),
    first = null,
    keep,
    done,
  }: {
    label: string;
    value: string;
    /** Where only some values may be chosen: value and what it is called. */
    choices?: readonly (readonly [string, string])[];
    shown?: string;
    warn?: boolean;
    editing?: boolean;
    /** The character that opened it, which stands in it then. */
    first?: string | null;
    keep: (text: string) => string | undefined;
    /** It was closed; `next` where Enter moves on. */
    done: (next: boolean) => void;
  } = $props();
  let problem = $state('');
  /** Refused once it was stored, since another window was first: what was typed stays. */
  let late = $state<{ text: string; message: string } | null>(null);
  let box: HTMLDivElement | undefined = $state();

  $effect(() => {
    if (!editing) return;
    problem = '';
    void tick().then(() => {
      const field = box?.querySelector<HTMLInputElement | HTMLSelectElement>('input, select');
      field?.focus();
      if (field instanceof HTMLInputElement && first === null) field.select();
    });
  });
  function commit(text: string, next: boolean) {
    if (!editing) return;
    problem = text === value ? '' : (keep(text) ?? '');
    if (problem) return;
    late = null;
    if (text !== value)
      void theBusiness()
        .storedLate()
        .then((message) => {
          if (message !== undefined) late = { text, message };
        });
    editing = false;
    done(next);
  }
  function onkeydown(event: KeyboardEvent) {
    const field = event.target as HTMLInputElement;
    event.stopPropagation();
    if (event.key === 'Escape') {
      editing = false;
      done(false);
    } else if (event.key === 'Enter') {
      event.preventDefault();
      commit(field.value.trim(), true);
    }
  }
</script>

{#if editing}
  <!-- svelte-ignore a11y_no_static_element_interactions -->
  <div class="edit" class:wrong={problem} bind:this={box} {onkeydown}>
    {#if choices}
      <Select
        size="sm"
        hideLabel
        labelText={label}
        selected={value}
        invalid={!!problem}
        invalidText={problem}
        on:change={(e) => commit((e.target as HTMLSelectElement).value, false)}
        on:blur={() => {
          editing = false;
        }}
      >
        {#each choices as [id, text] (id)}<SelectItem value={id} {text} />{/each}
      </Select>
    {:else}
      <TextInput
        size="sm"
        hideLabel
        labelText={label}
        value={first ?? late?.text ?? value}
        invalid={!!problem}
        invalidText={problem}
        on:blur={(e) => commit((e.target as HTMLInputElement).value.trim(), false)}
      />
    {/if}
  </div>
{:else}
  {#if late}
    <span class="warn" role="alert" title={late.message}>{late.text}: {late.message}</span>
  {:else}
    <span class:warn title={shown}>{shown || '–'}</span>
  {/if}
{/if}

<style>
  span {
    display: block;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .warn {
    color: var(--alarm);
  }
  .edit {
    margin: -6px -8px;
    position: relative;
  }
  .edit.wrong :global(.bx--form-requirement) {
    position: absolute;
    top: 36px;
    left: 0;
    z-index: 5;
    background: var(--sheet);
    border: 1px solid var(--alarm);
    padding: 4px 8px;
    margin: 0;
    max-height: none;
    max-width: 320px;
    width: max-content;
  }
</style>
