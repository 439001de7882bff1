<script lang="ts">
  import { Button, MultiSelect } from 'carbon-components-svelte';
  import { alertDelay, USUAL_RING_SECONDS, type Phone, type Reach } from '$core/system';
  import { named } from '../named';
  import SecondsField from '../fields/SecondsField.svelte';

  /** Which of somebody's phones ring, in which order and how long. */
  let {
    steps,
    phones,
    onchange,
  }: { steps: Reach['steps']; phones: readonly Phone[]; onchange: (steps: Reach['steps']) => void } =
    $props();
  const items = $derived(phones.map((p) => ({ id: p.id, text: p.name })));
  /** A ring in North America comes every six seconds; see the profiles. */
  const rings = (seconds: number) => `about ${Math.max(1, Math.round(seconds / 6))} rings`;

  const put = (i: number, change: Partial<Reach['steps'][number]>) =>
    onchange(steps.map((s, j) => (j === i ? { ...s, ...change } : s)));
  function move(i: number, by: number) {
    const order = [...steps];
    const [step] = order.splice(i, 1);
    order.splice(i + by, 0, step!);
    onchange(order);
  }
  function choose(i: number, ids: readonly string[]) {
    const all = ids.length === 0 || ids.length === phones.length;
    const next = all ? null : phones.map((p) => p.id).filter((id) => ids.includes(id));
    if (JSON.stringify(next) !== JSON.stringify(steps[i]!.phoneIds)) put(i, { phoneIds: next });
  }
  /** A phone that starts to sound late barely rings in a short step. */
  function late(step: Reach['steps'][number]): string {
    const rung = phones.filter((p) => step.phoneIds?.includes(p.id) ?? true);
    const slow = rung.filter((p) => step.seconds < alertDelay(p) + 4);
    return slow.length
      ? `${slow.map((p) => p.name).join(' and ')} ${slow.length === 1 ? 'starts' : 'start'} to sound after ${slow.map((p) => alertDelay(p)).join(' and ')} s: hardly a ring.`
      : '';
  }
</script>

<ol>
  {#each steps as step, i (i)}
    <li>
      <span class="n">{i + 1}</span>
      <div {@attach named(`Phones rung in step ${i + 1}`)}>
        <MultiSelect
          size="sm"
          labelText={i ? 'then' : 'First'}
          label={step.phoneIds
            ? step.phoneIds.map((id) => phones.find((p) => p.id === id)?.name ?? '').join(' and ') || 'none'
            : 'all phones together'}
          {items}
          selectedIds={[...(step.phoneIds ?? phones.map((p) => p.id))]}
          sortItem={() => 0}
          on:select={(e) => choose(i, e.detail.selectedIds.map(String))}
        />
      </div>
      <SecondsField
        label="Seconds"
        narrow
        value={step.seconds}
        helper={rings(step.seconds)}
        onchange={(seconds) => {
          if (!Number.isInteger(seconds) || seconds < 1 || seconds > 600) return 'Whole seconds, 1 to 600.';
          put(i, { seconds });
          return undefined;
        }}
      />
      <div class="acts">
        {#if i > 0}<button class="linkish small" type="button" onclick={() => move(i, -1)}
            >Earlier<span class="visually-hidden">&nbsp;(step {i + 1})</span></button
          >{/if}
        <button class="linkish small" type="button" onclick={() => onchange(steps.filter((_, j) => j !== i))}
          >Remove<span class="visually-hidden">&nbsp;step {i + 1}</span></button
        >
      </div>
      {#if late(step)}<p class="small warn">{late(step)}</p>{/if}
    </li>
  {:else}<li class="soft">No phone rings: a call goes on at once.</li>{/each}
</ol>
{#if steps.length < 10}
  <Button
    size="small"
    kind="ghost"
    on:click={() => onchange([...steps, { phoneIds: null, seconds: USUAL_RING_SECONDS }])}
    >{steps.length ? 'Then ring…' : 'Ring phones'}</Button
  >
{/if}

<style>
  ol {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  li {
    display: grid;
    grid-template-columns: 22px minmax(0, 1fr) 96px 58px;
    gap: 10px;
    align-items: start;
    padding: 6px 0;
  }
  /* The field is made for wider places. */
  li :global(.bx--number),
  li :global(.bx--number input) {
    min-width: 0;
    width: 100%;
    padding-right: 8px;
  }
  ol {
    container-type: inline-size;
  }
  /* On a phone, the phones stand on a line of their own. */
  @container (max-width: 420px) {
    li {
      grid-template-columns: 22px minmax(0, 1fr) 68px;
    }
    li > div:first-of-type {
      grid-column: 2 / -1;
    }
    li > :global(.bx--form-item) {
      grid-column: 2;
    }
  }
  li.soft {
    display: block;
  }
  .n {
    font-weight: 650;
    color: var(--ink-soft);
    padding-top: 26px;
  }
  .acts {
    display: grid;
    justify-items: start;
    padding-top: 24px;
  }
  p {
    grid-column: 2 / -1;
    margin: 0;
  }
  .warn {
    color: var(--alarm);
  }
</style>
