<script lang="ts">
  import BoardsPage from '$ui/figures/boards/BoardsPage.svelte';
</script>

<svelte:head><title>Boards · Figures · Upper Line</title></svelte:head>
<BoardsPage />
