<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { tick } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { usersOf, whereIs } from '$core/system';
  import { count } from '$ui/format';
  import { freshId } from '$ui/ids';
  import Beginnings from '$ui/plan/Beginnings.svelte';
  import PlanCard from '$ui/plan/PlanCard.svelte';
  import PlanReader from '$ui/plan/PlanReader.svelte';
  import StepList from '$ui/plan/StepList.svelte';
  import StepPanel from '$ui/plan/StepPanel.svelte';
  import { asPlan } from '$ui/rehearse/subject';
  import { rehearsal } from '$ui/rehearsal.svelte';
  import { theBusiness } from '$ui/window/session.svelte';

  const system = $derived(theBusiness().system);
  const plans = $derived(Object.values(system.plans));
  const asked = $derived(page.params.plan);
  const plan = $derived(asked ? system.plans[asked] : plans[0]);
  const numbers = $derived(Object.values(system.numbers).filter((n) => n.planId === plan?.id));
  const free = $derived(Object.values(system.numbers).filter((n) => n.planId === null));
  const findings = $derived(
    theBusiness().checks.findings.filter((f) => f.place.kind === 'plan' && f.place.id === plan?.id),
  );
  /** It has an extension, or another plan sends calls to it. */
  const reached = $derived(
    !!plan && (!!plan.extension || usersOf(system, 'plan', plan.id).some((u) => u.kind === 'plan')),
  );
  let picked = $state<string | null>(null);
  const selectedId = $derived(picked ?? page.url.searchParams.get('step') ?? plan?.steps[0]?.id ?? null);
  const selected = $derived(plan && selectedId ? whereIs(plan.steps, selectedId) : undefined);
  const step = $derived(selected?.list[selected.index]);

  const planId = $derived(plan?.id);
  const ownNumbers = $derived(numbers.map((n) => n.id).join(' '));
  // A plan that is opened, or gets a number, is what the strip rehearses, until something else is asked there.
  $effect(() => {
    const own = ownNumbers.split(' ');
    // The strip's own fields must be on the page before what they show is changed.
    void tick().then(() => {
      if (own[0] && !own.includes(rehearsal.subject.id ?? '')) rehearsal.ask({ numberId: own[0] });
      else if (!own[0] && planId) rehearsal.ask({ numberId: asPlan(planId) });
    });
  });
  $effect(() => {
    void planId;
    picked = null;
  });

  async function start(name: string, numberId?: string) {
    const id = freshId('plan');
    theBusiness().edit(`Start the plan ${name}`, [
      { do: 'plan.add', value: { id, name, steps: [] } },
      ...(numberId ? [{ do: 'number.set' as const, id: numberId, change: { planId: id } }] : []),
    ]);
    await goto(`/answering/${id}`);
  }
  async function remove() {
    if (!plan) return;
    const used = numbers.length ? ` (${numbers.map((n) => n.label).join(', ')} then without a plan)` : '';
    theBusiness().edit(`Remove the plan ${plan.name}${used}`, [{ do: 'plan.remove', id: plan.id }], {
      withNotice: true,
    });
    await goto('/answering');
  }
  const use = (planId: string) => Object.values(system.numbers).filter((n) => n.planId === planId).length;
</script>

<svelte:head><title>{plan ? `${plan.name} · ` : ''}Answering · Upper Line</title></svelte:head>

<div class="columns">
  <nav aria-label="Plans">
    {#each plans as p (p.id)}
      <a href="/answering/{p.id}" aria-current={p.id === plan?.id ? 'page' : undefined}>
        {p.name}<small>{count(use(p.id), 'number')} · {count(p.steps.length, 'step')}</small>
      </a>
    {/each}
    <Button kind="ghost" size="small" on:click={() => start('New plan')}>Start a plan</Button>
    <PlanReader {system} ondone={(id) => void goto(`/answering/${id}`)} />
  </nav>
  {#if !plan && asked}
    <h1>This plan is no longer here</h1>
    <p class="sub"><a href="/answering">All plans</a></p>
  {:else if !plan}
    <section class="empty wide">
      <h2>No plan yet</h2>
      <p>A plan says what happens to calls to a number, step by step.</p>
      {#each free as n (n.id)}<Button size="small" on:click={() => start(n.label, n.id)}
          >Start a plan for {n.label}</Button
        >{:else}<p><a href="/numbers">Get a number first</a>.</p>{/each}
    </section>
  {:else}
    <section>
      <h1>{plan.name}</h1>
      <p class="sub">
        {#if numbers.length}Answers {numbers.map((n) => theBusiness().number(n.e164)).join(', ')}. Read it top
          to bottom, as the call goes.{:else if reached}No number uses this plan; it is reached inside.{:else}No
          number uses this plan yet.{/if}
        {#if !numbers.length}
          {#each free as n (n.id)}
            <button
              class="linkish"
              type="button"
              onclick={() =>
                theBusiness().edit(`${n.label} is answered by ${plan.name}`, [
                  { do: 'number.set', id: n.id, change: { planId: plan.id } },
                ])}>Use it for {n.label}</button
            >
          {/each}
        {/if}
      </p>
      <div class="sheet">
        {#if !plan.steps.length}<Beginnings {plan} {system} />{/if}
        <StepList
          {plan}
          {system}
          steps={plan.steps}
          selected={selectedId}
          {findings}
          onselect={(id) => (picked = id)}
        />
      </div>
    </section>
    <aside>
      <div class="card">
        {#if step}
          {#key step.id}<StepPanel {plan} {step} {system} />{/key}
        {:else}
          <p class="soft">Choose a step to see its settings.</p>
        {/if}
      </div>
      <div class="card">
        <PlanCard {plan} {system} onremove={remove} oncopy={(id) => void goto(`/answering/${id}`)} />
      </div>
    </aside>
  {/if}
</div>

<style>
  .columns {
    display: grid;
    grid-template-columns: 190px minmax(0, 1fr) 316px;
    gap: 18px;
  }
  nav a {
    display: block;
    padding: 8px 12px;
    border-left: 3px solid transparent;
    color: var(--ink);
    text-decoration: none;
  }
  nav small {
    display: block;
    color: var(--ink-soft);
    font-size: var(--text-small);
  }
  nav a[aria-current] {
    background: var(--sheet);
    border-left-color: var(--copper);
    font-weight: 650;
  }
  nav a[aria-current] small {
    font-weight: 400;
  }
  .sheet {
    background: var(--sheet);
    border: 1px solid var(--rule);
    padding: 6px 0 10px;
  }
  .wide {
    grid-column: 2 / 4;
  }
</style>
