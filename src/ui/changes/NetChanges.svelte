<script lang="ts">
  import { byPart, takenBack, type NetChange } from '$core/changes';
  import type { System } from '$core/system';
  import { theBusiness } from '../window/session.svelte';
  import { PART_HEADINGS, pageOf } from './where';

  /** What was and what is, by number, plan, person, however many edits led there. */
  interface Props {
    changes: readonly NetChange[];
    /** What is in force. */
    then: System;
    /** The one whose effect on callers is looked at alone. */
    alone: string | null;
    onalone: (change: NetChange | null) => void;
  }
  let { changes, then, alone, onalone }: Props = $props();
  /** So many of each part are shown at first, so that all parts are seen; and so many more each time. */
  const AT_FIRST = 4;
  const MORE = 12;
  let shown = $state<Record<string, number>>({});
  let heading = $state<HTMLElement>();

  function takeBack(change: NetChange) {
    const { words, commands } = takenBack(change, then);
    const { ok } = theBusiness().edit(words, commands, { withNotice: true });
    // What was taken back is gone from the list: whoever works by keys goes on from its beginning.
    if (ok) heading?.focus();
  }
</script>

<section aria-label="What changes" data-testid="net-changes">
  <h2 bind:this={heading} tabindex="-1">What changes</h2>
  {#each byPart(changes) as [part, own] (part)}
    {@const most = shown[part] ?? AT_FIRST}
    <h3>{PART_HEADINGS[part]} <span class="soft">{own.length}</span></h3>
    <ul>
      {#each own.slice(0, most) as change (change.key)}
        {@const page = change.what === 'gone' ? null : pageOf(part, change.id)}
        <li class:chosen={alone === change.key}>
          <p>
            {#if page}<a href={page}>{change.name}</a>{:else}<b>{change.name}</b>{/if}
            {#if change.what !== 'changed'}<span class="mark">{change.what}</span>{/if}
          </p>
          {#each change.fields as field (field.field)}
            <p class="small">
              <span class="soft">{field.name}:</span>
              <del>{field.was}</del> <span aria-hidden="true">→</span>
              <span class="bx--visually-hidden">is now</span> <b>{field.is}</b>
            </p>
          {/each}
          {#each change.steps as step (`${step.stepId} ${step.what}`)}
            <p class="small">
              <span class="mark">step {step.what}</span>
              {#if step.what === 'changed'}
                <del>{step.was}</del> <span aria-hidden="true">→</span>
                <span class="bx--visually-hidden">is now</span> <b>{step.is}</b>
              {:else if step.what === 'gone'}<del>{step.was}</del>
              {:else}<b>{step.is}</b>{/if}
            </p>
          {/each}
          <p class="acts">
            <button
              class="linkish small"
              type="button"
              aria-pressed={alone === change.key}
              aria-label="What it alone does to callers: {change.name}"
              onclick={() => onalone(alone === change.key ? null : change)}
              >{alone === change.key ? 'All changes together' : 'What it alone does'}</button
            >
            <button
              class="linkish small"
              type="button"
              aria-label="Take back: {change.name}"
              onclick={() => takeBack(change)}>Take it back</button
            >
          </p>
        </li>
      {/each}
    </ul>
    {#if own.length > most}
      <button class="linkish small" type="button" onclick={() => (shown = { ...shown, [part]: most + MORE })}
        >Show {Math.min(MORE, own.length - most)} more of {own.length}</button
      >
    {/if}
  {/each}
</section>

<style>
  h2:focus {
    outline: none;
  }
  h3 {
    margin: 8px 0 2px;
    font-size: var(--text-body);
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  li {
    padding: 4px 0 6px;
    border-top: 1px solid var(--rule);
    overflow-wrap: anywhere;
  }
  li.chosen {
    border-left: 4px solid var(--copper);
    padding-left: 8px;
  }
  p {
    margin: 0;
  }
  del {
    color: var(--ink-soft);
  }
  .acts {
    display: flex;
    gap: 12px;
    margin-top: 2px;
  }
</style>
