<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { page } from '$app/state';
  import { explainPlan } from '$core/answering';
  import { planSvg } from '$core/formats/picture';
  import { saveText } from '$ui/files/download';
  import { theBusiness } from '$ui/window/session.svelte';

  const system = $derived(theBusiness().system);
  const plan = $derived(system.plans[page.params.plan ?? ''] ?? Object.values(system.plans)[0]);
  const svg = $derived(plan ? planSvg(plan, system) : '');
  const source = $derived(`data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`);
</script>

<svelte:head><title>{plan?.name ?? 'No plan'} as a picture · Upper Line</title></svelte:head>

{#if !plan}
  <h1>No plan yet</h1>
{:else}
  <div class="head">
    <h1>{plan.name}</h1>
    <a href="/answering/{plan.id}">Change it</a>
    <Button size="small" kind="tertiary" on:click={() => saveText(`${plan.name}.svg`, 'image/svg+xml', svg)}
      >Save as SVG</Button
    >
    <Button size="small" kind="ghost" on:click={() => print()}>Print</Button>
  </div>
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div class="picture" tabindex="0" role="group" aria-label="The plan as a picture">
    <img src={source} alt={explainPlan(plan, system)} />
  </div>
{/if}

<style>
  .head {
    display: flex;
    gap: 16px;
    align-items: center;
    margin-bottom: 10px;
  }
  .picture {
    overflow: auto;
    border: 1px solid var(--rule);
    background: #f6f3ec;
    padding: 6px;
  }
  img {
    display: block;
    max-width: none;
  }
  @media print {
    img {
      max-width: 100%;
    }
  }
</style>
