<script lang="ts">
  import { onDestroy, untrack } from 'svelte';
  import type { Difference, Differing } from '$core/coverage';
  import { endsWell } from '$core/coverage';
  import type { OwnValues } from '$core/system';
  import { here } from '../window/session.svelte';

  /** What settings of somebody that hold at once do to callers of the business's numbers in the coming week. */
  let {
    personId,
    values,
    otherwise,
  }: {
    personId: string;
    /** Those to be tried; null is what they have set, against nothing. */
    values: OwnValues | null;
    otherwise: string;
  } = $props();
  const { deeds } = here();
  onDestroy(() => deeds.stop());
  let differs = $state.raw<Differing | null>(null);
  const found = $derived(differs?.found ?? null);
  let failed = $state(false);
  // As text, so that a registration that comes and goes does not set it to work again.
  const key = $derived.by(() => {
    const { own, dnd, resting, blocked } = here().standing;
    return JSON.stringify([values, own, dnd, resting, blocked]);
  });
  $effect(() => {
    void key;
    void here().inForce;
    const ask = async () => {
      try {
        const got = await deeds.effect(
          personId,
          // Plain, for it goes to a worker.
          $state.snapshot(untrack(() => values)) as OwnValues | null,
        );
        failed = false;
        if (got) differs = got;
      } catch {
        failed = true;
      }
    };
    const timer = setTimeout(() => void ask(), 150);
    return () => clearTimeout(timer);
  });
  const MOST = 6;
  /** Numbers that reach nobody first. */
  const inOrder = $derived(
    [...(found ?? [])].sort((a, b) => Number(reachesNobody(b)) - Number(reachesNobody(a))),
  );
  const reachesNobody = (d: Difference) =>
    !!d.afterTrace && !d.afterTrace.some((e) => e.kind === 'leg sounding');
</script>

<div data-testid="effect" aria-live="polite" data-ready={found !== null}>
  {#if failed}<p class="warn">What it does to your numbers could not be worked out.</p>
  {:else if !found}<p class="soft">Working out what callers get…</p>
  {:else if !found.length}<p class="soft">{otherwise}</p>
  {:else}
    <ul>
      {#each inOrder.slice(0, MOST) as d (d.numberId + d.caller + d.when)}
        <li class:bad={reachesNobody(d)}>
          <b>{d.label}{d.caller ? `, ${d.caller}` : ''}, {d.when}:</b>
          {#if reachesNobody(d)}
            <b
              >reaches nobody{d.afterTrace && endsWell(d.afterTrace) === 'message'
                ? ', only voicemail'
                : ''}.</b
            >{/if}
          {d.after}
          <details>
            <summary>before</summary>
            {d.before}
          </details>
        </li>
      {/each}
    </ul>
    {#if inOrder.length > MOST}<p class="soft small">and {found.length - MOST} more.</p>{/if}
  {/if}
  {#each differs?.left ?? [] as words (words)}<p class="warn small">{words}</p>{/each}
</div>

<style>
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
    font-size: var(--text-body);
  }
  li {
    border-left: 3px solid var(--rule);
    padding: 2px 0 4px 10px;
    margin-bottom: 8px;
  }
  li.bad {
    border-left-color: var(--alarm);
  }
  .bad b + b {
    color: var(--alarm);
  }
  details {
    font-size: var(--text-small);
    color: var(--ink-soft);
  }
  p {
    margin: 0;
  }
  .warn {
    color: var(--alarm);
  }
</style>
