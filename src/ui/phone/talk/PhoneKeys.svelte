<script lang="ts">
  import { Modal } from 'carbon-components-svelte';
  import { ACT_KEYS, type ActName } from '$core/phone';
  import { singleKeys } from '../../keys/single-keys.svelte';
  import SingleKeys from '../../keys/SingleKeys.svelte';

  /** Every key of the phone: shown by ?, and put away when it rings. */
  let { away = false }: { away?: boolean } = $props();
  let open = $state(false);
  $effect(() => {
    if (away) open = false;
  });
  const WORDS: Record<ActName, string> = {
    hold: 'Hold',
    'take back': 'Take back',
    mute: 'Mute, and speak again',
    keypad: 'Keypad',
    'pass on': 'Transfer',
    add: 'Add somebody',
    park: 'Park',
    move: 'To another phone',
    join: 'Put them through, transfer now',
    'all together': 'All three together',
    swap: 'Swap between two calls',
    'back to': 'Back to the first call',
    note: 'Write a note',
    record: 'Record',
    'stop recording': 'Stop recording',
    'pause recording': 'A gap in the recording, and on',
    'hang up': 'Hang up',
  };
  const KEYS: Record<string, string> = { Escape: 'Esc', Enter: 'Enter' };
  const rows = [
    ['/', 'To the field: call a name, extension or number'],
    ['Enter', 'Answer'],
    ['V', 'While it rings: let them leave a message'],
    ['Esc', 'While it rings: not now'],
    ...Object.entries(ACT_KEYS).map(([act, key]) => [
      KEYS[key] ?? key.toUpperCase(),
      `In a call: ${WORDS[act as ActName].toLowerCase()}`,
    ]),
    ['?', 'These keys'],
  ];

  function onkeydown(event: KeyboardEvent) {
    if (!singleKeys.mean(event)) return;
    if (event.key === '?') open = true;
    else if (event.key === '/')
      document.querySelector<HTMLInputElement>('[data-testid=call-field] input')?.focus();
    else return;
    event.preventDefault();
  }
</script>

<svelte:window {onkeydown} />
{#if open}
  <Modal open passiveModal size="xs" modalHeading="Keys" on:close={() => (open = false)}>
    <dl>
      {#each rows as [key, words] (words)}<dt><kbd>{key}</kbd></dt>
        <dd>{words}</dd>{/each}
    </dl>
    <SingleKeys />
  </Modal>
{/if}

<style>
  dl {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 6px 14px;
    margin: 0;
  }
  dd {
    margin: 0;
  }
  kbd {
    font: inherit;
    font-weight: 650;
    border: 1px solid var(--rule);
    padding: 1px 7px;
  }
</style>
