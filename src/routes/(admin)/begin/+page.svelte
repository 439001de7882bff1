<script lang="ts">
  import BeginPage from '$ui/begin/BeginPage.svelte';
</script>

<svelte:head><title>Begin · Upper Line</title></svelte:head>

<BeginPage />
