<script lang="ts">
  import { Button, TextInput } from 'carbon-components-svelte';
  import FilePicker from '../fields/FilePicker.svelte';
  import { readJoin, type JoinLink } from '../../channel/link';
  import { readLink } from '$standins/mail/invitation';
  import { readPairing } from '../phone/setup/pairing-file';
  import { allowSound } from '../phone/sounds/tones';

  /** A device asks to be a phone: by the link of its invitation, its picture, or its file. */
  let {
    given,
    refused,
    onask,
    ongiven,
  }: {
    given: JoinLink | null;
    /** Why it was not let in, in words. */
    refused: string;
    onask: (name: string) => void;
    ongiven: (link: JoinLink) => void;
  } = $props();
  let name = $state('');
  let pasted = $state('');
  let problem = $state('');

  function take(join: string | undefined, what: string) {
    const link = join ? readJoin(join) : undefined;
    problem = link ? '' : `${what} is not one that makes a phone of this device. Ask for a new invitation.`;
    if (link) ongiven(link);
  }
  function paste(event: Event) {
    event.preventDefault();
    take(readLink(pasted.trim())?.join, 'This link');
  }
  async function read(file: File | undefined) {
    if (!file) return;
    const found = await readPairing(file);
    if ('message' in found) problem = found.message;
    else take(found.join, 'What was read');
  }
  function ask(event: Event) {
    event.preventDefault();
    void allowSound();
    onask(name);
  }
</script>

{#if refused}<p class="problem" role="alert">{refused}</p>{/if}
{#if given}
  <form class="card" onsubmit={ask} aria-label="Become a phone">
    <h1>Make this device your phone</h1>
    <p>
      It asks at the business of your invitation; somebody there says that it is yours. Until then it is told
      nothing.
    </p>
    <TextInput
      labelText="What you call this device"
      placeholder="my mobile"
      maxlength={80}
      bind:value={name}
      helperText="So that whoever does the phones knows it again, and can shut it out when it is lost."
    />
    <Button type="submit">Ask to be let in</Button>
  </form>
{:else}
  <form class="card" onsubmit={paste} aria-label="The link of your invitation">
    <h1>A phone of your own</h1>
    <p>Open the link of your invitation on this device, or scan its picture with the camera. Or:</p>
    <TextInput labelText="Paste the link" bind:value={pasted} invalid={!!problem} invalidText={problem} />
    <Button type="submit" kind="tertiary">Read it</Button>
    <FilePicker
      words="Read a picture or file of the mail"
      label="Picture or settings file of the mail"
      accept="image/*,application/json,.json"
      kind="ghost"
      onfile={(file) => void read(file)}
    />
  </form>
{/if}

<style>
  form {
    display: flex;
    flex-direction: column;
    gap: 14px;
    align-items: flex-start;
  }
  p {
    margin: 0;
  }
  .problem {
    color: var(--alarm);
    margin: 0 0 14px;
  }
</style>
