<script lang="ts">
  import { linesOn, type Phone, type System } from '$core/system';
  import NumbersField from '../fields/NumbersField.svelte';
  import PeopleField from '../fields/PeopleField.svelte';

  /** Whose lines stand on a phone, besides its own. */
  let {
    phone,
    system,
    keep,
  }: {
    phone: Phone;
    system: System;
    keep: (words: string, change: Pick<Phone, 'lines'>) => string | undefined;
  } = $props();
  const { lines = { personIds: [], numberIds: [] } } = $derived(phone);
  const others = $derived(
    Object.fromEntries(Object.entries(system.people).filter(([id]) => id !== phone.personId)),
  );
  const keyed = $derived(linesOn(phone).personIds.filter((id) => !lines.personIds.includes(id)));
  let problem = $state('');
  function set(words: string, change: Partial<Phone['lines'] & object>) {
    const now = { ...$state.snapshot(lines), ...change };
    const empty = !now.personIds.length && !now.numberIds.length;
    problem = keep(words, { lines: empty ? undefined : now }) ?? '';
  }
</script>

<div class="card fields" data-testid="lines-on-it">
  <h2>Lines of others</h2>
  <PeopleField
    label="People whose line stands here"
    people={others}
    chosen={lines.personIds}
    none="nobody"
    onchange={(personIds) => set(`People whose line stands on ${phone.name.toLowerCase()}`, { personIds })}
  />
  <NumbersField
    label="Numbers whose line stands here"
    {system}
    chosen={lines.numberIds}
    none="none"
    onchange={(numberIds) => set(`Numbers whose line stands on ${phone.name.toLowerCase()}`, { numberIds })}
  />
  {#if problem}<p class="warn" role="alert">{problem}</p>{/if}
  <p class="small soft">
    It does not ring for them: it shows what goes on there, answers what rings, and takes back what somebody
    holds.
    {#if keyed.length}Keys with an account of their own do so, too: {keyed
        .map((id) => system.people[id]?.name)
        .join(', ')}.{/if}
  </p>
</div>

<style>
  .warn {
    color: var(--alarm);
  }
</style>
