<script lang="ts">
  import { colleague, presenceInWords, type Callee, type Line } from '$core/phone';
  import { dateText, durationText } from '../../format';
  import type { PhoneDesk } from '../desk.svelte';
  import TakeButton from './TakeButton.svelte';

  /** Lines of others on this phone: what goes on there, and the way in: answer, take back, call. */
  let { desk, oncall }: { desk: PhoneDesk; oncall: (callee: Callee) => void } = $props();
  const { lines, presence } = $derived(desk.going);
  const VERB = { 'pick up': 'Answer', 'take over': 'Take back' };

  function words({ is, by, who, of }: Line): string {
    switch (is) {
      case 'free': {
        const p = of.kind === 'person' ? presence[of.id] : undefined;
        return p ? presenceInWords(p, dateText) : 'free';
      }
      case 'rings':
        return `rings${by && ` at ${by}`}${who && `: ${who}`}`;
      case 'talks':
        return `on a call${by && `: ${by}`}`;
      case 'held':
        return `${who || 'a call'} held${by && ` by ${by}`}`;
    }
  }
</script>

{#if lines.length}
  <section aria-labelledby="lines" data-testid="lines">
    <h2 id="lines">Lines</h2>
    <ul>
      {#each lines as line (`${line.of.kind} ${line.of.id}`)}
        <li class={line.is} data-testid="line">
          <span class="name"><b>{line.name}</b> <span>{line.detail}</span></span>
          <span class="state"
            >{words(line)}{#if line.since !== null}, {durationText(desk.now - line.since)}{/if}</span
          >
          {#if line.take}
            {@const { act, callId } = line.take}
            <span class="do"
              ><TakeButton onclick={() => void desk.act({ kind: act, callId, phone: desk.phoneId })}
                >{VERB[act]}<span class="visually-hidden">&nbsp;{line.name}</span></TakeButton
              ></span
            >
          {:else if line.of.kind === 'person' && line.is === 'free'}
            <span class="do"
              ><TakeButton onclick={() => oncall(colleague(line.of.id, line.name, line.detail))}
                >Call<span class="visually-hidden">&nbsp;{line.name}</span></TakeButton
              ></span
            >
          {/if}
        </li>
      {/each}
    </ul>
  </section>
{/if}

<style>
  h2 {
    margin: 0 0 6px;
  }
  ul {
    list-style: none;
    margin: 0 0 12px;
    padding: 0;
  }
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    align-items: center;
    column-gap: 10px;
    min-height: 52px;
    padding: 3px 0 3px 12px;
    border-bottom: 1px solid var(--rule);
    border-left: 3px solid transparent;
    background: var(--sheet);
  }
  .rings,
  .held {
    border-left-color: var(--copper);
  }
  .name,
  .state {
    grid-column: 1;
    overflow-wrap: anywhere;
  }
  .name span,
  .state {
    color: var(--ink-soft);
    font-size: var(--text-body);
  }
  .rings .state,
  .held .state {
    color: var(--ink);
    font-weight: 600;
  }
  .do {
    grid-column: 2;
    grid-row: 1 / span 2;
  }
</style>
