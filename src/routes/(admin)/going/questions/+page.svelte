<script lang="ts">
  import QuestionsPage from '$ui/going/QuestionsPage.svelte';
</script>

<svelte:head><title>Questions · How it goes · Upper Line</title></svelte:head>
<QuestionsPage />
