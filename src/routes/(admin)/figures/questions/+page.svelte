<script lang="ts">
  import QuestionsPage from '$ui/figures/QuestionsPage.svelte';
</script>

<svelte:head><title>Questions · Figures · Upper Line</title></svelte:head>
<QuestionsPage />
