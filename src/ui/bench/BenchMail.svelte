<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import type { MailRecord } from '$workspace';
  import { saveText } from '../download';
  import { momentText } from '../format';
  import { session } from '../session.svelte';

  let openId = $state<string | null>(null);
  const mail = $derived([...(session.view?.mail ?? [])].reverse());

  /** The text of a raw message, read by a library as any mail program would. */
  async function textOf(letter: MailRecord): Promise<string> {
    const { default: PostalMime } = await import('postal-mime');
    return (await PostalMime.parse(letter.raw)).text ?? '';
  }
</script>

{#if !mail.length}
  <p class="soft">No mail yet. Invitations and voicemail arrive here.</p>
{/if}
<ul>
  {#each mail as letter (letter.id)}
    <li>
      <button
        type="button"
        aria-expanded={openId === letter.id}
        onclick={() => (openId = openId === letter.id ? null : letter.id)}
      >
        <b>{letter.subject}</b>
        <span>to {letter.to} · {momentText(letter.at, session.zone)}</span>
      </button>
      {#if openId === letter.id}
        {#await textOf(letter) then text}
          <pre data-testid="mail-text">{text}</pre>
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
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  li {
    background: var(--sheet);
    border: 1px solid var(--dash);
    margin-bottom: 8px;
    padding: 10px 12px;
  }
  li > button {
    display: block;
    width: 100%;
    text-align: left;
    border: 0;
    background: none;
    cursor: pointer;
    font-size: 14px;
    color: var(--ink);
    padding: 0;
  }
  li > button span {
    display: block;
    color: var(--ink-soft);
    font-size: 12.5px;
  }
  pre {
    white-space: pre-wrap;
    overflow-wrap: anywhere;
    font: inherit;
    font-size: 13.5px;
    border-top: 1px solid var(--rule);
    margin: 10px 0;
    padding-top: 10px;
  }
  .soft {
    color: var(--bench-soft);
  }
</style>
