<script lang="ts">
  import CheckmarkFilled from 'carbon-icons-svelte/lib/CheckmarkFilled.svelte';
  import Close from 'carbon-icons-svelte/lib/Close.svelte';
  import InformationFilled from 'carbon-icons-svelte/lib/InformationFilled.svelte';
  import WarningFilled from 'carbon-icons-svelte/lib/WarningFilled.svelte';
  import { timeText } from '../format';
  import { here, MOST_TOLD, session } from '../window/session.svelte';

  /** What is said to whoever looks: a line of the page, so that nothing lies below it, and a list of what was said before. */
  let { kept = false }: { kept?: boolean } = $props();
  const MARKS = { success: CheckmarkFilled, info: InformationFilled, error: WarningFilled } as const;
  const SAID = { success: 'Done', info: 'To know', error: 'Not done' } as const;
  let listed = $state(false);
  let toggle = $state<HTMLButtonElement>();
  const earlier = $derived(session.told.filter((n) => !session.notices.some((shown) => shown.id === n.id)));
  function close() {
    listed = false;
    toggle?.focus();
  }
</script>

<section class="notices" class:kept class:says={session.notices.length > 0} class:listed aria-label="Notices">
  <div class="now" aria-live="polite">
    {#each session.notices as notice (notice.id)}
      {@const Mark = MARKS[notice.kind]}
      <p class={notice.kind}>
        <Mark size={16} aria-label={SAID[notice.kind]} />
        <span class="words"><b>{notice.title}</b> {notice.detail ?? ''}</span>
        {#if notice.act}
          <button
            class="linkish"
            type="button"
            onclick={() => {
              session.unsay(notice.id);
              notice.act?.do();
            }}>{notice.act.words}</button
          >
        {/if}
        {#if notice.undo}
          <button
            class="linkish"
            type="button"
            onclick={() => {
              session.unsay(notice.id);
              notice.undo?.();
            }}>Undo</button
          >
        {/if}
        <button
          class="close"
          type="button"
          aria-label="Close the notice “{notice.title}”"
          onclick={() => session.unsay(notice.id)}><Close size={16} /></button
        >
      </p>
    {/each}
  </div>
  {#if kept && earlier.length}
    <button
      class="linkish small before"
      type="button"
      bind:this={toggle}
      aria-expanded={listed}
      onclick={() => (listed = !listed)}
      >{listed ? 'Hide what was said' : `Said before: ${earlier.length}`}</button
    >
  {/if}
  {#if listed && earlier.length}
    <!-- svelte-ignore a11y_no_noninteractive_element_interactions (Escape closes it) -->
    <ul aria-label="Said before" onkeydown={(e) => e.key === 'Escape' && close()}>
      {#each earlier as notice (notice.id)}
        <li>
          <span class="soft">{timeText(notice.at ?? 0, here().zone)}</span>
          <span>{SAID[notice.kind]}: <b>{notice.title}</b> {notice.detail ?? ''}</span>
        </li>
      {/each}
      {#if session.told.length >= MOST_TOLD}<li class="soft">The last {MOST_TOLD} are kept.</li>{/if}
    </ul>
  {/if}
</section>

<style>
  .notices {
    position: relative;
    font-size: var(--text-body);
  }
  .kept {
    z-index: 25;
    min-height: 30px;
    padding-right: 150px;
    background: var(--paper);
    border-bottom: 1px solid var(--rule);
  }
  .says {
    background: var(--sheet);
  }
  /* The place is kept at the top of the page; it comes along where there is something to read. */
  .kept.says,
  .kept.listed {
    position: sticky;
    top: calc(74px + var(--alarm-height, 0px));
  }
  p {
    display: flex;
    align-items: center;
    gap: 10px;
    margin: 0;
    padding: 3px 8px 3px 24px;
    min-height: 29px;
  }
  p + p {
    border-top: 1px solid var(--rule);
  }
  p > :global(svg) {
    flex: none;
    fill: var(--group);
  }
  .error > :global(svg) {
    fill: var(--alarm);
  }
  .info > :global(svg) {
    fill: var(--ink-soft);
  }
  .words {
    flex: 1 1 auto;
    overflow-wrap: anywhere;
  }
  .close {
    display: flex;
    border: 0;
    background: none;
    padding: 4px;
    color: var(--ink);
    cursor: pointer;
  }
  .before {
    position: absolute;
    right: 24px;
    top: 5px;
  }
  ul {
    position: absolute;
    right: 24px;
    top: 100%;
    width: min(560px, calc(100% - 48px));
    max-height: 50vh;
    overflow-y: auto;
    margin: 0;
    padding: 4px 0;
    list-style: none;
    background: var(--sheet);
    border: 1px solid var(--rule);
    box-shadow: 0 4px 14px rgb(0 0 0 / 18%);
  }
  li {
    display: grid;
    grid-template-columns: 74px 1fr;
    gap: 10px;
    padding: 5px 14px;
    overflow-wrap: anywhere;
  }
  @media print {
    .notices {
      display: none;
    }
  }
</style>
