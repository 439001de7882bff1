<script lang="ts">
  import EnoughPage from '$ui/figures/people/EnoughPage.svelte';
</script>

<svelte:head><title>Enough people? · Figures · Upper Line</title></svelte:head>
<EnoughPage />
