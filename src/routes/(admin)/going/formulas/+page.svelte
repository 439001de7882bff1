<script lang="ts">
  import FormulasPage from '$ui/going/people/FormulasPage.svelte';
</script>

<svelte:head><title>Formulas · How it goes · Upper Line</title></svelte:head>
<FormulasPage />
