<script lang="ts">
  import { find } from 'linkifyjs';

  /** What somebody wrote: addresses in it can be followed, all else is text. */
  let { text }: { text: string } = $props();
  interface Piece {
    text: string;
    href?: string;
  }
  const pieces = $derived.by(() => {
    const all: Piece[] = [];
    let at = 0;
    for (const { start, end, value, href, type } of find(text)) {
      if (type !== 'url' && type !== 'email') continue;
      // Nothing runs: only what leads to a page or a mail is a link.
      if (!/^(https?|mailto):/.test(href)) continue;
      all.push({ text: text.slice(at, start) }, { text: value, href });
      at = end;
    }
    return [...all, { text: text.slice(at) }];
  });
</script>

{#each pieces as piece, i (i)}{#if piece.href}<a
      href={piece.href}
      target="_blank"
      rel="noopener noreferrer external">{piece.text}</a
    >{:else}{piece.text}{/if}{/each}
