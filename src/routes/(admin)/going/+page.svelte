<script lang="ts">
  import BoardPage from '$ui/going/now/BoardPage.svelte';
</script>

<svelte:head><title>Now · How it goes · Upper Line</title></svelte:head>
<BoardPage />
