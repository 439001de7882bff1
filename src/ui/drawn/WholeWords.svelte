<script lang="ts">
  /** As many words as there is room for on one line, and none cut: one that does not fit is not seen, and those after it neither. */
  let { text }: { text: string } = $props();
</script>

<span class="words"
  >{#each text.split(' ') as word, i (i)}<span>{i ? ` ${word}` : word}</span>{/each}</span
>

<style>
  /* What does not fit goes to a second line, which is hidden; the first word as well, for the empty mark before it does fit. */
  .words {
    display: flex;
    flex-wrap: wrap;
    height: 1lh;
    overflow: hidden;
    white-space: pre;
  }
  .words::before {
    content: '';
    height: 1lh;
  }
  .words > span {
    flex: none;
  }
</style>
