<script lang="ts">
  import Basket from '$ui/numbers/getting/Basket.svelte';
  import Search from '$ui/numbers/getting/Search.svelte';
</script>

<svelte:head><title>Get a number · Upper Line</title></svelte:head>

<div class="columns">
  <section>
    <h1>Get a number</h1>
    <p class="sub">
      By place, by kind, by what it should contain. The easiest to remember come first, and each says why.
    </p>
    <Search />
  </section>
  <aside><Basket /></aside>
</div>
