<script lang="ts">
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { demonstration } from '$demo/lantern-cove';
  import { Changes, openDatabase, readRecord, StandingRecord } from '$workspace';
  import { readLink } from '$standins/mail/invitation';
  import PairForm from '$ui/phone/PairForm.svelte';
  import StaffPhone from '$ui/phone/StaffPhone.svelte';
  import Trouble from '$ui/Trouble.svelte';
  import { session } from '$ui/window/session.svelte';

  interface Paired {
    businessId: string;
    phoneId: string;
    words: string;
  }
  const phoneId = $derived(page.url.searchParams.get('as'));
  const businessId = $derived(page.url.searchParams.get('business'));
  /** Number and code of a link that was followed. */
  const given = $derived(readLink(page.url.href) ?? null);
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
  onMount(
    () => void (phoneId && businessId ? session.start(() => demonstration(Date.now()), businessId) : list()),
  );

  async function open(business: string, phone: string) {
    await goto(`/phone?business=${business}&as=${phone}`);
    await session.start(() => demonstration(Date.now()), business);
  }
</script>

<svelte:head><title>Staff phone · Upper Line</title></svelte:head>

<div class="phone">
  {#if session.trouble}
    <Trouble trouble={session.trouble} />
  {:else if phoneId && businessId}
    {#if session.business?.view.business.id === businessId}
      {#key phoneId}<StaffPhone {phoneId} />{/key}
    {/if}
  {:else if ready}
    <div class="pad">
      <PairForm {given} onpaired={open} />
      {#if paired.length}
        <h2>Paired in this browser</h2>
        {#each paired as p (p.phoneId)}
          <button class="linkish" type="button" onclick={() => open(p.businessId, p.phoneId)}
            >{p.words}</button
          >
        {/each}
      {/if}
    </div>
  {/if}
</div>

<style>
  .phone {
    max-width: 460px;
    margin: 0 auto;
    min-height: 100vh;
    background: var(--paper);
  }
  @media (min-width: 860px) {
    .phone:has(:global(.desk)) {
      max-width: 1240px;
    }
  }
  .pad {
    padding: 18px;
  }
  .pad button {
    display: block;
    padding: 6px 0;
  }
</style>
