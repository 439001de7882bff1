<script lang="ts">
  import { Checkbox } from 'carbon-components-svelte';
  import { durationText, momentText } from '../format';
  import EditField from '../fields/EditField.svelte';
  import { here } from '../window/session.svelte';
  import { contactOf, isBlockedNumber } from '$core/system';
  import type { About } from '$core/story';
  import type { MessageKnown } from '$exchange';
  import { telLink } from '../tel';
  import type { Send } from '../reach/settings.svelte';
  import KeepContact from '../contacts/KeepContact.svelte';
  import AnswerBack from './AnswerBack.svelte';
  import { markAnswered } from './answering';
  import PlayMessage from './PlayMessage.svelte';
  import { archive, assign, backToInbox, bin, block, change, markSpam } from './edits';
  import SeesToIt from './SeesToIt.svelte';

  interface Props {
    message: MessageKnown;
    mailbox?: string;
    /** Where several can be chosen: whether this one is. */
    chosen?: boolean;
    onchoose?: (chosen: boolean) => void;
    /** The phone whose window this is, and how it sends settings. */
    phone?: { id: string; send: Send; pass?: (about: About) => void };
  }
  let { message, mailbox, chosen = false, onchoose, phone }: Props = $props();
  const own = $derived([message]);
  const blocked = $derived(
    message.fromNumber !== null &&
      isBlockedNumber(
        message.fromNumber,
        here().standing,
        contactOf(message.fromNumber, here().system.contacts ?? {}),
      ),
  );
  let noting = $state(false);
</script>

<article class="card" class:new={!message.heard} data-testid="message">
  <div class="top">
    {#if onchoose}
      <Checkbox
        hideLabel
        title="Choose it"
        labelText="Choose the message from {message.from}, {momentText(message.at, here().zone)}"
        checked={chosen}
        on:check={(e) => {
          if (e.detail !== chosen) onchoose(e.detail);
        }}
      />
    {/if}
    <b
      >{#if message.fromNumber}<a href={telLink(message.fromNumber)} title="Call {message.from}"
          >{message.from}</a
        >{:else}{message.from}{/if}</b
    >
    {#if !message.heard}<span class="mark">new</span>{/if}
    {#if message.answeredAt}<span class="small soft"
        >answered {momentText(message.answeredAt, here().zone)}</span
      >{/if}
    {#if blocked}<span class="small soft">blocked</span>{/if}
    <span class="soft"
      >{momentText(message.at, here().zone)} · {durationText(message.seconds * 1000)}{mailbox
        ? ` · ${mailbox}`
        : ''}</span
    >
  </div>
  {#if message.notes?.length}
    <p class="small soft" data-testid="message-notes">
      {message.notes.map((n) => `${n.label}: ${n.text}`).join(' · ')}
    </p>
  {/if}
  {#if message.said}<p>{message.said}</p>{:else if !message.sound && !message.soundThere}<p class="soft">
      No words were recorded.
    </p>{:else}<p class="soft small">
      A real recording: there is nobody here who writes down what it says.
    </p>{/if}
  <PlayMessage {message} />
  {#if message.note || noting}
    <EditField
      many
      label="Note for colleagues"
      value={message.note ?? ''}
      keep={(note) => {
        noting = false;
        void change(own, { note: note || undefined });
        return undefined;
      }}
    />
  {/if}
  <div class="acts">
    <button class="linkish small" type="button" onclick={() => void change(own, { heard: !message.heard })}
      >{message.heard ? 'Mark as new' : 'Mark as heard'}</button
    >
    {#if !message.note && !noting}<button class="linkish small" type="button" onclick={() => (noting = true)}
        >Write a note</button
      >{/if}
    {#if message.folder}
      <button class="linkish small" type="button" onclick={() => void backToInbox(own)}
        >Back to the inbox</button
      >
    {:else}
      <button class="linkish small" type="button" onclick={() => void archive(own)}>Archive</button>
      <button class="linkish small" type="button" onclick={() => void markSpam(own)}>Spam</button>
    {/if}
    {#if message.fromNumber}
      <button
        class="linkish small"
        type="button"
        onclick={() => void block(message.fromNumber!, !blocked, phone?.send)}
        >{blocked ? 'Unblock' : 'Block'}<span class="visually-hidden">&nbsp;{message.from}</span></button
      >
    {/if}
    {#if phone?.pass}
      {@const words = `the message of ${message.from}, ${momentText(message.at, here().zone)}`}
      <button
        class="linkish small"
        type="button"
        onclick={() => phone.pass?.({ is: 'message', id: message.id, words: words.slice(0, 200) })}
        >Tell a colleague<span class="visually-hidden">&nbsp;of {words}</span></button
      >
    {/if}
    {#if message.folder !== 'bin'}<button class="linkish small" type="button" onclick={() => void bin(own)}
        >Delete</button
      >{/if}
    {#if message.fromNumber}
      <AnswerBack
        number={message.fromNumber}
        own={phone?.id}
        answered={() => markAnswered([message.id], [])}
      />
      {#if !contactOf(message.fromNumber, here().system.contacts ?? {})}<KeepContact
          number={message.fromNumber}
        />{/if}
    {/if}
    <div class="who">
      <SeesToIt
        personId={message.assignedTo}
        about="the message from {message.from}"
        ongive={(id) => void assign(own, id)}
      />
    </div>
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
  .top :global(.bx--form-item) {
    flex: 0 0 auto;
    align-self: center;
  }
  .mark {
    font-size: var(--text-tiny);
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
    flex-wrap: wrap;
    gap: 4px 14px;
    align-items: center;
  }
  .acts :global(.bx--form-item) {
    flex: 0 1 auto;
  }
  .who {
    margin-left: auto;
    display: flex;
    align-items: center;
  }
</style>
