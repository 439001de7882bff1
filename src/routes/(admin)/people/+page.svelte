<script lang="ts">
  import { writePeopleCsv } from '$core/formats/people/write';
  import { saveText } from '$ui/files/download';
  import NewPerson from '$ui/people/NewPerson.svelte';
  import PeopleTable from '$ui/people/PeopleTable.svelte';
  import { theBusiness } from '$ui/window/session.svelte';

  const system = $derived(theBusiness().system);
</script>

<svelte:head><title>People · Upper Line</title></svelte:head>

<div class="columns">
  <section>
    <h1>People</h1>
    <p class="sub">
      Everybody with an extension, rooms included. <a href="/people/list">Read a list</a> to add or change many
      at once.
    </p>
    {#if Object.keys(system.people).length}
      <PeopleTable />
      <p class="small">
        <button
          class="linkish"
          type="button"
          onclick={() => saveText('people.csv', 'text/csv;charset=utf-8', writePeopleCsv(system))}
          >Save people as CSV</button
        >
      </p>
    {:else}
      <div class="empty">
        <h2>Nobody here yet</h2>
        <p>
          <a href="/people/list">Read or paste a list</a> of everybody, or add the first person beside this: a name,
          an e-mail address, an extension.
        </p>
      </div>
    {/if}
  </section>
  <aside><NewPerson /></aside>
</div>

<style>
  .columns {
    grid-template-columns: minmax(0, 1fr) 260px;
  }
</style>
