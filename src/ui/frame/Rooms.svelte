<script lang="ts">
  import { page } from '$app/state';
  import type { Room } from './rooms';

  let { label, rooms }: { label: string; rooms: readonly Room[] } = $props();
  /** The room whose path the page's begins with; the longest, for rooms lie within each other. */
  const current = $derived(
    rooms
      .filter((r) => page.url.pathname === r.path || page.url.pathname.startsWith(`${r.path}/`))
      .sort((a, b) => b.path.length - a.path.length)[0]?.path,
  );
</script>

<nav aria-label={label}>
  {#each rooms as { path, name } (path)}
    <a href={path} aria-current={current === path ? 'page' : undefined}>{name}</a>
  {/each}
</nav>

<style>
  nav {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 20px;
    margin: -4px 0 14px;
    padding-bottom: 8px;
    border-bottom: 1px solid var(--rule);
    font-size: var(--text-body);
  }
  a {
    color: var(--ink);
    text-decoration: none;
  }
  a:hover {
    text-decoration: underline;
  }
  a[aria-current] {
    font-weight: 700;
    box-shadow: 0 9px 0 -7px var(--copper);
  }
  @media print {
    nav {
      display: none;
    }
  }
</style>
