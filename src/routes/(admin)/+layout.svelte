<script lang="ts">
  import { onMount, type Snippet } from 'svelte';
  import { page } from '$app/state';
  import { demonstration } from '$demo/lantern-cove';
  import Frame from '$ui/frame/Frame.svelte';
  import Trouble from '$ui/data/Trouble.svelte';
  import { session } from '$ui/window/session.svelte';

  let { children }: { children: Snippet } = $props();
  /** Screens that plan calls show the rehearsal strip. */
  const strip = $derived(
    session.business?.may('see the system') &&
      !/^\/(data|begin(\/.*)?|messages|messages\/call-back|changes|figures(\/.*)?|by-itself(\/.*)?|numbers\/.+|people\/.+|phones(\/.*)?|answering\/rehearsal|answering\/.+\/picture)$/.test(
        page.url.pathname,
      ),
  );
  /** Pages that those may see who do not see the system. */
  const allowed = $derived(
    session.business?.may('see the system') ||
      page.url.pathname === '/people/directory' ||
      page.url.pathname === '/figures' ||
      page.url.pathname === '/figures/questions' ||
      page.url.pathname === '/figures/boards' ||
      [`/people/${session.business?.actor}`, `/people/${session.business?.actor}/reach`].includes(
        page.url.pathname,
      ),
  );

  onMount(() => void session.start(() => demonstration(Date.now())));
</script>

{#if session.trouble}
  <Trouble trouble={session.trouble} />
{:else if session.business?.view}
  {#key `${session.business?.view.business.id} ${session.business?.writing}`}
    <Frame {strip}>
      {#if allowed}
        {@render children()}
      {:else}
        <h1>This page is for whoever does the phones</h1>
        <p class="sub">
          You can see <a href="/people/{session.business?.actor}">your own page</a> and the
          <a href="/people/directory">directory</a>.
        </p>
      {/if}
    </Frame>
  {/key}
{:else}
  <p class="opening">Opening…</p>
{/if}

<style>
  .opening {
    padding: 40px;
    color: var(--ink-soft);
  }
</style>
