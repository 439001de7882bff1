<script lang="ts">
  import TextingApproval from '$ui/numbers/TextingApproval.svelte';
  import { listed } from '$core/calls';
  import { profileOf } from '$core/numbering';
  import { needsApproval, textingStanding } from '$standins/carrier/approval';
  import { carriesTexts } from '$standins/carrier/texting';
  import { theBusiness } from '$ui/window/session.svelte';

  const home = $derived(profileOf(theBusiness().system.business.country));
  const numbers = $derived(Object.values(theBusiness().system.numbers));
  const standing = $derived(textingStanding(theBusiness().view.dealings.texting, theBusiness().now));
  const why = (n: (typeof numbers)[number]) =>
    carriesTexts(n)
      ? standing.stage === 'approved' || !needsApproval(n.e164)
        ? 'sends and receives'
        : 'receives; what it sends is held back'
      : `no: ${n.kind} numbers of ${profileOf(n.country).name} do not text`;
</script>

<svelte:head><title>Texting · Upper Line</title></svelte:head>

<div class="columns">
  <section>
    <h1>Texting</h1>
    <p class="sub">Which numbers can text, and the approval a business needs before it may.</p>
    {#if numbers.length}
      <table class="list">
        <thead><tr><th>Number</th><th>For</th><th>Texts</th></tr></thead>
        <tbody>
          {#each numbers as n (n.id)}
            <tr><td><b>{theBusiness().number(n.e164)}</b></td><td>{n.label}</td><td>{why(n)}</td></tr>
          {/each}
        </tbody>
      </table>
    {:else}
      <div class="empty">
        <h2>No number yet</h2>
        <p>
          <a href="/numbers/get">Get one</a>: in {home.name}, {listed(home.textable)} numbers can text.
        </p>
      </div>
    {/if}
    <p class="sub"><a href="/messages/texts">What came and went</a> stands among the messages.</p>
  </section>
  <aside>
    {#if numbers.some((n) => needsApproval(n.e164)) || home.textingApproval}
      <TextingApproval />
    {:else}
      <div class="card">
        <h2>Approval to text</h2>
        <p>None is needed in {home.name}: texts go out at once.</p>
      </div>
    {/if}
  </aside>
</div>
