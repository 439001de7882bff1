<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import type { MailRecord } from '$workspace';
  import { saveText } from '../files/download';
  import { momentText } from '../format';
  import AnswerInvitation from './AnswerInvitation.svelte';
  import { theBusiness } from '../window/session.svelte';

  const bytesAsText = (base64: string) =>
    new TextDecoder().decode(Uint8Array.from(atob(base64), (c) => c.charCodeAt(0)));
  let openId = $state<string | null>(null);
  const mail = $derived([...(theBusiness().view.mail ?? [])].reverse());

  interface Opened {
    text: string;
    /** Pictures that the letter shows, as data URLs, with their words. */
    pictures: { name: string; url: string }[];
    files: { name: string; type: string; text: string }[];
    link: string | undefined;
    /** It asks to a meeting (METHOD:REQUEST). */
    asks: string | null;
  }
  /** A raw message, read by a library as any mail program would. */
  async function openLetter(letter: MailRecord): Promise<Opened> {
    const { default: PostalMime } = await import('postal-mime');
    const { text = '', attachments } = await PostalMime.parse(letter.raw, { attachmentEncoding: 'base64' });
    const asked = attachments.find(
      (a) => /^text\/calendar/i.test(a.mimeType) && a.filename === 'invitation.ics',
    );
    const isPicture = (type: string) => type.startsWith('image/');
    return {
      text,
      pictures: attachments
        .filter((a) => isPicture(a.mimeType))
        .map((a) => ({
          name: a.filename ?? 'picture',
          url: `data:${a.mimeType};base64,${String(a.content)}`,
        })),
      files: attachments
        .filter((a) => a.mimeType === 'application/json')
        .map((a) => ({ name: a.filename ?? 'file', type: a.mimeType, text: atob(String(a.content)) })),
      asks: asked ? bytesAsText(String(asked.content)) : null,
      link: /https?:\/\/\S+/.exec(text)?.[0],
    };
  }
  const backOf = (letter: MailRecord) => {
    const { state, words } = theBusiness().delivery({ to: letter.to, sentAt: letter.at });
    return state === 'came back' ? `came back: ${words}` : state === 'on its way' ? 'on its way' : '';
  };
</script>

<details>
  <summary>What comes back here</summary>
  <p class="small">
    A mail takes a moment. One to an address in <i>.invalid</i>, or at a domain that is one slip away from the
    one most of your people are at, comes back after twenty seconds: there is no such mail server.
    <i>nobody…</i>
    is not known anywhere, and the box of an address that ends in <i>…full</i> is full.
  </p>
</details>
{#if !mail.length}
  <p class="soft">No mail yet. Invitations and voicemail arrive here.</p>
{/if}
<ul class="slips">
  {#each mail as letter (letter.id)}
    <li>
      <button
        type="button"
        aria-expanded={openId === letter.id}
        onclick={() => (openId = openId === letter.id ? null : letter.id)}
      >
        <b>{letter.subject}</b>
        <span>to {letter.to} · {momentText(letter.at, theBusiness().zone)}</span>
        {#if backOf(letter)}<span class="back">{backOf(letter)}</span>{/if}
      </button>
      {#if openId === letter.id}
        {#await openLetter(letter) then { text, pictures, files, link, asks }}
          <pre data-testid="mail-text">{text}</pre>
          {#each pictures as picture (picture.name)}
            <img src={picture.url} alt="The link of the mail, for a camera" width="160" height="160" />
          {/each}
          <div class="row">
            {#if link?.startsWith(location.origin)}<Button
                size="small"
                href={link}
                target="_blank"
                rel="opener">Open the link</Button
              >{/if}
            {#each pictures as picture (picture.name)}<a
                class="small"
                href={picture.url}
                download={picture.name}>Save the picture</a
              >{/each}
            {#each files as file (file.name)}<button
                class="linkish small"
                type="button"
                onclick={() => saveText(file.name, file.type, file.text)}>Save {file.name}</button
              >{/each}
          </div>
          {#if asks?.includes('METHOD:REQUEST')}<AnswerInvitation file={asks} to={letter.to} />{/if}
          <Button
            kind="tertiary"
            size="small"
            on:click={() => saveText(`${letter.id}.eml`, 'message/rfc822', letter.raw)}>Save as .eml</Button
          >
        {:catch}
          <p>This message cannot be read.</p>
        {/await}
      {/if}
    </li>
  {/each}
</ul>

<style>
  li > button {
    display: block;
    width: 100%;
    text-align: left;
    border: 0;
    background: none;
    cursor: pointer;
    font-size: var(--text-lead);
    color: var(--ink);
    padding: 0;
  }
  li > button span {
    display: block;
    color: var(--ink-soft);
    font-size: var(--text-small);
  }
  pre {
    white-space: pre-wrap;
    overflow-wrap: anywhere;
    font: inherit;
    font-size: var(--text-body);
    border-top: 1px solid var(--rule);
    margin: 10px 0;
    padding-top: 10px;
  }
  .soft {
    color: var(--bench-soft);
  }
  li > button span.back {
    color: var(--alarm);
  }
  img {
    display: block;
    margin: 0 0 10px;
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 12px;
    align-items: center;
    margin-bottom: 10px;
  }
</style>
