<script lang="ts">
  import { onDestroy, onMount } from 'svelte';
  import { Changes, openDatabase, readRecord, StandingRecord } from '$workspace';
  import { session } from '../../window/session.svelte';
  import PairForm from './PairForm.svelte';

  interface Props {
    /** Number and code of a link that was followed. */
    given: { number: string; code: string } | null;
    onopen: (businessId: string, phoneId: string) => void;
  }
  /** The first step of a phone: it is paired by a code, or was before in this browser. */
  let { given, onopen }: Props = $props();
  interface Paired {
    businessId: string;
    phoneId: string;
    words: string;
  }
  let paired = $state<Paired[]>([]);
  let ready = $state(false);

  /** Softphones that were paired in this browser. */
  async function list() {
    session.db ??= await openDatabase();
    session.changes ??= new Changes();
    const found: Paired[] = [];
    for (const { id } of await session.db.getAll('businesses')) {
      // A business whose data is damaged is told of where it is opened.
      const system = (await readRecord(session.db, id).catch(() => undefined))?.system;
      const { standing } = StandingRecord.safeParse(await session.db.get('standing', id)).data ?? {};
      for (const [phone, r] of Object.entries(standing?.registrations ?? {})) {
        const personId = system?.phones[phone]?.personId;
        const person = personId ? system?.people[personId] : undefined;
        if (!r.standIn && system && person)
          found.push({
            businessId: id,
            phoneId: phone,
            words: `${person.name} · ${person.extension}, ${system.business.name}`,
          });
      }
    }
    paired = found;
    ready = true;
  }
  onMount(() => void list());
  // A phone knows its business from the exchange alone.
  onDestroy(() => {
    session.db?.close();
    session.changes?.close();
    session.db = session.changes = null;
  });
</script>

{#if ready}
  <div class="pad">
    <PairForm {given} onpaired={onopen} />
    {#if paired.length}
      <h2>Paired in this browser</h2>
      {#each paired as p (p.phoneId)}
        <button class="linkish" type="button" onclick={() => onopen(p.businessId, p.phoneId)}
          >{p.words}</button
        >
      {/each}
    {/if}
  </div>
{/if}

<style>
  .pad {
    padding: 18px;
  }
  .pad button {
    display: block;
    padding: 6px 0;
  }
</style>
