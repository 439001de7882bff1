<script lang="ts">
  import { Button, Tab, TabContent, Tabs } from 'carbon-components-svelte';
  import BenchCarrier from './BenchCarrier.svelte';
  import BenchClock from './BenchClock.svelte';
  import BenchMail from './BenchMail.svelte';
  import BenchNotices from './BenchNotices.svelte';
  import BenchPhones from './BenchPhones.svelte';
  import BenchStaff from './BenchStaff.svelte';

  let { open = $bindable(false) }: { open?: boolean } = $props();
  let selected = $state(0);
</script>

<svelte:window
  onkeydown={(e) => {
    if (open && e.key === 'Escape') open = false;
  }}
/>

{#if open}
  <aside aria-label="Bench">
    <div class="head">
      <div>
        <h2>Bench</h2>
        <p>Stand-ins for the outside world. They are not part of your phone system.</p>
      </div>
      <Button kind="ghost" size="small" on:click={() => (open = false)}>Close</Button>
    </div>
    <Tabs bind:selected>
      <Tab label="Mail" />
      <Tab label="Outside phone" />
      <Tab label="Staff phones" />
      <Tab label="Clock" />
      <Tab label="Carrier" />
      <svelte:fragment slot="content">
        <TabContent
          >{#if selected === 0}<BenchMail /><BenchNotices />{/if}</TabContent
        >
        <TabContent
          >{#if selected === 1}<BenchPhones />{/if}</TabContent
        >
        <TabContent
          >{#if selected === 2}<BenchStaff />{/if}</TabContent
        >
        <TabContent
          >{#if selected === 3}<BenchClock />{/if}</TabContent
        >
        <TabContent
          >{#if selected === 4}<BenchCarrier />{/if}</TabContent
        >
      </svelte:fragment>
    </Tabs>
  </aside>
{/if}

<style>
  aside {
    position: fixed;
    right: 0;
    top: 0;
    bottom: 0;
    width: 440px;
    z-index: 5000;
    background: var(--bench);
    border-left: 6px double var(--line);
    padding: 16px 18px;
    overflow-y: auto;
  }
  .head {
    display: flex;
    justify-content: space-between;
    gap: 12px;
  }
  .head p {
    font-size: var(--text-body);
    color: var(--bench-soft);
    margin: 0 0 10px;
  }
  /* What is there of one kind, one slip below the other. */
  aside :global(.slips) {
    list-style: none;
    margin: 8px 0 0;
    padding: 0;
  }
  aside :global(.slips > li) {
    background: var(--sheet);
    border: 1px solid var(--dash);
    margin-bottom: 8px;
    padding: 8px 12px;
    overflow-wrap: anywhere;
  }
  aside :global(.bx--tab-content) {
    padding: 14px 0;
  }
  aside :global(.bx--tabs__nav-link) {
    width: auto;
    padding-right: 14px;
  }
</style>
