<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import { stepInWords } from '$core/answering';
  import { allSteps, FOLLOWED_ENDS, type FollowIf, type System } from '$core/system';
  import EditField from '../fields/EditField.svelte';
  import SecondsField from '../fields/SecondsField.svelte';
  import SelectItem from '../fields/SelectItem.svelte';
  import SeveralField from '../fields/SeveralField.svelte';
  import { END_WORDS } from './kinds';

  /** The fields of one condition. */
  let {
    condition,
    system,
    set,
  }: { condition: FollowIf; system: System; set: (next: FollowIf) => string | undefined } = $props();
  const steps = $derived(
    Object.values(system.plans).flatMap((plan) =>
      [...allSteps(plan.steps)].map((step) => {
        const { verb, what } = stepInWords(step, system);
        return { id: step.id, text: `${plan.name}: ${verb} ${what}`.trim() };
      }),
    ),
  );
</script>

{#if condition.is === 'number'}
  <SeveralField
    label="It was about"
    items={Object.values(system.numbers).map((n) => ({ id: n.id, text: n.label, name: n.label }))}
    chosen={condition.numberIds}
    none="Choose numbers"
    onchange={(numberIds) => numberIds.length && set({ is: 'number', numberIds })}
  />
{:else if condition.is === 'hours'}
  <Select
    size="sm"
    labelText="Hours"
    selected={condition.hoursId ?? ''}
    on:update={(e) => {
      const hoursId = String(e.detail) || null;
      if (hoursId !== condition.hoursId) set({ ...condition, hoursId });
    }}
  >
    <SelectItem value="" text="Choose…" />
    {#each Object.values(system.hours) as h (h.id)}<SelectItem value={h.id} text={h.name} />{/each}
  </Select>
  <Select
    size="sm"
    labelText="Were"
    selected={condition.open ? 'open' : 'closed'}
    on:update={(e) => {
      const open = e.detail === 'open';
      if (open !== condition.open) set({ ...condition, open });
    }}
  >
    <SelectItem value="open" text="open" />
    <SelectItem value="closed" text="closed" />
  </Select>
{:else if condition.is === 'contact'}
  <Select
    size="sm"
    labelText="They are"
    selected={condition.known ? 'known' : 'unknown'}
    on:update={(e) => {
      const known = e.detail === 'known';
      if (known !== condition.known) set({ is: 'contact', known });
    }}
  >
    <SelectItem value="known" text="a contact" />
    <SelectItem value="unknown" text="no contact" />
  </Select>
{:else if condition.is === 'listed'}
  <Select
    size="sm"
    labelText="They are on the list"
    selected={condition.listId ?? ''}
    on:update={(e) => {
      const listId = String(e.detail) || null;
      if (listId !== condition.listId) set({ is: 'listed', listId });
    }}
  >
    <SelectItem value="" text="Choose…" />
    {#each Object.values(system.lists) as l (l.id)}<SelectItem value={l.id} text={l.name} />{/each}
  </Select>
{:else if condition.is === 'length'}
  <Select
    size="sm"
    labelText="The talk took"
    selected={condition.longer ? 'longer' : 'shorter'}
    on:update={(e) => {
      const longer = e.detail === 'longer';
      if (longer !== condition.longer) set({ ...condition, longer });
    }}
  >
    <SelectItem value="longer" text="longer than" />
    <SelectItem value="shorter" text="at most" />
  </Select>
  <SecondsField
    label="Seconds"
    value={condition.seconds}
    max={3600}
    narrow
    onchange={(seconds) => set({ ...condition, seconds })}
  />
{:else if condition.is === 'end'}
  <Select
    size="sm"
    labelText="It ended so that"
    selected={condition.how}
    on:update={(e) => {
      const how = e.detail as typeof condition.how;
      if (how !== condition.how) set({ is: 'end', how });
    }}
  >
    {#each FOLLOWED_ENDS as how (how)}<SelectItem value={how} text={END_WORDS[how]} />{/each}
  </Select>
{:else if condition.is === 'step'}
  <Select
    size="sm"
    labelText="It came by"
    selected={steps.some((s) => s.id === condition.step) ? condition.step : ''}
    on:update={(e) => {
      const step = String(e.detail);
      if (step && step !== condition.step) set({ is: 'step', step });
    }}
  >
    <SelectItem value="" text="Choose…" />
    {#each steps as s (s.id)}<SelectItem value={s.id} text={s.text} />{/each}
  </Select>
{:else if condition.is === 'tagged'}
  <Select
    size="sm"
    labelText="It is"
    selected={condition.has ? 'yes' : 'no'}
    on:update={(e) => {
      const has = e.detail === 'yes';
      if (has !== condition.has) set({ ...condition, has });
    }}
  >
    <SelectItem value="yes" text="tagged" />
    <SelectItem value="no" text="not tagged" />
  </Select>
  <EditField label="With the word" value={condition.tag} keep={(tag) => set({ ...condition, tag })} />
{/if}
