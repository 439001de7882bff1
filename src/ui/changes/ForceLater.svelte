<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { localTime } from '$core/hours';
  import { momentText, momentTyped } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import WhenField from '../fields/WhenField.svelte';

  /** The draft as it is now goes in force at a later moment. */
  let { disabled }: { disabled: boolean } = $props();
  const planned = $derived(theBusiness().standing.planned);
  const stale = $derived(planned && planned.revision !== theBusiness().view.draft.record.revision);
  let asking = $state(false);
  let when = $state('');
  let problem = $state('');

  function ask() {
    when = `${localTime(theBusiness().zone, theBusiness().now + 86_400_000).date}T06:00`;
    problem = '';
    asking = true;
  }
  async function take(event: Event) {
    event.preventDefault();
    const read = momentTyped(when, theBusiness().zone, theBusiness().now);
    problem = read.ok ? '' : read.message;
    if (!read.ok) return;
    await theBusiness().workspace.putInForceLater({
      at: read.at,
      revision: theBusiness().view.draft.record.revision,
    });
    asking = false;
  }
</script>

{#if planned}
  <p class="small" role="status" data-testid="planned">
    <b>Goes in force on {momentText(planned.at, theBusiness().zone)}</b>, if a window of Upper Line is open
    then, else when the next one opens.
    {#if stale}<span class="problem"
        >The draft was changed since: it would not go in force. Look, and plan it again.</span
      >{/if}
    <button class="linkish" type="button" onclick={() => void theBusiness().workspace.putInForceLater(null)}
      >Take that back</button
    >
  </p>
{:else if asking}
  <form onsubmit={take}>
    <WhenField label="In force from" time bind:value={when} {problem} />
    <Button size="small" kind="tertiary" type="submit">Plan it</Button>
    <Button size="small" kind="ghost" on:click={() => (asking = false)}>Leave it</Button>
  </form>
{:else}
  <Button size="small" kind="ghost" {disabled} on:click={ask}>At a later moment…</Button>
{/if}

<style>
  form {
    display: grid;
    gap: 8px;
    margin: 8px 0;
  }
  .problem {
    display: block;
    color: var(--alarm);
  }
</style>
