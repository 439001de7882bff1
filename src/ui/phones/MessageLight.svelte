<script lang="ts">
  import { messageSummary, waitingIn } from '$core/messages';
  import { accountsOn, type Phone } from '$core/system';
  import Dot from '../drawn/Dot.svelte';
  import { here } from '../window/session.svelte';

  /** The light of a phone that says whether a message waits, for each account on it. */
  let { phone, details = false }: { phone: Phone; details?: boolean } = $props();
  const lights = $derived(
    accountsOn(phone).flatMap((personId) => {
      const person = here().system.people[personId];
      if (!person?.mailboxId) return [];
      const waiting = waitingIn(here().messages, person.mailboxId);
      return [{ person, waiting, body: messageSummary(waiting, `sip:${person.extension}@pbx.example`) }];
    }),
  );
</script>

{#each lights as { person, waiting, body } (person.id)}
  <p class="small" data-testid="message-light">
    <Dot kind={waiting.fresh ? 'waiting' : 'off'} />
    {lights.length > 1 ? `${person.name}: ` : ''}{waiting.fresh
      ? `message light on: ${waiting.fresh} new`
      : 'message light off'}
  </p>
  {#if details}<details class="small">
      <summary>What the phone is sent</summary>
      <pre>{body}</pre>
    </details>{/if}
{/each}

<style>
  p {
    margin: 4px 0;
  }
  pre {
    margin: 4px 0;
    font-size: var(--text-small);
  }
</style>
