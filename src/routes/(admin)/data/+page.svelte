<script lang="ts">
  import { onMount } from 'svelte';
  import Copies from '$ui/data/Copies.svelte';
  import Kept from '$ui/data/Kept.svelte';
  import Unread from '$ui/data/Unread.svelte';
  import { keeping } from '$ui/data/keeping.svelte';
  import { theBusiness } from '$ui/window/session.svelte';

  onMount(() => void keeping.look());
</script>

<svelte:head><title>Where your data is · Upper Line</title></svelte:head>

<h1>Where your data is</h1>
<p class="sub">
  In this browser, and in the files you save. The server keeps nothing of it. Whatever says <b>Saved</b> lies on
  this machine’s disk.
</p>
{#if theBusiness().view.aside.length}<Unread />{/if}
<div class="two">
  <Kept />
  <Copies />
</div>

<style>
  .two {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(360px, 1fr));
    gap: 16px;
    align-items: start;
  }
</style>
