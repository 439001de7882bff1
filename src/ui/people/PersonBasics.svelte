<script lang="ts">
  import { Button, Select } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { nextFreeExtension } from '$core/numbering';
  import { extensionsInUse, Person as PersonShape, Role, type Command, type Person } from '$core/system';
  import EditField from '../fields/EditField.svelte';
  import WhenField from '../fields/WhenField.svelte';
  import { theBusiness } from '../window/session.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  let { person }: { person: Person } = $props();
  // A field that is taken away with its text still in it reports a change; by then another person may be shown.
  const id = untrack(() => person.id);
  const system = $derived(theBusiness().system);
  const room = $derived(person.role === 'shared room');
  const roles = $derived(
    Role.options.filter(
      (r) => theBusiness().may('give roles') || r === person.role || r === 'staff' || r === 'shared room',
    ),
  );
  const owners = $derived(Object.values(system.people).filter((p) => p.role === 'owner').length);
  const fixed = $derived(
    person.role !== 'owner'
      ? ''
      : owners === 1
        ? 'The only owner: make another one first.'
        : theBusiness().may('give roles')
          ? ''
          : 'Owners are made and unmade by owners.',
  );
  const FIELDS = [
    ['name', 'Name', 'name'],
    ['familyName', 'Sorted by', 'family name'],
    ['email', 'E-mail', 'e-mail'],
    ['extension', 'Extension', 'extension'],
  ] as const;

  const set = (change: Extract<Command, { do: 'person.set' }>['change']): Command => ({
    do: 'person.set',
    id,
    change,
  });
  function keep(field: (typeof FIELDS)[number], text: string): string | undefined {
    const own = system.people[id];
    return own && theBusiness().keep(`Change the ${field[2]} of ${own.name}`, [set({ [field[0]]: text })]);
  }
  function addExtension() {
    const extension = nextFreeExtension(extensionsInUse(system), system.business);
    if (!extension) return;
    theBusiness().edit(`${person.name} answers ${extension} too`, [
      set({ further: [...person.further, { extension, until: null, note: '' }] }),
    ]);
  }
  const setFurther = (i: number, change: Partial<Person['further'][number]>) =>
    theBusiness().keep(`Change a further extension of ${person.name}`, [
      set({ further: system.people[id]!.further.map((f, n) => (n === i ? { ...f, ...change } : f)) }),
    ]);
  let refusedUntil = $state<{ i: number; message: string } | null>(null);
</script>

<div class="card">
  <h2>{room ? 'Room' : 'Person'}</h2>
  <div class="two">
    {#each FIELDS as field (field[0])}
      {#if !room || (field[0] !== 'email' && field[0] !== 'familyName')}
        <EditField
          label={field[1]}
          value={person[field[0]]}
          placeholder={field[0] === 'familyName' ? (person.name.split(/\s+/).at(-1) ?? '') : ''}
          keep={(text) => keep(field, text)}
        />
      {/if}
    {/each}
    {#if fixed}
      <div>
        <p class="bx--label">Role</p>
        <p>{person.role}</p>
        <p class="small soft">{fixed}</p>
      </div>
    {:else}
      <Select
        size="sm"
        labelText="Role"
        selected={person.role}
        on:update={(e) =>
          e.detail !== person.role &&
          theBusiness().edit(`Make ${person.name} ${e.detail}`, [set({ role: Role.parse(e.detail) })])}
      >
        {#each roles as role (role)}<SelectItem value={role} text={role} />{/each}
      </Select>
    {/if}
    <Select
      size="sm"
      labelText="Site"
      selected={person.siteId ?? ''}
      on:update={(e) =>
        (e.detail || null) !== person.siteId &&
        theBusiness().edit(`Change the site of ${person.name}`, [set({ siteId: String(e.detail) || null })])}
    >
      <SelectItem value="" text="none" />
      {#each Object.values(system.sites) as s (s.id)}<SelectItem value={s.id} text={s.name} />{/each}
    </Select>
    {#if !room}
      <Select
        size="sm"
        labelText="Their private mobile is seen by"
        selected={person.mobileSeenBy}
        on:update={(e) =>
          e.detail !== person.mobileSeenBy &&
          theBusiness().edit(`Say who sees the mobile of ${person.name}`, [
            set({ mobileSeenBy: PersonShape.shape.mobileSeenBy.parse(e.detail) }),
          ])}
      >
        {#each PersonShape.shape.mobileSeenBy.options as who (who)}<SelectItem
            value={who}
            text={who}
          />{/each}
      </Select>
    {/if}
  </div>
  <h3>Further extensions</h3>
  {#each person.further as f, i (i)}
    <div class="further">
      <EditField label="Extension" value={f.extension} keep={(extension) => setFurther(i, { extension })} />
      <EditField label="What it is for" value={f.note} keep={(note) => setFurther(i, { note })} />
      <WhenField
        label="Until; empty is for good"
        value={f.until ?? ''}
        helper={f.until && f.until < theBusiness().today ? 'It has run out.' : ''}
        problem={refusedUntil?.i === i ? refusedUntil.message : ''}
        onvalue={(day) => {
          const message = setFurther(i, { until: day || null });
          refusedUntil = message === undefined ? null : { i, message };
        }}
      />
      <button
        class="linkish small"
        type="button"
        onclick={() =>
          theBusiness().edit(
            `Take ${f.extension} from ${person.name}`,
            [set({ further: person.further.filter((o) => o !== f) })],
            {
              withNotice: true,
            },
          )}>Take away<span class="visually-hidden">&nbsp;{f.extension}</span></button
      >
    </div>
  {:else}
    <p class="small soft">None: only {person.extension} leads here.</p>
  {/each}
  <Button kind="ghost" size="small" on:click={addExtension}>Add an extension</Button>
</div>

<style>
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 14px;
  }
  h3 {
    margin-top: 16px;
  }
  p {
    margin: 0 0 4px;
  }
  .further {
    display: grid;
    grid-template-columns: 90px 1fr 130px auto;
    gap: 10px;
    align-items: end;
    padding-bottom: 8px;
  }
  .further button {
    padding-bottom: 8px;
  }
</style>
