<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { writeReply } from '$core/formats/ical';
  import { hearReply } from '$workspace';
  import { theBusiness } from '../window/session.svelte';

  /** Whoever got an invitation answers it, from their own address or another. */
  let { file, to }: { file: string; to: string } = $props();
  let said = $state('');
  async function answer(how: 'accepted' | 'declined' | 'tentative', sender = to) {
    const now = theBusiness().workspace.now();
    said = await hearReply(theBusiness().workspace, writeReply(file, to, how, now), sender);
  }
</script>

<div class="row">
  <Button size="small" kind="tertiary" on:click={() => void answer('accepted')}>Accept</Button>
  <Button size="small" kind="tertiary" on:click={() => void answer('tentative')}>Perhaps</Button>
  <Button size="small" kind="tertiary" on:click={() => void answer('declined')}>Decline</Button>
  <Button size="small" kind="ghost" on:click={() => void answer('accepted', 'somebody.else@out.example')}
    >Somebody else answers</Button
  >
</div>
{#if said}<p role="status" data-testid="reply-heard">{said}</p>{/if}

<style>
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    margin: 6px 0;
  }
</style>
