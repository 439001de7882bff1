<script lang="ts">
  import { Checkbox, FormGroup, MultiSelect, Select, Toggle } from 'carbon-components-svelte';
  import { DAY_NAMES } from '$core/hours';
  import { accountsOn, isOn, type Quiet } from '$core/system';
  import { named } from '../named';
  import PeopleField from '../fields/PeopleField.svelte';
  import { here } from '../window/session.svelte';
  import type { ReachForm } from './form.svelte';
  import Origin from './Origin.svelte';
  import type { Send } from './settings.svelte';
  import UntilField from './UntilField.svelte';
  import SelectItem from '../fields/SelectItem.svelte';
  import TimeField from '../fields/TimeField.svelte';

  /** Do not disturb, quiet hours, and who gets through all the same. */
  let { form, send }: { form: ReachForm; send: Send } = $props();
  const { person, next, exceptions } = $derived(form);
  const own = $derived(here().standing.own?.people[person.id]);
  const dnd = $derived(here().standing.dnd[person.id]);
  const on = $derived(isOn(dnd, here().minute));
  const phones = $derived(Object.values(form.system.phones).filter((p) => accountsOn(p).includes(person.id)));
  const lists = $derived(Object.values(form.system.lists));
  const colleagues = $derived(
    Object.fromEntries(Object.entries(form.system.people).filter(([id]) => id !== person.id)),
  );
  const wholeDays = $derived(next.quiet?.wholeDays ?? []);

  const setDnd = (value: boolean, until: number | null) =>
    void send(`${person.name} is ${value ? 'not to be disturbed' : 'rung again'}`, [
      { kind: 'do not disturb', personId: person.id, on: value, until },
    ]);
  const quiet = (change: Partial<Quiet>) =>
    form.change({ quiet: { ...(next.quiet ?? { from: 1080, to: 480 }), ...change } });
  function setDay(day: number, on: boolean) {
    if (wholeDays.includes(day) === on) return;
    const days = on ? [...wholeDays, day].sort() : wholeDays.filter((d) => d !== day);
    quiet({ wholeDays: days.length ? days : undefined });
  }
</script>

<div class="card">
  <h2>Not to be disturbed</h2>
  <Toggle
    size="sm"
    labelText="Do not disturb"
    labelA="off"
    labelB="on: no phone of {person.name} rings"
    toggled={on}
    on:toggle={(e) => e.detail.toggled !== on && setDnd(e.detail.toggled, null)}
  />
  {#if on}
    <UntilField
      label="Do not disturb until"
      until={dnd?.until ?? null}
      onchange={(until) => setDnd(true, until)}
    />
    <Origin stamp={dnd} />
  {/if}
  <h3>Quiet hours</h3>
  <Toggle
    size="sm"
    hideLabel
    labelText="Quiet hours"
    labelA="none"
    labelB="kept"
    toggled={next.quiet !== null}
    on:toggle={(e) =>
      e.detail.toggled !== (next.quiet !== null) &&
      form.change({ quiet: e.detail.toggled ? { from: 1080, to: 480 } : null })}
  />
  {#if next.quiet}
    <div class="times">
      <TimeField label="Daily from" minute={next.quiet.from} keep={(from) => quiet({ from })} />
      <TimeField label="To" minute={next.quiet.to} keep={(to) => quiet({ to })} />
      <Select
        size="sm"
        labelText="On"
        selected={next.quiet.phoneIds?.[0] ?? ''}
        on:update={(e) =>
          (e.detail || null) !== (next.quiet?.phoneIds?.[0] ?? null) &&
          quiet({ phoneIds: e.detail ? [String(e.detail)] : null })}
      >
        <SelectItem value="" text="all phones" />
        {#each phones as p (p.id)}<SelectItem value={p.id} text="{p.name} only" />{/each}
      </Select>
    </div>
    <FormGroup noMargin legendText="And all day on">
      <div class="days">
        {#each DAY_NAMES as name, i (name)}
          <Checkbox
            labelText={name}
            checked={wholeDays.includes(i + 1)}
            on:check={(e) => setDay(i + 1, e.detail)}
          />
        {/each}
      </div>
    </FormGroup>
    {#if next.quiet.from === next.quiet.to}<p class="small soft" role="status">
        {wholeDays.length
          ? 'From and to are the same: only those days are quiet.'
          : 'From and to are the same: nothing is quiet.'}
      </p>{/if}
  {/if}
  <Origin stamp={own?.quiet} />
  <h3>Who gets through all the same</h3>
  <PeopleField
    label="Colleagues"
    people={colleagues}
    chosen={exceptions.personIds}
    none="no colleague"
    onchange={(personIds) => form.change({ exceptions: { ...exceptions, personIds } })}
  />
  {#if lists.length}
    <div {@attach named('Callers on a list')}>
      <MultiSelect
        size="sm"
        labelText="Callers on a list"
        label={exceptions.listIds.map((id) => form.system.lists[id]?.name ?? '').join(', ') || 'no list'}
        items={lists.map((l) => ({ id: l.id, text: l.name }))}
        selectedIds={[...exceptions.listIds]}
        on:select={(e) => {
          const listIds = e.detail.selectedIds.map(String);
          if (JSON.stringify(listIds) !== JSON.stringify(exceptions.listIds))
            form.change({ exceptions: { ...exceptions, listIds } });
        }}
      />
    </div>
  {/if}
  <Checkbox
    labelText="every contact"
    checked={exceptions.contacts}
    on:check={(e) =>
      e.detail !== exceptions.contacts && form.change({ exceptions: { ...exceptions, contacts: e.detail } })}
  />
  <Checkbox
    labelText="whoever calls again within three minutes"
    checked={exceptions.again}
    on:check={(e) =>
      e.detail !== exceptions.again && form.change({ exceptions: { ...exceptions, again: e.detail } })}
  />
  <Origin stamp={own?.exceptions} />
</div>

<style>
  h3 {
    margin: 16px 0 6px;
  }
  .times {
    display: grid;
    grid-template-columns: 124px 124px minmax(0, 1fr);
    gap: 10px;
    margin: 10px 0;
  }
  .days {
    display: flex;
    flex-wrap: wrap;
    gap: 0 16px;
  }
  .days > :global(.bx--form-item.bx--checkbox-wrapper) {
    flex: none;
    margin: 0;
  }
</style>
