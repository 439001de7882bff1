<script lang="ts">
  import { Modal } from 'carbon-components-svelte';
  let { open = $bindable(false) }: { open?: boolean } = $props();
  const KEYS: [string, string][] = [
    ['/ or Ctrl K', 'Find a person, number or plan'],
    ['Ctrl Z', 'Undo the last change'],
    ['Ctrl Shift Z', 'Do it again'],
    ['B', 'Open and close the bench'],
    ['Alt ↑, Alt ↓', 'Move the selected step of a plan'],
    ['Delete', 'Remove the selected step of a plan'],
    ['Ctrl C', 'Copy the selected step; put it down under “Add a step”'],
    ['Arrows', 'Go through the pieces of coverage, the days of a year, the lines of a rehearsal'],
    ['?', 'This list'],
  ];
</script>

<Modal bind:open passiveModal size="sm" modalHeading="Keys">
  <dl>
    {#each KEYS as [key, does] (key)}
      <dt>{key}</dt>
      <dd>{does}</dd>
    {/each}
  </dl>
</Modal>

<style>
  dl {
    display: grid;
    grid-template-columns: 130px 1fr;
    gap: 8px 12px;
    margin: 0;
    font-size: var(--text-lead);
  }
  dt {
    font-weight: 650;
  }
  dd {
    margin: 0;
  }
</style>
