<script lang="ts">
  import KindPage from '$ui/begin/KindPage.svelte';
</script>

<svelte:head><title>Begin as · Upper Line</title></svelte:head>

<KindPage />
