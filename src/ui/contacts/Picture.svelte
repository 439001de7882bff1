<script lang="ts">
  import { here } from '../window/session.svelte';

  /** The picture of a contact, from its bytes alone; nothing where there is none. */
  let { hash, name, side = 56 }: { hash: string | undefined; name: string; side?: number } = $props();
  let url = $state('');
  $effect(() => {
    const wanted = hash;
    if (!wanted) return;
    let made = '';
    let gone = false;
    void here()
      .deeds.fileBytes(wanted)
      .then((bytes) => {
        if (!bytes || gone) return;
        url = made = URL.createObjectURL(new Blob([bytes]));
      })
      .catch(() => {});
    return () => {
      gone = true;
      url = '';
      if (made) URL.revokeObjectURL(made);
    };
  });
</script>

{#if hash && url}<img src={url} alt="Picture of {name}" width={side} height={side} />{/if}

<style>
  img {
    object-fit: cover;
    border: 1px solid var(--rule);
  }
</style>
