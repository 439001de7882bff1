<script lang="ts">
  import BusinessPage from '$ui/business/BusinessPage.svelte';
</script>

<svelte:head><title>The business · Upper Line</title></svelte:head>

<BusinessPage />
