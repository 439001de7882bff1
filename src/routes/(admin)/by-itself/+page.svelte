<script lang="ts">
  import { Button, Select } from 'carbon-components-svelte';
  import { tick, untrack } from 'svelte';
  import { page } from '$app/state';
  import { followUpInWords, starters } from '$core/followups';
  import type { FollowUp } from '$core/system';
  import FollowUpCard from '$ui/by-itself/FollowUpCard.svelte';
  import Limits from '$ui/by-itself/Limits.svelte';
  import SelectItem from '$ui/fields/SelectItem.svelte';
  import { freshId } from '$ui/ids';
  import { freeName } from '$ui/parted';
  import { theBusiness } from '$ui/window/session.svelte';

  const system = $derived(theBusiness().system);
  const all = $derived(Object.values(system.followUps));
  let openId = $state<string | null>(untrack(() => page.url.hash.slice(1)) || null);
  const sketches = $derived(starters(theBusiness().actor || (Object.keys(system.people)[0] ?? null)));
  let which = $state(0);
  const sketch = $derived(sketches[which]!);
  async function add() {
    const value: FollowUp = {
      ...sketch,
      id: freshId('follow-up'),
      name: freeName(
        sketch.name,
        all.map((f) => f.name),
      ),
    };
    theBusiness().edit(`Follow-up: ${value.name}`, [{ do: 'follow-up.add', value }]);
    openId = value.id;
    await tick();
    const made = document.getElementById(value.id);
    made?.scrollIntoView({ block: 'nearest' });
    made?.querySelector<HTMLElement>('input, select')?.focus();
  }
</script>

<svelte:head><title>Follow-ups · By itself · Upper Line</title></svelte:head>

<h1>Follow-ups</h1>
<p class="sub">
  What happens by itself after a call or a text. Each is tried on your last 30 days before it does anything,
  and does nothing until the draft is in force.
</p>
{#each all as followUp (followUp.id)}
  <FollowUpCard
    {followUp}
    open={openId === followUp.id}
    ontoggle={() => (openId = openId === followUp.id ? null : followUp.id)}
  />
{:else}
  <div class="empty">
    <h2>Nothing happens by itself yet</h2>
    <p>Begin with one of the sentences below; every word of it can be changed.</p>
  </div>
{/each}
<section class="card" aria-label="Write a follow-up">
  <h2>Write a follow-up</h2>
  <div class="begin">
    <Select
      size="sm"
      labelText="Begin with"
      selected={String(which)}
      on:update={(e) => (which = Number(e.detail))}
    >
      {#each sketches as s, i (s.name)}<SelectItem value={String(i)} text={s.name} />{/each}
    </Select>
    <Button size="small" on:click={() => void add()}>Write it</Button>
  </div>
  <p class="small">{followUpInWords({ ...sketch, id: 'sketch' }, system)}</p>
</section>
<Limits />

<style>
  .begin {
    display: flex;
    gap: 12px;
    align-items: end;
    max-width: 420px;
  }
</style>
