<script lang="ts">
  import { page } from '$app/state';
</script>

<svelte:head><title>Not found · Upper Line</title></svelte:head>

<main>
  <h1>{page.status === 404 ? 'There is no such page' : 'This page could not be shown'}</h1>
  <p>
    {page.status === 404
      ? 'The address is wrong, or what it led to has gone.'
      : 'Reload it. If that does not help, save your data as a file from another page.'}
  </p>
  <p><a href="/">Overview</a></p>
</main>

<style>
  main {
    max-width: 640px;
    margin: 60px auto;
    padding: 28px;
    background: var(--sheet);
    border: 1px solid var(--rule);
    border-top: 3px solid var(--copper);
  }
</style>
