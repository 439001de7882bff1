<script lang="ts">
  import '@fontsource-variable/atkinson-hyperlegible-next';
  import 'carbon-components-svelte/css/all.css';
  import '../app.css';
  import { onMount, type Snippet } from 'svelte';
  import StorageAlarm from '$ui/data/StorageAlarm.svelte';
  import { newVersion } from '$ui/data/new-version.svelte';
  import { switchTrouble } from '$ui/data/switch-trouble.svelte';
  import { session } from '$ui/window/session.svelte';
  import { takenHere } from '$ui/phone/links';
  import { takeTelLinks } from '$ui/tel';
  import { startExchange } from '$ui/exchange';

  const isElsewhere = ({ pathname, hash }: Location) =>
    pathname === '/device' ||
    (pathname === '/phone' && hash.startsWith('#join=')) ||
    (pathname === '/visit' && hash.startsWith('#at='));
  let { children }: { children: Snippet } = $props();

  onMount(() => {
    switchTrouble.listen();
    // A phone of a business elsewhere, or a visitor of one, opens no database here: nothing of it is this browser's.
    if (!isElsewhere(location)) startExchange();
    void newVersion.start();
    let timer: ReturnType<typeof setTimeout>;
    const tick = () => {
      session.tick();
      timer = setTimeout(tick, 1000 / session.speed);
    };
    tick();
    // Visitors of a site dial on whatever they have.
    const stop = location.pathname === '/visit' ? () => {} : takeTelLinks(takenHere);
    return () => {
      clearTimeout(timer);
      stop();
    };
  });
</script>

<StorageAlarm />
{@render children()}
