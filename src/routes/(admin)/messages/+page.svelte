<script lang="ts">
  import { ringChart, traceLines } from '$core/calls';
  import { momentText } from '$ui/format';
  import MessageCard from '$ui/pages/MessageCard.svelte';
  import RingChart from '$ui/RingChart.svelte';
  import { session } from '$ui/session.svelte';

  const system = $derived(session.view!.inForce.system);
  const messages = $derived([...session.view!.messages].reverse());
  const calls = $derived([...session.view!.calls].reverse().slice(0, 50));
  let open = $state<string | null>(null);
</script>

<svelte:head><title>Messages · Upper Line</title></svelte:head>

<div class="columns">
  <section>
    <h1>Messages</h1>
    <p class="sub">
      What callers left, in every mailbox. Each is in its people's mailboxes and in the mail as well.
    </p>
    {#each messages as m (m.id)}
      <MessageCard
        message={m}
        mailbox={system.mailboxes[m.mailboxId]?.name ??
          session.system?.mailboxes[m.mailboxId]?.name ??
          'a removed mailbox'}
      />
    {:else}
      <div class="empty">
        <h2>No messages yet</h2>
        <p>Call one of your numbers from the bench's outside phone, and leave one.</p>
      </div>
    {/each}
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
          {momentText(call.at, session.zone)}
        </button>
        <p>{call.words}</p>
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
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
  .call p {
    margin: 4px 0 0;
  }
  pre {
    font: inherit;
    font-size: 12.5px;
    white-space: pre-wrap;
    overflow-x: auto;
    margin: 10px 0 0;
  }
</style>
