<script lang="ts">
  import { tallyOf } from '$core/call-lists';
  import ListForm from '$ui/by-itself/ListForm.svelte';
  import { momentText } from '$ui/format';
  import { theBusiness } from '$ui/window/session.svelte';

  const lists = $derived(
    theBusiness()
      .view.callLists.toReversed()
      .map((list) => ({
        list,
        tally: tallyOf(
          theBusiness().view.listed.filter((e) => e.listId === list.id),
          list,
        ),
      })),
  );
</script>

<svelte:head><title>Call lists · By itself · Upper Line</title></svelte:head>

<h1>Call lists</h1>
<p class="sub">
  People to call, one after the other: each is dialled when you say so, in the hours of their place. Several
  of you can work on one list, and nobody is called twice.
</p>
{#if lists.length}
  <table aria-label="Call lists">
    <thead><tr><th>List</th><th>Made</th><th>Left</th><th>Done</th><th>Want no calls</th></tr></thead>
    <tbody>
      {#each lists as { list, tally } (list.id)}
        <tr>
          <td><a href="/by-itself/lists/{list.id}">{list.name}</a>{list.rests ? ', rests' : ''}</td>
          <td>{momentText(list.at, theBusiness().zone)}</td>
          <td>{tally.left} of {tally.all}</td>
          <td>{tally.done}</td>
          <td>{tally.never}</td>
        </tr>
      {/each}
    </tbody>
  </table>
{/if}
<ListForm />

<style>
  table {
    width: 100%;
    border-collapse: collapse;
    margin-bottom: 16px;
  }
  th,
  td {
    text-align: left;
    padding: 6px 12px 6px 0;
    border-bottom: 1px solid var(--rule);
    overflow-wrap: anywhere;
  }
</style>
