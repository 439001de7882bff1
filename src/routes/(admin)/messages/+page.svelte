<script lang="ts">
  import { ringChart, traceLines } from '$core/calls';
  import { momentText } from '$ui/format';
  import CallSounds from '$ui/messages/CallSounds.svelte';
  import Inbox from '$ui/messages/Inbox.svelte';
  import RingChart from '$ui/drawn/RingChart.svelte';
  import { theBusiness } from '$ui/window/session.svelte';

  const system = $derived(theBusiness().view.inForce.system);
  const calls = $derived([...theBusiness().view.calls].reverse().slice(0, 50));
  let open = $state<string | null>(null);
</script>

<svelte:head><title>Messages · Upper Line</title></svelte:head>

<div class="columns">
  <section>
    <h1>Messages</h1>
    <p class="sub">
      What callers left, in every mailbox. Each is in its people's mailboxes and in the mail as well.
    </p>
    <Inbox />
  </section>
  <aside>
    <h2>Calls</h2>
    {#each calls as call (call.id)}
      <div class="card call" data-testid="call">
        <button
          class="linkish"
          type="button"
          aria-expanded={open === call.id}
          onclick={() => (open = open === call.id ? null : call.id)}
        >
          {momentText(call.at, theBusiness().zone)}
        </button>
        <p>{call.words}</p>
        {#if call.note}<p>“{call.note}”</p>{/if}
        <CallSounds {call} {system} />
        {#if open === call.id}
          <RingChart chart={ringChart(call.trace, system)} />
          <pre>{traceLines(call.trace, system).join('\n')}</pre>
        {/if}
      </div>
    {:else}
      <p class="soft">No calls yet.</p>
    {/each}
  </aside>
</div>

<style>
  .columns {
    grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
  }
  .call p {
    margin: 4px 0 0;
  }
  pre {
    font: inherit;
    font-size: var(--text-small);
    white-space: pre-wrap;
    overflow-x: auto;
    margin: 10px 0 0;
  }
</style>
