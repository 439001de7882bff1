<script lang="ts">
  import { untrack, type Snippet } from 'svelte';
  import { Near } from './near.svelte';

  /** A card of many: until it comes near what is seen, only its name stands there, with about the room it will take. */
  interface Props {
    /** As links to it name it. */
    id: string;
    name: string;
    /** How many of its kind come before it. */
    place: number;
    /** About so high, in pixels. */
    height: number;
    children: Snippet;
  }
  let { id, name, place, height, children }: Props = $props();
  /** So many are there with the page. */
  const FIRST = 2;
  const near = new Near(
    untrack(() => place < FIRST),
    'stays',
  );
</script>

{#if near.is}
  {@render children()}
{:else}
  <div {id} class="card" style:min-height="{height}px" {@attach near.attach}><h2>{name}</h2></div>
{/if}
