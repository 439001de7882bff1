<script lang="ts">
  import '@fontsource-variable/atkinson-hyperlegible-next';
  import 'carbon-components-svelte/css/all.css';
  import '../app.css';
  import { onMount, type Snippet } from 'svelte';
  import { session } from '$ui/session.svelte';
  import { startExchange } from '$ui/exchange';

  let { children }: { children: Snippet } = $props();

  onMount(() => {
    startExchange();
    const timer = setInterval(() => session.tick(), 1000);
    return () => clearInterval(timer);
  });
</script>

{@render children()}
