<script lang="ts">
  import type { Contact } from '$core/system';
  import { storeBytes } from '$workspace';
  import { madeSmaller } from '../texts/smaller';
  import { theBusiness } from '../window/session.svelte';
  import Picture from './Picture.svelte';

  /** A contact's picture: chosen, made small, shown, taken away. */
  let {
    contact,
    set,
  }: { contact: Contact; set: (picture: string | undefined, words: string) => string | undefined } = $props();
  /** It is made to have no more bytes than so many: it is shown small. */
  const MOST = 120_000;
  let problem = $state('');
  let input = $state<HTMLInputElement>();
  async function take(file: File | undefined) {
    if (!file) return;
    problem = '';
    try {
      const bytes = await madeSmaller(file, MOST);
      if (!bytes) return (problem = `${file.name} is no picture that this browser reads.`);
      const { db, id } = theBusiness();
      problem = set(await storeBytes(db, id, bytes), 'a picture') ?? '';
    } catch (error) {
      problem = error instanceof Error ? error.message : String(error);
    }
  }
</script>

<div class="picture">
  <Picture hash={contact.picture} name={contact.name} />
  <div>
    <button class="linkish small" type="button" onclick={() => input?.click()}
      >{contact.picture ? 'Another picture' : 'Add a picture'}</button
    >
    {#if contact.picture}
      <button class="linkish small" type="button" onclick={() => set(undefined, 'no picture')}
        >Take the picture away</button
      >
    {/if}
    {#if problem}<p class="problem small" role="alert">{problem}</p>{/if}
  </div>
  <input
    bind:this={input}
    class="visually-hidden"
    type="file"
    accept="image/*"
    tabindex="-1"
    aria-label="Picture of {contact.name}"
    onchange={(e) => {
      const chosen = e.currentTarget;
      void take(chosen.files?.[0]).then(() => (chosen.value = ''));
    }}
  />
</div>

<style>
  .picture {
    display: flex;
    gap: 12px;
    align-items: center;
  }
  .problem {
    color: var(--alarm);
    margin: 2px 0 0;
  }
</style>
