<script lang="ts">
  import LogPage from '$ui/log/LogPage.svelte';
</script>

<svelte:head><title>Log · Messages · Upper Line</title></svelte:head>
<LogPage />
