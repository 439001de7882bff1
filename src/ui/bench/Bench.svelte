<script lang="ts">
  import { Button, Tab, TabContent, Tabs } from 'carbon-components-svelte';
  import BenchCarrier from './BenchCarrier.svelte';
  import BenchClock from './BenchClock.svelte';
  import BenchHooks from './BenchHooks.svelte';
  import BenchMail from './BenchMail.svelte';
  import BenchNotices from './BenchNotices.svelte';
  import BenchPhones from './BenchPhones.svelte';
  import BenchStaff from './BenchStaff.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** @param alone it is a window of its own */
  let { open = $bindable(false), alone = false }: { open?: boolean; alone?: boolean } = $props();
  /** Elsewhere Escape closes something else. */
  const inside = ({ target }: Event) =>
    target === document.body || (target as HTMLElement).closest('aside[aria-label=Bench]') !== null;
  function apart() {
    window.open(`/bench?business=${theBusiness().id}`, 'upper-line-bench', 'width=480,height=820');
    open = false;
  }
  let selected = $state(0);
</script>

<svelte:window
  onkeydown={(e) => {
    if (open && !alone && !e.defaultPrevented && e.key === 'Escape' && inside(e)) open = false;
  }}
/>

{#if open}
  <aside aria-label="Bench" class:alone>
    <div class="head">
      <div>
        <h2>Bench</h2>
        <p>Stand-ins for the outside world. They are not part of your phone system.</p>
      </div>
      {#if !alone}
        <div class="acts">
          <Button kind="ghost" size="small" on:click={() => (open = false)}>Close</Button>
          <button class="linkish small" type="button" onclick={apart}>Window of its own</button>
        </div>
      {/if}
    </div>
    <Tabs bind:selected>
      <Tab label="Mail" />
      <Tab label="Outside phone" />
      <Tab label="Staff phones" />
      <Tab label="Clock" />
      <Tab label="Carrier" />
      <svelte:fragment slot="content">
        <TabContent
          >{#if selected === 0}<BenchMail /><BenchNotices /><BenchHooks />{/if}</TabContent
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
    width: var(--bench-width);
    z-index: 24;
    background: var(--bench);
    border-left: 6px double var(--line);
    padding: 16px 18px;
    overflow-y: auto;
  }
  .alone {
    position: static;
    width: auto;
    min-height: 100vh;
    border: 0;
  }
  .acts {
    text-align: right;
    white-space: nowrap;
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
