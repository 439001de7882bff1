<script lang="ts">
  /** How something stands, as a shape; the word for it stands beside. */
  let { kind }: { kind: 'on' | 'off' | 'busy' | 'waiting' } = $props();
</script>

<i class={kind} aria-hidden="true"></i>

<style>
  i {
    display: inline-block;
    width: 10px;
    height: 10px;
    border: 2px solid var(--ended);
    border-radius: 50%;
    margin-right: 7px;
  }
  .on {
    background: var(--group);
    border-color: var(--group);
  }
  .busy {
    border-radius: 0;
    background: var(--alarm);
    border-color: var(--alarm);
  }
  .waiting {
    border-radius: 0;
    border-color: var(--amber);
  }
</style>
