<script lang="ts">
  import { doAgain, withdrawErrands, type ErrandRecord } from '$workspace';
  import { momentText } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import { doingInWords, otherInWords } from './doing';

  /** One thing a follow-up does or did. */
  let { errand }: { errand: ErrandRecord } = $props();
  const zone = $derived(theBusiness().zone);
  const STATES: Record<ErrandRecord['state'], string> = {
    waits: 'waits',
    done: 'done',
    'not done': 'not done',
    failed: 'failed',
    withdrawn: 'called off',
  };
  const when = $derived(errand.state === 'waits' ? errand.next : errand.at);
  async function callOff() {
    const back = await withdrawErrands(theBusiness().workspace, [errand.id]);
    theBusiness().sayDone({ kind: 'info', title: `Called off: ${errand.name}` }, async () => back());
  }
  async function again() {
    const done = await doAgain(theBusiness().workspace, errand.id);
    theBusiness().say(
      done
        ? { kind: 'info', title: 'It is done within a few seconds, by the rules as they are now.' }
        : { kind: 'error', title: 'It is done, or waits, already.' },
    );
  }
</script>

<tr data-testid="errand" class:bad={errand.state === 'failed'}>
  <td>
    <b>{errand.name}</b><br /><span class="small soft">{momentText(errand.over, zone)}</span>
  </td>
  <td>{errand.other || errand.about ? otherInWords(errand.other) : ''}</td>
  <td class="says">{doingInWords(errand.doing)}</td>
  <td>
    <b>{STATES[errand.state]}</b>{#if when}, {momentText(when, zone)}{/if}{#if errand.late}, late{/if}
    {#if errand.why ?? errand.lacks}<br /><span class="small">{errand.why ?? errand.lacks}</span>{/if}
    {#if errand.tries?.length}
      <details class="small">
        <summary>Tried {errand.tries.length === 1 ? 'once' : `${errand.tries.length} times`}</summary>
        <ul>
          {#each errand.tries as { at, said } (at)}<li>{momentText(at, zone)}: {said}</li>{/each}
        </ul>
      </details>
    {/if}
  </td>
  <td>
    {#if errand.state === 'waits'}
      <button class="linkish small" type="button" onclick={() => void callOff()}
        >Call it off<span class="visually-hidden">: {errand.name}</span></button
      >
    {:else if errand.state !== 'done' && errand.doing}
      <button class="linkish small" type="button" onclick={() => void again()}
        >Do it after all<span class="visually-hidden">: {errand.name}</span></button
      >
    {/if}
  </td>
</tr>

<style>
  td {
    text-align: left;
    vertical-align: top;
    padding: 7px 12px 7px 0;
    border-bottom: 1px solid var(--rule);
    font-size: var(--text-body);
  }
  .says {
    max-width: 42ch;
    overflow-wrap: anywhere;
  }
  .bad b {
    color: var(--alarm);
  }
  ul {
    padding-left: 16px;
  }
</style>
