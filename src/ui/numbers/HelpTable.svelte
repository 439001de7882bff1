<script lang="ts">
  import { helpTable } from '$core/calls';
  import { theBusiness } from '../window/session.svelte';

  /** What help gets from every phone, the doubtful ones first. */
  const rows = $derived(
    helpTable(theBusiness().system, theBusiness().standing, theBusiness().minute).sort(
      (a, b) => b.doubts.length - a.doubts.length,
    ),
  );
  const doubtful = $derived(rows.filter((r) => r.doubts.length).length);
  const owner = (personId: string | null) =>
    (personId && theBusiness().system.people[personId]?.name) || 'nobody in particular';
</script>

<section class="card" aria-labelledby="help-table">
  <h2 id="help-table">What help gets from each phone</h2>
  <p class="soft small">
    {rows.length
      ? doubtful
        ? `${doubtful} of ${rows.length} are doubtful: they come first.`
        : 'Each phone sends a whole address and a number to ring back.'
      : 'No phone calls through the system yet.'} Own mobiles and landlines call help by their own provider.
  </p>
  {#if rows.length}
    <div class="scroll">
      <table>
        <thead>
          <tr><th>Phone</th><th>Dials</th><th>Address that is sent</th><th>Rings back</th></tr>
        </thead>
        <tbody>
          {#each rows as { phone, personId, numbers, help, address, doubts } (phone.id)}
            <tr class:doubtful={doubts.length > 0} data-testid="help-row">
              <td
                ><a href="/phones/{phone.id}">{phone.name}</a><br /><span class="soft">{owner(personId)}</span
                ></td
              >
              <td>{numbers.join(' or ') || 'not known'}</td>
              <td>
                {address || 'none'}{help.elsewhere ? ', as the business’s' : ''}
                {#each doubts as doubt (doubt)}<p class="doubt">{doubt}</p>{/each}
              </td>
              <td>{help.callback ? theBusiness().number(help.callback) : 'nobody'}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
  {/if}
</section>

<style>
  section {
    margin-top: 18px;
  }
  .scroll {
    max-height: 420px;
    overflow: auto;
  }
  table {
    width: 100%;
    border-collapse: collapse;
    font-size: var(--text-body);
  }
  th,
  td {
    text-align: left;
    vertical-align: top;
    padding: 5px 10px 5px 0;
    border-bottom: 1px solid var(--rule);
  }
  th {
    color: var(--ink-soft);
    font-weight: 400;
  }
  .doubt {
    margin: 2px 0 0;
    color: var(--alarm);
  }
</style>
