<script lang="ts">
  /** The keys of a telephone, as ITU-T E.161 lays them out. */
  let { onpress }: { onpress: (key: string) => void } = $props();
  const KEYS: [string, string][] = [
    ['1', ''],
    ['2', 'ABC'],
    ['3', 'DEF'],
    ['4', 'GHI'],
    ['5', 'JKL'],
    ['6', 'MNO'],
    ['7', 'PQRS'],
    ['8', 'TUV'],
    ['9', 'WXYZ'],
    ['*', ''],
    ['0', ''],
    ['#', ''],
  ];
  function onkeydown(event: KeyboardEvent) {
    if (event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement) return;
    if (/^[0-9*#]$/.test(event.key)) onpress(event.key);
  }
</script>

<svelte:window {onkeydown} />
<div role="group" aria-label="Keypad">
  {#each KEYS as [key, letters] (key)}
    <button type="button" aria-label="Key {key}" onclick={() => onpress(key)}
      >{key}<small>{letters}</small></button
    >
  {/each}
</div>

<style>
  div {
    display: grid;
    grid-template-columns: repeat(3, 64px);
    gap: 5px;
    margin: 10px 0;
  }
  button {
    display: grid;
    height: 44px;
    align-content: center;
    justify-items: center;
    border: 1px solid var(--rule);
    background: var(--sheet);
    color: var(--ink);
    font: inherit;
    font-size: var(--text-title);
    line-height: 1.1;
    cursor: pointer;
  }
  small {
    font-size: var(--text-tiny);
    letter-spacing: 0.08em;
    color: var(--ink-soft);
    min-height: 11px;
  }
</style>
