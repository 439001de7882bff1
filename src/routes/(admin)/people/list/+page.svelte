<script lang="ts">
  import ReadList from '$ui/people/ReadList.svelte';
</script>

<svelte:head><title>Read a list · People · Upper Line</title></svelte:head>

<h1>Read a list of people</h1>
<p class="sub">
  Everybody at once: what is new, what changes and what is wrong is shown first; nothing is changed before you
  apply it.
</p>
<ReadList />
