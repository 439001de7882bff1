<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { conversations } from '$core/story';
  import { count } from '../format';
  import { Remembered } from '../remembered.svelte';
  import { here } from '../window/session.svelte';
  import Compose from './Compose.svelte';
  import ConversationList from './ConversationList.svelte';
  import ReadyMade from './ReadyMade.svelte';
  import Thread from './Thread.svelte';

  /** Texts with people outside, by conversation: what waits for an answer, and answering it. */
  const texting = $derived(here().texting);
  const all = $derived(conversations(texting.texts, texting.threads, here().system));
  const waiting = $derived(all.filter((c) => c.waitsSince !== null).length);

  const form = new Remembered(`texts ${here().id}`, { open: '' });
  const NEW = 'new';
  const open = $derived(
    form.value.open === NEW ? undefined : (all.find((c) => c.key === form.value.open) ?? all[0]),
  );
  const show = (key: string) => (form.value = { ...form.value, open: key });
</script>

<h1>Texts</h1>
{#if !texting.lines.length && !all.length}
  <div class="empty">
    <h2>No number of yours carries texts</h2>
    <p>
      Geographic and mobile numbers do, once they are in force. <a href="/numbers/get">Get one</a>, and its
      texts stand here.
    </p>
  </div>
{:else}
  <p class="sub">
    By number of yours and number outside. {waiting
      ? `${count(waiting, 'conversation waits', 'conversations wait')} for an answer.`
      : 'None waits for an answer.'}
    <a href="/numbers/texting">Approval and rules of texting</a>
  </p>
  <div class="columns">
    <section>
      <ConversationList {all} open={open?.key} onopen={show} />
      {#if texting.lines.length}<Button size="small" kind="tertiary" on:click={() => show(NEW)}
          >Write to another number</Button
        >{/if}
      <ReadyMade />
    </section>
    <section
      class="card"
      aria-label={open ? `Texts with ${open.contact?.name ?? here().number(open.theirs)}` : 'A new text'}
    >
      {#if open}
        {#key open.key}<Thread conversation={open} onsent={show} />{/key}
      {:else}
        <h2>A new text</h2>
        <Compose conversation={undefined} onsent={show} />
      {/if}
    </section>
  </div>
{/if}

<style>
  .columns {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.5fr);
  }
</style>
