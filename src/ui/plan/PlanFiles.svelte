<script lang="ts">
  import { writeCpl } from '$core/formats/cpl';
  import { writePlan, writeVoiceXml } from '$core/formats/plan';
  import { allSteps, type MenuStep, type Plan, type System } from '$core/system';
  import { saveText } from '../files/download';

  /** A plan in the formats others read. */
  let { plan, system }: { plan: Plan; system: System } = $props();
  const menu = $derived([...allSteps(plan.steps)].find((s): s is MenuStep => s.kind === 'menu'));
  let left = $state<string[] | null>(null);

  function saveCpl() {
    const written = writeCpl(plan, system);
    if (written.xml) saveText(`${plan.name}.cpl.xml`, 'application/cpl+xml', written.xml);
    left = written.left;
  }
</script>

<p class="small">
  Save as
  <button
    class="linkish"
    type="button"
    onclick={() => saveText(`${plan.name}.json`, 'application/json', writePlan(plan, system))}>JSON</button
  >
  <button class="linkish" type="button" title="In the Call Processing Language, RFC 3880" onclick={saveCpl}
    >call script</button
  >
  {#if menu}<button
      class="linkish"
      type="button"
      onclick={() => saveText(`${plan.name}.vxml`, 'application/voicexml+xml', writeVoiceXml(menu, system))}
      >VoiceXML</button
    >{/if}
</p>
{#if left}
  <div class="small soft" role="status">
    {#if left.length}
      A call script cannot say:
      <ul>
        {#each left as what (what)}<li>{what}</li>{/each}
      </ul>
    {:else}A call script says all of it.{/if}
  </div>
{/if}

<style>
  button {
    margin-right: 8px;
  }
  ul {
    margin: 2px 0 0 16px;
    list-style: disc;
  }
</style>
