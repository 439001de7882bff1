<script lang="ts">
  import { TextInput } from 'carbon-components-svelte';
  import { theBusiness } from '../window/session.svelte';

  /** Says whether a phone signed on from some address would be in an office, and in which. */
  let typed = $state('');
  const ip = $derived(typed.trim());
  const sites = $derived(Object.values(theBusiness().system.sites));
  let said = $state<{ words: string; wrong: boolean } | null>(null);

  $effect(() => {
    let stale = false;
    void look(ip, sites).then((answer) => {
      if (!stale) said = answer;
    });
    return () => (stale = true);
  });

  async function look(address: string, among: typeof sites): Promise<typeof said> {
    if (!address) return null;
    const { isAddress, networkOf } = await import('$core/numbering/networks');
    if (!isAddress(address)) return { words: `“${address}” is not an address.`, wrong: true };
    for (const { name, networks } of among) {
      const network = networkOf(address, networks);
      if (network) return { words: `In the office: ${name}, by ${network}.`, wrong: false };
    }
    return { words: 'Outside: in no network of any site.', wrong: false };
  }
</script>

<TextInput
  size="sm"
  labelText="Try an address"
  placeholder="192.0.2.77"
  bind:value={typed}
  invalid={said?.wrong ?? false}
  invalidText={said?.words ?? ''}
  helperText={said?.words ?? ''}
/>
