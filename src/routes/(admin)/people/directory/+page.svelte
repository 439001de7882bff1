<script lang="ts">
  import Directory from '$ui/people/Directory.svelte';
</script>

<svelte:head><title>Directory · People · Upper Line</title></svelte:head>

<h1>Directory</h1>
<p class="sub">Everybody, rooms and groups, with the numbers whoever looks is allowed to see.</p>
<Directory />

<style>
  @media print {
    h1,
    .sub {
      display: none;
    }
  }
</style>
