<script lang="ts">
  import type { About } from '$core/story';
  import type { Person, System } from '$core/system';
  import { Remembered } from '../../remembered.svelte';
  import { here } from '../../window/session.svelte';
  import type { PhoneDesk } from '../desk.svelte';
  import Circles from './Circles.svelte';
  import PhoneTexts from './PhoneTexts.svelte';

  /** What is written: with people outside, and among colleagues. */
  interface Props {
    desk: PhoneDesk;
    person: Person;
    system: System;
    wide: boolean;
    waiting: number;
    unread: number;
    ongather: (personIds: readonly string[]) => void;
    onpoint: (about: About) => void;
  }
  let { desk, person, system, wide, waiting, unread, ongather, onpoint }: Props = $props();
  const at = new Remembered<{ with: 'outside' | 'colleagues' }>(`written ${here().id}`, { with: 'outside' });
  // What is to be passed on goes to a colleague.
  $effect(() => {
    if (desk.passing) at.value = { with: 'colleagues' };
  });
  const TABS = [
    ['outside', 'Outside', 'wait'],
    ['colleagues', 'Colleagues', 'new'],
  ] as const;
</script>

<div class="tabs" role="group" aria-label="With whom">
  {#each TABS as [id, name, words] (id)}
    {@const n = id === 'outside' ? waiting : unread}
    <button
      type="button"
      aria-pressed={at.value.with === id}
      class:here={at.value.with === id}
      onclick={() => (at.value = { with: id })}>{name}{n ? ` (${n} ${words})` : ''}</button
    >
  {/each}
</div>
{#if at.value.with === 'outside'}
  <PhoneTexts {wide} />
{:else}
  <Circles {desk} {person} {system} {wide} {ongather} {onpoint} />
{/if}

<style>
  .tabs {
    display: flex;
    margin-bottom: 12px;
    border: 1px solid var(--rule);
    width: fit-content;
  }
  button {
    min-height: 36px;
    padding: 0 16px;
    border: 0;
    background: var(--sheet);
    color: var(--ink);
    font: inherit;
    cursor: pointer;
  }
  button.here {
    background: var(--copper-wash);
    font-weight: 650;
  }
</style>
