<script lang="ts">
  import { TextArea, TextInput } from 'carbon-components-svelte';
  import { theBusiness } from '../window/session.svelte';

  /** A field whose text is kept when it is left; what is refused stays in it, with the reason beside it. */
  let {
    label,
    value,
    keep,
    helper = '',
    placeholder = '',
    many = false,
    hideLabel = false,
  }: {
    label: string;
    value: string;
    /** Keeps the text, or says why not. */
    keep: (text: string) => string | undefined;
    helper?: string;
    placeholder?: string;
    many?: boolean;
    hideLabel?: boolean;
  } = $props();
  let refused = $state<{ text: string; message: string } | null>(null);
  /** What is being typed: nothing that is drawn anew meanwhile takes it away. */
  let typed = $state<string | null>(null);

  function left(text: string) {
    typed = null;
    if (text.trim() === value) {
      refused = null;
      return;
    }
    const message = keep(text.trim());
    refused = message === undefined ? null : { text, message };
    // Another window may have been first: what was typed stays here, with the reason.
    if (message === undefined)
      void theBusiness()
        .storedLate()
        .then((late) => {
          if (late !== undefined) refused = { text, message: late };
        });
  }
  const shown = $derived({
    labelText: label,
    hideLabel,
    helperText: helper,
    placeholder,
    value: typed ?? refused?.text ?? value,
    invalid: refused !== null,
    invalidText: refused?.message ?? '',
  });
</script>

{#if many}
  <TextArea
    rows={2}
    {...shown}
    on:input={(e: Event) => (typed = (e.target as HTMLTextAreaElement).value)}
    on:change={(e: Event) => left((e.target as HTMLTextAreaElement).value)}
    on:blur={() => (typed = null)}
  />
{:else}
  <TextInput
    size="sm"
    {...shown}
    on:input={(e) => (typed = String(e.detail ?? ''))}
    on:change={(e) => left(String(e.detail ?? ''))}
    on:blur={() => (typed = null)}
  />
{/if}
