<script lang="ts">
  import BoardPage from '$ui/figures/now/BoardPage.svelte';
</script>

<svelte:head><title>Now · Figures · Upper Line</title></svelte:head>
<BoardPage />
