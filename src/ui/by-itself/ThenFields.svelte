<script lang="ts">
  import { Checkbox, Select } from 'carbon-components-svelte';
  import { wrongFields } from '$core/followups';
  import type { FollowThen, System } from '$core/system';
  import { madeCheaper, partsOf } from '$core/texting';
  import EditField from '../fields/EditField.svelte';
  import SecondsField from '../fields/SecondsField.svelte';
  import SelectItem from '../fields/SelectItem.svelte';
  import { count } from '../format';
  import { theBusiness } from '../window/session.svelte';

  /** The fields of one thing that is done. */
  let {
    then,
    system,
    set,
  }: { then: FollowThen; system: System; set: (next: FollowThen) => string | undefined } = $props();
  /** Call lists are records beside the document. */
  const lists = $derived(theBusiness().view.callLists);
  const people = $derived(Object.values(system.people));
  const strange = $derived(
    then.do === 'text' || then.do === 'task' || then.do === 'note'
      ? wrongFields(then.text)
      : then.do === 'mail'
        ? [...wrongFields(then.subject), ...wrongFields(then.text)]
        : [],
  );
</script>

{#if then.do === 'text'}
  {@const { parts, dear } = partsOf(then.text)}
  <div class="wide">
    <EditField
      label="What the text says"
      value={then.text}
      many
      keep={(text) => set({ ...then, text })}
      helper="{count(parts.length, 'part')} as it stands{dear
        ? `; “${dear.character}” makes each letter take two`
        : ''}. A field of which nothing is known can say something else: {`{first name|hello}`}."
    />
    {#if dear?.cheaper}<button
        class="linkish small"
        type="button"
        onclick={() => set({ ...then, text: madeCheaper(then.text) })}>Write it in cheaper letters</button
      >{/if}
  </div>
  <Select
    size="sm"
    labelText="From"
    selected={then.numberId ?? ''}
    on:update={(e) => {
      const numberId = String(e.detail) || null;
      if (numberId !== then.numberId) set({ ...then, numberId });
    }}
  >
    <SelectItem value="" text="the number it was about" />
    {#each Object.values(system.numbers) as n (n.id)}<SelectItem value={n.id} text={n.label} />{/each}
  </Select>
{:else if then.do === 'mail'}
  {@const { to } = then}
  <Select
    size="sm"
    labelText="To"
    selected={to.is === 'person' ? `person ${to.personId ?? ''}` : to.is}
    on:update={(e) => {
      const [is, personId] = String(e.detail).split(' ');
      if (is === 'person' && (to.is !== 'person' || (to.personId ?? '') !== personId))
        set({ ...then, to: { is: 'person', personId: personId || null } });
      else if (is === 'contact' && to.is !== 'contact') set({ ...then, to: { is: 'contact' } });
      else if (is === 'address' && to.is !== 'address')
        set({ ...then, to: { is: 'address', address: 'office@lanterncove.example' } });
    }}
  >
    <SelectItem value="person " text="Choose…" />
    {#each people as p (p.id)}<SelectItem value="person {p.id}" text={p.name} />{/each}
    <SelectItem value="contact" text="the other side, where they are a contact" />
    <SelectItem value="address" text="an address" />
  </Select>
  {#if to.is === 'address'}
    <EditField
      label="The address"
      value={to.address}
      keep={(address) => set({ ...then, to: { is: 'address', address } })}
    />
  {/if}
  <EditField label="Subject" value={then.subject} keep={(subject) => set({ ...then, subject })} />
  <div class="wide">
    <EditField label="What the mail says" value={then.text} many keep={(text) => set({ ...then, text })} />
  </div>
  <Select
    size="sm"
    labelText="With it goes"
    selected={then.with}
    on:update={(e) => {
      const file = e.detail as typeof then.with;
      if (file !== then.with) set({ ...then, with: file });
    }}
  >
    <SelectItem value="nothing" text="nothing" />
    <SelectItem value="message" text="the sound of the message" />
    <SelectItem value="record" text="what happened, as a JSON file" />
  </Select>
{:else if then.do === 'task'}
  <Select
    size="sm"
    labelText="For"
    selected={then.personId ?? ''}
    on:update={(e) => {
      const personId = String(e.detail) || null;
      if (personId !== then.personId) set({ ...then, personId });
    }}
  >
    <SelectItem value="" text="anybody" />
    {#each people as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
  </Select>
  <EditField label="What is to be done" value={then.text} keep={(text) => set({ ...then, text })} />
  <SecondsField
    label="Days it may take"
    what="days"
    value={then.days}
    min={0}
    max={365}
    narrow
    onchange={(days) => set({ ...then, days })}
  />
  <Checkbox
    labelText="It is to call them back"
    checked={then.callBack}
    on:check={(e) => {
      if (e.detail !== then.callBack) set({ ...then, callBack: e.detail });
    }}
  />
{:else if then.do === 'ask'}
  <Select
    size="sm"
    labelText="Which dialogue"
    selected={then.dialogueId ?? ''}
    on:update={(e) => {
      const dialogueId = String(e.detail) || null;
      if (dialogueId !== then.dialogueId) set({ ...then, dialogueId });
    }}
  >
    <SelectItem value="" text="Choose…" />
    {#each Object.values(system.dialogues) as d (d.id)}<SelectItem value={d.id} text={d.name} />{/each}
  </Select>
  <Select
    size="sm"
    labelText="From"
    selected={then.numberId ?? ''}
    on:update={(e) => {
      const numberId = String(e.detail) || null;
      if (numberId !== then.numberId) set({ ...then, numberId });
    }}
  >
    <SelectItem value="" text="the number it was about" />
    {#each Object.values(system.numbers) as n (n.id)}<SelectItem value={n.id} text={n.label} />{/each}
  </Select>
  {#if !Object.keys(system.dialogues).length}<a class="small" href="/by-itself/dialogues"
      >Write a dialogue first</a
    >{/if}
{:else if then.do === 'list'}
  <Select
    size="sm"
    labelText="Which call list"
    selected={then.callList ?? ''}
    on:update={(e) => {
      const list = lists.find((l) => l.id === e.detail);
      if ((list?.id ?? null) !== then.callList)
        set({ do: 'list', callList: list?.id ?? null, name: list?.name ?? '' });
    }}
  >
    <SelectItem value="" text="Choose…" />
    {#if then.callList && !lists.some((l) => l.id === then.callList)}<SelectItem
        value={then.callList}
        text="{then.name} (removed)"
      />{/if}
    {#each lists as l (l.id)}<SelectItem value={l.id} text={l.name} />{/each}
  </Select>
  {#if !lists.length}<a class="small" href="/by-itself/lists">Make a call list first</a>{/if}
{:else if then.do === 'tag'}
  <EditField label="The word" value={then.tag} keep={(tag) => set({ do: 'tag', tag })} />
{:else if then.do === 'note'}
  <div class="wide">
    <EditField label="The note" value={then.text} keep={(text) => set({ do: 'note', text })} />
  </div>
{:else}
  <div class="wide">
    <EditField
      label="Its address"
      value={then.url}
      keep={(url) => set({ do: 'hook', url })}
      helper="What happened goes there as JSON, signed (HTTP message signatures with a secret that stands under What was done)."
    />
  </div>
{/if}
{#if strange.length}<p class="problem wide" role="alert">
    {strange.map((f) => `{${f}}`).join(', ')} is nothing that is filled in.
  </p>{/if}

<style>
  .wide {
    grid-column: 1 / -1;
    margin: 0;
  }
</style>
