<script lang="ts">
  import EnoughPage from '$ui/going/people/EnoughPage.svelte';
</script>

<svelte:head><title>Enough people? · How it goes · Upper Line</title></svelte:head>
<EnoughPage />
