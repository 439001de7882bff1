<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { verdictsInWords } from '$core/promises';
  import type { Promised } from '$core/system';
  import { freshId } from '$ui/ids';
  import LoadSection from '$ui/promises/LoadSection.svelte';
  import PromiseCard from '$ui/promises/PromiseCard.svelte';
  import { theBusiness } from '$ui/window/session.svelte';

  const promises = $derived(Object.values(theBusiness().system.promises));
  const number = $derived(Object.values(theBusiness().system.numbers)[0]);
  const tally = $derived(verdictsInWords(theBusiness().checks.verdicts ?? []));

  function add() {
    const value: Promised = {
      id: freshId('promise'),
      name: `${number!.label} always ends well`,
      numberId: number!.id,
      caller: null,
      behaviour: {
        people: {},
        phones: {},
        otherwise: { does: 'nothing' },
        caller: { hangsUpAfter: null, talks: 60, message: 12 },
      },
      when: { on: 'always' },
      expects: [{ is: 'ends well' }],
    };
    theBusiness().edit(`Promise: ${value.name}`, [{ do: 'promise.add', value }]);
  }
</script>

<svelte:head><title>Promises · Answering · Upper Line</title></svelte:head>

<h1>Promises</h1>
<p class="sub">
  What callers must get, whatever is edited. Each is held against every moment of the coming year with every
  edit; a broken one must be looked at before the draft goes in force.
  {#if promises.length && theBusiness().checks.verdicts}<b>{tally}</b>{/if}
</p>
{#each promises as promised (promised.id)}
  <PromiseCard
    {promised}
    verdict={theBusiness().checks.verdicts?.find((v) => v.promised.id === promised.id)}
  />
{:else}
  <div class="empty">
    <h2>No promise yet</h2>
    <p>
      Promise that the night line always rings somebody, or that nobody meets voicemail in the morning. Any
      rehearsal can be kept as one.
    </p>
  </div>
{/each}
{#if number}<Button size="small" kind="tertiary" on:click={add}>Make a promise</Button>{/if}
<a class="small" href="/answering/rehearsal">Rehearse a call, and keep it</a>
<LoadSection />
