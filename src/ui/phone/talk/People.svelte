<script lang="ts">
  import { colleague, presenceInWords, type Callee, type Presence, type Where } from '$core/phone';
  import { directory } from '$core/people';
  import { dateText } from '../../format';
  import { lamp } from '../../people/lamp';

  /** Colleagues with what they are doing, beside whatever this phone does. */
  let {
    where,
    presence,
    verb,
    onchoose,
  }: {
    where: Where;
    presence: Readonly<Record<string, Presence>>;
    verb: string;
    onchoose: (callee: Callee) => void;
  } = $props();
  const people = $derived(
    directory(where.system, where.phone.personId).filter(
      (e) => e.kind !== 'group' && e.id !== where.phone.personId,
    ),
  );
</script>

<nav aria-label="Colleagues" data-testid="colleagues">
  <h2>Colleagues</h2>
  <ul>
    {#each people as e (e.id)}
      {@const p = presence[e.id]}
      <li>
        <button
          type="button"
          aria-label="{verb} {e.name}"
          onclick={() => onchoose(colleague(e.id, e.name, e.extension))}
        >
          <b>{e.name}</b><span>{e.extension}</span>
          {#if p}<em class={lamp(p)}>{presenceInWords(p, dateText)}</em>{/if}
        </button>
      </li>
    {/each}
  </ul>
</nav>

<style>
  h2 {
    margin: 0 0 8px;
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  button {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 0 8px;
    width: 100%;
    min-height: 48px;
    align-content: center;
    padding: 4px 10px;
    border: 0;
    border-bottom: 1px solid var(--rule);
    background: var(--sheet);
    color: var(--ink);
    font: inherit;
    text-align: left;
    cursor: pointer;
  }
  button:hover {
    background: var(--hover);
  }
  span {
    color: var(--ink-soft);
    font-variant-numeric: tabular-nums;
  }
  em {
    grid-column: 1 / 3;
    font-style: normal;
    font-size: var(--text-small);
    color: var(--ink-soft);
  }
  em.free {
    color: var(--group);
  }
  em.busy {
    color: var(--alarm);
  }
</style>
