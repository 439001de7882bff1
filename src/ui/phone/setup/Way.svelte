<script lang="ts">
  import { onMount } from 'svelte';
  import { waysHere, type Ways } from '$media';

  /** Whether others of the network would find this device when it talks, looked at before anybody calls. */
  let ways = $state<Ways | 'looking'>('looking');
  onMount(() => {
    waysHere().then(
      (found) => (ways = found),
      () => (ways = 'none'),
    );
  });
  const WORDS: Record<Ways | 'looking', string> = {
    looking: 'Looking how others would find this device…',
    open: 'Others of your network find this device.',
    hidden:
      'This browser hides the address of the device behind a name that not every network looks up. If you hear nobody, allow the microphone for good, or ask for a network that lets devices see each other.',
    none: 'This device has no address that others could use: it rings, and you would hear nobody. Is it in a network?',
  };
</script>

<p class="small" class:warn={ways === 'hidden' || ways === 'none'} role="status" data-testid="way">
  {WORDS[ways]}
</p>

<style>
  .warn {
    color: var(--alarm);
  }
</style>
