<script lang="ts">
  import { onDestroy } from 'svelte';
  import { Button, NumberInput, Select } from 'carbon-components-svelte';
  import { DAY_NAMES } from '$core/hours';
  import { LoadPromise, MOST_LOAD_PROMISES } from '$core/staffing';
  import { changeLoadPromises } from '$workspace';
  import SelectItem from '../fields/SelectItem.svelte';
  import { freshId } from '../ids';
  import { theBusiness } from '../window/session.svelte';
  import { LoadHeld } from './load-held.svelte';
  import LoadVerdicts from './LoadVerdicts.svelte';

  /** Promises about load: made, held against the draft when asked, taken away. */
  const business = $derived(theBusiness());
  const held = new LoadHeld();
  onDestroy(() => held.stop());
  $effect(() => void held.read(business));
  let adding = $state(false);
  let days = $state<number[]>([1]);
  let from = $state(9);
  let to = $state(17);
  let share = $state<number | null>(80);
  let within = $state<number | null>(20);
  let problems = $state<Record<string, string>>({});
  let problem = $state('');
  const HOURS = Array.from({ length: 25 }, (_, h) => h);

  async function add(event: Event) {
    event.preventDefault();
    const made = LoadPromise.safeParse({
      id: freshId('load'),
      days,
      from,
      to,
      share: share === null ? undefined : share / 100,
      within: within ?? undefined,
    });
    problems = Object.fromEntries((made.error?.issues ?? []).map((i) => [String(i.path[0]), i.message]));
    if (!made.success) return;
    if (held.promises.length >= MOST_LOAD_PROMISES)
      return (problem = `There are ${MOST_LOAD_PROMISES} already: take one away first.`);
    await keep((known) => [...known, made.data]);
    adding = false;
  }
  async function keep(change: (known: LoadPromise[]) => LoadPromise[]) {
    try {
      problem = '';
      const now = await changeLoadPromises(business.db, business.id, change);
      const was = held.promises;
      held.promises = now;
      return was;
    } catch (error) {
      problem = error instanceof Error ? error.message : String(error);
      return undefined;
    }
  }
  async function drop(id: string) {
    const was = await keep((known) => known.filter((p) => p.id !== id));
    if (was)
      business.say({
        kind: 'success',
        title: 'The promise about load was taken away.',
        undo: () => void keep(() => [...was]),
      });
  }
</script>

<section aria-label="About load">
  <h2>About load</h2>
  <p class="sub">
    Of a usual week as the log has it, with the draft’s plans and people. They are held when you ask, and
    before a change goes in force.
  </p>
  <LoadVerdicts {held} ondrop={(id) => void drop(id)} />
  {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
  {#if adding}
    <form onsubmit={(e) => void add(e)}>
      <div class="week" role="group" aria-label="On which days">
        {#each DAY_NAMES as name, i (name)}
          <label
            ><input
              type="checkbox"
              checked={days.includes(i + 1)}
              onchange={(e) =>
                (days = e.currentTarget.checked ? [...days, i + 1] : days.filter((d) => d !== i + 1))}
            />{name}</label
          >
        {/each}
        {#if problems['days']}<span class="problem">{problems['days']}</span>{/if}
      </div>
      <Select size="sm" labelText="From" selected={from} on:update={(e) => (from = Number(e.detail))}>
        {#each HOURS.slice(0, 24) as h (h)}<SelectItem value={h} text="{h}:00" />{/each}
      </Select>
      <Select
        size="sm"
        labelText="To"
        selected={to}
        invalid={!!problems['to']}
        invalidText={problems['to'] ?? ''}
        on:update={(e) => (to = Number(e.detail))}
      >
        {#each HOURS.slice(1) as h (h)}<SelectItem value={h} text="{h}:00" />{/each}
      </Select>
      <NumberInput
        size="sm"
        labelText="Answered, %"
        value={share}
        allowEmpty
        invalid={!!problems['share']}
        invalidText={problems['share'] ?? ''}
        on:change={(e) => (share = e.detail === null ? null : Number(e.detail))}
      />
      <NumberInput
        size="sm"
        labelText="Within seconds"
        value={within}
        allowEmpty
        invalid={!!problems['within']}
        invalidText={problems['within'] ?? ''}
        on:change={(e) => (within = e.detail === null ? null : Number(e.detail))}
      />
      <Button size="small" type="submit">Promise it</Button>
      <Button size="small" kind="ghost" on:click={() => (adding = false)}>Leave it</Button>
    </form>
  {:else}
    <p>
      <Button size="small" kind="tertiary" on:click={() => (adding = true)}
        >Promise something about load</Button
      >
      {#if held.promises.length}
        <Button
          size="small"
          kind="ghost"
          disabled={held.busy}
          on:click={() => void held.hold(business, business.system)}>Hold them against the draft</Button
        >
      {/if}
    </p>
  {/if}
</section>

<style>
  section {
    margin-top: 24px;
  }
  h2 {
    font-size: var(--text-title);
  }
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 12px;
    align-items: end;
  }
  form :global(.bx--form-item) {
    flex: 0 1 auto;
  }
  form :global(.bx--number) {
    max-width: 150px;
  }
  .week {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 8px;
    flex-basis: 100%;
  }
  .problem {
    color: var(--alarm);
  }
</style>
