<script lang="ts">
  import { Button, Select } from 'carbon-components-svelte';
  import { usesOf } from '$core/answering';
  import { plansFrom } from '$core/answering';
  import { lengthInWords } from '$ui/recordings/lengths';
  import Listen from '$ui/recordings/Listen.svelte';
  import TakeSound from '$ui/recordings/TakeSound.svelte';
  import { Remembered } from '$ui/remembered.svelte';
  import { theBusiness } from '$ui/window/session.svelte';
  import SelectItem from '$ui/fields/SelectItem.svelte';

  const system = $derived(theBusiness().system);
  const asked = new Remembered<{ planId: string; at: number }>('script', { planId: '', at: 0 });
  const plan = $derived(system.plans[asked.value.planId]);
  /** Those of a plan and of the plans it leads to, in the order of its steps; all of them where none is chosen. */
  const script = $derived.by(() => {
    const all = Object.values(system.recordings).filter((r) => r.text.trim());
    if (!plan) return all;
    const plans = plansFrom(system, plan.id).map((p) => p.id);
    return all.filter((r) => usesOf(system, r.id).some((u) => u.kind === 'plan' && plans.includes(u.id)));
  });
  const at = $derived(Math.min(asked.value.at, script.length - 1));
  const now = $derived(script[at]);
  const go = (to: number) =>
    (asked.value = { ...asked.value, at: Math.max(0, Math.min(script.length - 1, to)) });
</script>

<svelte:head><title>Read in one go · Messages · Upper Line</title></svelte:head>

<h1>Read in one go</h1>
<p class="sub">
  A script of what is to be said. Record one after the other; what you keep is the recording's sound.
</p>
<div class="choice">
  <Select
    size="sm"
    labelText="Recordings of"
    selected={plan?.id ?? ''}
    on:update={(e) => (asked.value = { planId: String(e.detail), at: 0 })}
  >
    <SelectItem value="" text="everything" />
    {#each Object.values(system.plans) as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
  </Select>
  <Button size="small" kind="ghost" on:click={() => print()}>Print the script</Button>
</div>
{#if now}
  <section class="card now" aria-label="To be read now">
    <p class="small soft">{at + 1} of {script.length} · {now.name} · {lengthInWords(now)}</p>
    <p class="words" data-testid="script-words">{now.text}</p>
    {#key now.id}<TakeSound recording={now} onlyMicrophone onkept={() => go(at + 1)} />{/key}
    <div class="steps">
      <Button size="small" kind="ghost" disabled={at === 0} on:click={() => go(at - 1)}>Back</Button>
      <Button size="small" kind="ghost" disabled={at >= script.length - 1} on:click={() => go(at + 1)}
        >Next, without recording</Button
      >
    </div>
  </section>
  <ol>
    {#each script as r, i (r.id)}
      <li class:current={i === at}>
        <button class="linkish" type="button" onclick={() => go(i)}>{r.name}</button>
        <span class="soft small">{lengthInWords(r)}</span>
        <Listen recording={r} />
        <p>{r.text}</p>
      </li>
    {/each}
  </ol>
{:else}
  <div class="empty">
    <h2>Nothing to read</h2>
    <p>
      {plan ? 'This plan plays no recording with words.' : 'No recording has words yet.'}
      <a href="/messages/recordings">Recordings</a>
    </p>
  </div>
{/if}

<style>
  .choice,
  .steps {
    display: flex;
    gap: 12px;
    align-items: end;
    margin-bottom: 12px;
  }
  .choice :global(.bx--form-item) {
    flex: 0 1 320px;
  }
  .steps {
    margin: 12px 0 0;
  }
  .words {
    font-size: var(--text-heading);
    line-height: 1.4;
    max-width: 46ch;
    margin: 8px 0 16px;
  }
  ol {
    padding-left: 22px;
  }
  li {
    padding: 6px 0;
  }
  li p {
    margin: 2px 0 0;
  }
  .current {
    background: var(--copper-wash);
  }
  @media print {
    .choice,
    .now,
    li :global(button:last-of-type) {
      display: none;
    }
  }
</style>
