<script lang="ts">
  import FaxesPage from '$ui/faxes/FaxesPage.svelte';
</script>

<svelte:head><title>Faxes · Messages · Upper Line</title></svelte:head>
<FaxesPage />
