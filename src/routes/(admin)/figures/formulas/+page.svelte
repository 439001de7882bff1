<script lang="ts">
  import FormulasPage from '$ui/figures/people/FormulasPage.svelte';
</script>

<svelte:head><title>Formulas · Figures · Upper Line</title></svelte:head>
<FormulasPage />
