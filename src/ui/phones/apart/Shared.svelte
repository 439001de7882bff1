<script lang="ts">
  import { onMount } from 'svelte';
  import { answerAgain, type GateState } from '$exchange';
  import { readSharing, type Sharing } from './sharing';

  /** Where other machines find this one, and whether they can now. */
  let { gate }: { gate: GateState | null } = $props();
  let sharing = $state.raw<Sharing | null>(null);
  let picture = $state('');
  onMount(async () => {
    sharing = await readSharing();
    if (!sharing?.address) return;
    const { toDataURL } = await import('qrcode');
    picture = await toDataURL(sharing.address, { errorCorrectionLevel: 'M', width: 160, margin: 2 });
  });
</script>

<section class="card row" data-testid="sharing">
  <div>
    {#if sharing?.address}
      <p>Other machines of your network find this one at <b>{sharing.address}</b>.</p>
      <p class="small">
        Its certificate is made here. Before somebody trusts it, let them compare its fingerprint: <code
          >{sharing.fingerprint}</code
        >
      </p>
    {:else if sharing}
      <p>
        Only this machine is served now: other windows and browsers here can be phones. Begin with <code
          >npm start -- --share</code
        > to serve your network too.
      </p>
    {:else}
      <p class="soft">The server is not reached: whether other machines find this one is not known.</p>
    {/if}
    <p class="small" data-testid="gate">
      {#if !gate}No phone on another machine has been invited yet.
      {:else if gate.replaced}Another browser answers for this business now: phones on other machines are
        connected there. <button class="linkish" type="button" onclick={() => answerAgain(gate.businessId)}
          >Answer here again</button
        >
      {:else if gate.connected}Phones on other machines can connect; {gate.devices.length}
        {gate.devices.length === 1 ? 'is' : 'are'} connected now.
      {:else}Phones on other machines cannot connect: {gate.why || 'the server is not reached.'}{/if}
    </p>
  </div>
  {#if picture}<img src={picture} width="110" height="110" alt="The address, for a camera" />{/if}
</section>

<style>
  .row {
    display: flex;
    gap: 18px;
    justify-content: space-between;
    align-items: center;
  }
  p {
    margin: 0 0 4px;
  }
  code {
    overflow-wrap: anywhere;
  }
</style>
