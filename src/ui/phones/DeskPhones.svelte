<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { accountId, accountsOn } from '$core/system';
  import type { AccountDetails } from '$standins/registrar/accounts';
  import { PORTS, SERVER } from '$standins/registrar/accounts';
  import { count } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import AccountCards from './AccountCards.svelte';
  import { makeThem } from './accounts';
  import KeyDrawing from './KeyDrawing.svelte';
  import { whereItStands } from './where';

  /** All desk phones: their keys, their accounts, and the details any SIP phone needs. */
  const system = $derived(theBusiness().system);
  const desks = $derived(Object.values(system.phones).filter((p) => p.kind === 'desk'));
  const all = $derived(
    desks.flatMap((phone) => {
      const owners: (string | null)[] = accountsOn(phone);
      return (owners.length ? owners : [null]).map((personId) => ({ phone, personId }));
    }),
  );
  const missing = $derived(
    all.filter((a) => !theBusiness().standing.accounts[accountId(a.phone, a.personId)]),
  );
  let shown = $state.raw<AccountDetails[]>([]);
</script>

{#if shown.length}
  <AccountCards accounts={shown} done={() => (shown = [])} />
{:else if !desks.length}
  <div class="empty">
    <h2>No desk phones yet</h2>
    <p>
      Give somebody one on <a href="/people">their page</a>, or name “desk” in a
      <a href="/people/list">list</a>.
    </p>
  </div>
{:else}
  <p>
    {#if missing.length}<Button size="small" on:click={async () => (shown = await makeThem(missing))}
        >Make {count(missing.length, 'account')} that {missing.length === 1 ? 'is' : 'are'} missing</Button
      >{:else}<span class="soft">Every desk phone has its accounts.</span>{/if}
    <span class="small soft">Server {SERVER}, port {PORTS.tls} over TLS, {PORTS.udp} over TCP or UDP.</span>
  </p>
  <div class="cards">
    {#each desks as phone (phone.id)}
      {@const where = whereItStands(phone, phone.personId, theBusiness().known)}
      <article class="card">
        <h3>
          <a href="/phones/{phone.id}">{phone.name}</a>
          <span class="soft">{system.people[phone.personId ?? '']?.name ?? 'shared'}</span>
        </h3>
        <KeyDrawing {phone} {system} />
        <p class="small" class:warn={where.problem}>
          {where.problem ? `${where.problem}. ${where.todo}` : where.words}
        </p>
      </article>
    {/each}
  </div>
{/if}

<style>
  .cards {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(270px, 1fr));
    gap: 0 16px;
  }
  h3 a {
    color: var(--ink);
  }
  h3 span {
    font-weight: 400;
  }
  p :global(.bx--btn) {
    margin-right: 14px;
  }
  p {
    margin: 0 0 12px;
  }
  article p {
    margin: 8px 0 0;
  }
  .warn {
    color: var(--alarm);
  }
</style>
