<script lang="ts">
  import { Button, CopyButton, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import { outcomeInWords, rehearse, sentence } from '$core/calls';
  import { unansweredCall } from '$core/coverage';
  import { planInWords } from '$core/answering';
  import type { NumberHeld } from '$core/system';
  import { count, momentText, priceText } from '$ui/format';
  import { freshId } from '$ui/ids';
  import NumberSearch from '$ui/pages/NumberSearch.svelte';
  import Sites from '$ui/pages/Sites.svelte';
  import { session } from '$ui/session.svelte';
  import { page } from '$app/state';

  const system = $derived(session.system!);
  const numbers = $derived(Object.values(system.numbers));
  const minute = $derived(Math.floor(session.now / 60_000) * 60_000);
  let editing = $state<string | null>(null);
  let label = $state('');
  let problem = $state('');

  function goesNow(number: NumberHeld): string {
    if (!number.planId) return 'No plan yet: callers hear that it is not in service.';
    const trace = rehearse(system, session.paired!, unansweredCall(number, minute));
    return sentence(trace, system) || outcomeInWords(trace, system);
  }
  function edit(number: NumberHeld) {
    editing = number.id;
    label = number.label;
    problem = '';
  }
  function rename(number: NumberHeld) {
    const result = session.edit(
      `Call ${session.number(number.e164)} “${label.trim()}”`,
      [{ do: 'number.set', id: number.id, change: { label } }],
      { quiet: true },
    );
    if (result.ok) editing = null;
    else problem = result.problems[0]!.message;
  }
  function startPlan(number: NumberHeld) {
    const planId = freshId('plan');
    session.edit(`Start a plan for ${number.label}`, [
      { do: 'plan.add', value: { id: planId, name: number.label, steps: [] } },
      { do: 'number.set', id: number.id, change: { planId } },
    ]);
  }
  function giveBack(number: NumberHeld) {
    session.edit(`Give back ${session.number(number.e164)}`, [{ do: 'number.remove', id: number.id }], {
      undoable: true,
    });
  }
  const total = $derived(numbers.reduce((sum, n) => sum + n.monthlyCents, 0));
</script>

<svelte:head><title>Numbers · Upper Line</title></svelte:head>

<div class="columns">
  <section>
    <h1>Numbers</h1>
    <p class="sub">
      What callers can dial, and what an unanswered call to each would do in the draft right now ({momentText(
        session.now,
        session.zone,
      )}).
    </p>
    {#if !numbers.length}
      <div class="empty">
        <h2>You hold no number yet</h2>
        <p>Look for one beside this, in your area code or city, and take it.</p>
      </div>
    {:else}
      <ul class="held">
        {#each numbers as n (n.id)}
          <li id={n.id} class:here={page.url.hash === '#' + n.id}>
            <div class="which">
              <span class="e164"
                ><b>{session.number(n.e164)}</b><CopyButton
                  text={n.e164}
                  iconDescription="Copy {n.e164}"
                  feedback="Copied"
                /></span
              >
              {#if editing === n.id}
                <form
                  onsubmit={(e) => {
                    e.preventDefault();
                    rename(n);
                  }}
                >
                  <TextInput
                    size="sm"
                    hideLabel
                    labelText="Label"
                    bind:value={label}
                    invalid={!!problem}
                    invalidText={problem}
                  />
                  <Button size="small" type="submit">Keep</Button>
                </form>
              {:else}
                <button
                  class="linkish"
                  type="button"
                  aria-label="{n.label}, change the label"
                  onclick={() => edit(n)}>{n.label}</button
                >
                <span class="soft small">{n.place}</span>
              {/if}
            </div>
            <div class="goes">
              <span>{goesNow(n)}</span>
              {#if n.planId}
                <a
                  class="small"
                  href="/answering/{n.planId}"
                  title={planInWords(system.plans[n.planId]!, system)}>Plan {system.plans[n.planId]?.name}</a
                >
              {:else}
                <Button size="small" kind="tertiary" on:click={() => startPlan(n)}>Start a plan</Button>
              {/if}
            </div>
            <div class="settings">
              <Select
                size="sm"
                hideLabel
                labelText="Site of {n.label}"
                selected={n.siteId ?? ''}
                on:update={(e) =>
                  session.edit(`Change the site of ${n.label}`, [
                    { do: 'number.set', id: n.id, change: { siteId: String(e.detail) || null } },
                  ])}
              >
                <SelectItem value="" text="no site" />
                {#each Object.values(system.sites) as s (s.id)}<SelectItem
                    value={s.id}
                    text={s.name}
                  />{/each}
              </Select>
              <span>{priceText(n.monthlyCents, n.currency)}</span>
              <button class="linkish small" type="button" onclick={() => giveBack(n)}
                >Give back<span class="visually-hidden"> {n.label}</span></button
              >
            </div>
          </li>
        {/each}
      </ul>
      <p class="soft">{count(numbers.length, 'number')}, {priceText(total, numbers[0]!.currency)} a month.</p>
    {/if}
  </section>
  <aside>
    <NumberSearch />
    <Sites />
  </aside>
</div>

<style>
  .held {
    list-style: none;
    margin: 0 0 8px;
    padding: 0;
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  .held li {
    display: grid;
    grid-template-columns: 200px minmax(0, 1fr) 140px;
    gap: 14px;
    padding: 10px 14px;
    border-bottom: 1px solid var(--rule);
    align-items: start;
  }
  .held li:last-child {
    border: 0;
  }
  .held li.here {
    background: var(--copper-wash);
  }
  .e164 {
    display: flex;
    align-items: center;
    font-size: 16px;
  }
  .e164 :global(.bx--copy-btn) {
    width: 28px;
    height: 28px;
    background: none;
  }
  .which form {
    display: flex;
    gap: 6px;
  }
  .goes {
    display: flex;
    flex-direction: column;
    align-items: flex-start;
    gap: 4px;
  }
  .settings {
    display: grid;
    gap: 6px;
    justify-items: end;
    font-size: 13.5px;
  }
</style>
