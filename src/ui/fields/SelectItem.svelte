<script lang="ts" module>
  /** What a Select gives to its items. */
  interface Select {
    setDefaultValue: (id: string, value: string | number) => void;
    syncNativeSelectValue: () => void;
  }
  /** Selects that have an item already, and those whose shown value is looked after once the items are there. */
  const begun = new WeakSet<Select>();
  const waiting = new WeakSet<Select>();
  let made = 0;
</script>

<script lang="ts">
  import { getContext, onMount } from 'svelte';

  /** An item of a Select that costs the same however many there are: the library's own goes through all items for each. */
  interface Props {
    value: string | number;
    text?: string | undefined;
    disabled?: boolean;
  }
  let { value, text, disabled = false }: Props = $props();
  const select = getContext<Select>('carbon:Select');
  // The first is what is chosen where nothing was, and numbers are remembered as such.
  $effect.pre(() => {
    if (begun.has(select) && typeof value !== 'number') return;
    begun.add(select);
    select.setDefaultValue(`option-${(made += 1)}`, value);
  });
  function look() {
    if (waiting.has(select)) return;
    waiting.add(select);
    queueMicrotask(() => {
      waiting.delete(select);
      select.syncNativeSelectValue();
    });
  }
  onMount(() => {
    look();
    return look;
  });
</script>

<option {value} {disabled} class="bx--select-option">{text ?? value}</option>
