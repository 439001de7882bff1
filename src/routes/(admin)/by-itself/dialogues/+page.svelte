<script lang="ts">
  import { Button, Select } from 'carbon-components-svelte';
  import { tick, untrack } from 'svelte';
  import { page } from '$app/state';
  import { beginsInWords, dialogueStarters, stepSays } from '$core/dialogues';
  import type { Dialogue } from '$core/system';
  import DialogueCard from '$ui/by-itself/DialogueCard.svelte';
  import SelectItem from '$ui/fields/SelectItem.svelte';
  import { freshId } from '$ui/ids';
  import { freeName } from '$ui/parted';
  import { theBusiness } from '$ui/window/session.svelte';

  const system = $derived(theBusiness().system);
  const all = $derived(Object.values(system.dialogues));
  let openId = $state<string | null>(untrack(() => page.url.hash.slice(1)) || null);
  const whose = $derived(theBusiness().actor || (Object.keys(system.people)[0] ?? null));
  const sketches = $derived(dialogueStarters(whose, () => freshId('step')));
  let which = $state(0);
  const sketch = $derived(sketches[which]!);
  async function add() {
    const value: Dialogue = {
      ...sketch,
      id: freshId('dialogue'),
      name: freeName(
        sketch.name,
        all.map((d) => d.name),
      ),
    };
    theBusiness().edit(`Dialogue: ${value.name}`, [{ do: 'dialogue.add', value }]);
    openId = value.id;
    await tick();
    const made = document.getElementById(value.id);
    made?.scrollIntoView({ block: 'nearest' });
    made?.querySelector<HTMLElement>('input, select')?.focus();
  }
</script>

<svelte:head><title>Dialogues · By itself · Upper Line</title></svelte:head>

<h1>Dialogues by text</h1>
<p class="sub">
  What is answered by itself to words in a text, small questions, and surveys that a follow-up begins. Whoever
  writes something that is not known gets a person; STOP comes before all of it.
</p>
{#each all as dialogue (dialogue.id)}
  <DialogueCard
    {dialogue}
    open={openId === dialogue.id}
    ontoggle={() => (openId = openId === dialogue.id ? null : dialogue.id)}
  />
{:else}
  <div class="empty">
    <h2>No text is answered by itself yet</h2>
    <p>Begin with one of those below; every word of it can be changed, and rehearsed line by line.</p>
  </div>
{/each}
<section class="card" aria-label="Write a dialogue">
  <h2>Write a dialogue</h2>
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
  <p class="small">
    {beginsInWords({ ...sketch, id: 'x' }, system)}: {sketch.steps
      .map((s) => stepSays(s, system))
      .join('. ')}.
  </p>
</section>

<style>
  .begin {
    display: flex;
    gap: 12px;
    align-items: end;
    max-width: 420px;
  }
</style>
