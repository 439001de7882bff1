<script lang="ts">
  import { durationText, momentText } from '../format';
  import { session } from '../session.svelte';
  import type { MessageRecord } from '$workspace';

  let { message, mailbox }: { message: MessageRecord; mailbox?: string } = $props();
  const hear = (heard: boolean) => session.workspace!.putMessages([{ ...message, heard }]);

  async function remove() {
    const kept = $state.snapshot(message);
    const { workspace } = session;
    await workspace!.removeMessage(kept.id);
    session.say({
      kind: 'info',
      title: `Deleted the message from ${kept.from}`,
      undo: () => void workspace!.putMessages([kept]),
    });
  }
</script>

<article class="card" class:new={!message.heard} data-testid="message">
  <div class="top">
    <b>{message.from}</b>
    {#if !message.heard}<span class="mark">new</span>{/if}
    <span class="soft"
      >{momentText(message.at, session.zone)} · {durationText(message.seconds * 1000)}{mailbox
        ? ` · ${mailbox}`
        : ''}</span
    >
  </div>
  {#if message.notes?.length}
    <p class="small soft" data-testid="message-notes">
      {message.notes.map((n) => `${n.label}: ${n.text}`).join(' · ')}
    </p>
  {/if}
  {#if message.said}<p>{message.said}</p>{:else if !message.sound}<p class="soft">
      No words were recorded.
    </p>{/if}
  {#if message.sound}<audio controls src={message.sound} onplay={() => hear(true)}
      ><track kind="captions" /></audio
    >{/if}
  <div class="acts">
    <button class="linkish small" type="button" onclick={() => hear(!message.heard)}
      >{message.heard ? 'Mark as new' : 'Mark as heard'}</button
    >
    <button class="linkish small" type="button" onclick={remove}>Delete</button>
  </div>
</article>

<style>
  .card {
    border-left: 3px solid var(--rule);
    margin-bottom: 10px;
  }
  .new {
    border-left-color: var(--message);
  }
  .top {
    display: flex;
    gap: 8px;
    align-items: baseline;
    flex-wrap: wrap;
  }
  .mark {
    font-size: 11px;
    font-weight: 650;
    color: var(--message);
    border: 1px solid currentcolor;
    padding: 0 5px;
  }
  p {
    margin: 6px 0;
    overflow-wrap: anywhere;
  }
  .acts {
    display: flex;
    gap: 14px;
  }
  audio {
    width: 100%;
    height: 34px;
  }
</style>
