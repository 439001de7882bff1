<script lang="ts">
  import type { PassTarget } from '$core/system';
  import type { Presence, Where } from '$core/phone';
  import CallField from '../../phone/talk/CallField.svelte';

  /** What can be done for a caller who waits: taken oneself, or sent on to where somebody takes them. */
  interface Props {
    who: string;
    where: Where;
    presence: Readonly<Record<string, Presence>>;
    /** Whoever looks, where they have phones that can ring. */
    me: string | null;
    onsend: (to: PassTarget) => void;
  }
  let { who, where, presence, me, onsend }: Props = $props();
  let choosing = $state(false);
  let button = $state<HTMLButtonElement>();
  function close() {
    choosing = false;
    button?.focus();
  }
</script>

<span class="acts">
  {#if me}
    <button
      class="linkish small"
      type="button"
      aria-label="Take {who}"
      onclick={() => onsend({ to: 'person', personId: me })}>Take it</button
    >
  {/if}
  <button
    class="linkish small"
    type="button"
    aria-label="Send {who} on"
    aria-expanded={choosing}
    bind:this={button}
    onclick={() => (choosing = !choosing)}>Send on</button
  >
</span>
{#if choosing}
  <div class="field">
    <CallField
      {where}
      {presence}
      what="pass on"
      label="Send {who} on to"
      takes
      oncancel={close}
      onchoose={({ target }) => {
        if (!target) return;
        onsend(target);
        close();
      }}
    />
    <p class="soft small">Where nobody takes the call there, they are first in the queue again.</p>
  </div>
{/if}

<style>
  .acts {
    display: flex;
    gap: 10px;
  }
  .field {
    flex: 1 0 100%;
    padding: 4px 0;
  }
</style>
