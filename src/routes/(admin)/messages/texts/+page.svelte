<script lang="ts">
  import TextsPage from '$ui/texts/TextsPage.svelte';
</script>

<svelte:head><title>Texts · Messages · Upper Line</title></svelte:head>
<TextsPage />
