<script lang="ts">
  import { Checkbox } from 'carbon-components-svelte';
  import { singleKeys } from './single-keys.svelte';

  /** Keys by themselves can be switched off: for whoever speaks to their computer, or presses them by mistake. */
</script>

<Checkbox
  labelText="Keys do this by themselves; off, only those with Ctrl or Alt do, and Enter and Esc"
  checked={singleKeys.on}
  on:check={({ detail }) => singleKeys.set(detail)}
/>
