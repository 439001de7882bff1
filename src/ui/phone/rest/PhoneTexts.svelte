<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { tick } from 'svelte';
  import { conversations } from '$core/story';
  import Compose from '../../texts/Compose.svelte';
  import ConversationList from '../../texts/ConversationList.svelte';
  import Thread from '../../texts/Thread.svelte';
  import { Remembered } from '../../remembered.svelte';
  import { here } from '../../window/session.svelte';

  /** Texts on a phone: the list, and one conversation in its place; side by side where there is room. */
  let { wide }: { wide: boolean } = $props();
  const texting = $derived(here().texting);
  const all = $derived(conversations(texting.texts, texting.threads, here().system));
  const form = new Remembered(`phone texts ${here().id}`, { open: '' });
  const NEW = 'new';
  const chosen = $derived(all.find((c) => c.key === form.value.open));
  const open = $derived(chosen ?? (wide && form.value.open !== NEW ? all[0] : undefined));
  const apart = $derived(!wide && (open !== undefined || form.value.open === NEW));
  const show = (key: string) => (form.value = { open: key });
  async function back() {
    show('');
    await tick();
    document.querySelector<HTMLElement>('[data-testid="conversation"]')?.focus();
  }
</script>

{#if !texting.lines.length && !all.length}
  <p class="soft">No number that you may show carries texts.</p>
{:else}
  <div class="texts" class:wide>
    {#if !apart}
      <section>
        <ConversationList {all} open={open?.key} onopen={show} />
        {#if texting.lines.length}<Button size="small" kind="tertiary" on:click={() => show(NEW)}
            >Write to another number</Button
          >{/if}
        {#if texting.older}<p class="soft small">
            {texting.older.toLocaleString('en-US')} older texts are in the office only.
          </p>{/if}
      </section>
    {/if}
    {#if apart || wide}
      <section class="card" aria-label={open ? 'The conversation' : 'A new text'}>
        {#if apart}<button class="linkish" type="button" onclick={() => void back()}>All conversations</button
          >{/if}
        {#if open}
          {#key open.key}<Thread conversation={open} onsent={show} />{/key}
        {:else}
          <h2>A new text</h2>
          <Compose conversation={undefined} onsent={show} />
        {/if}
      </section>
    {/if}
  </div>
{/if}

<style>
  .wide {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.4fr);
    gap: 18px;
    align-items: start;
  }
  .card {
    margin: 0;
  }
</style>
