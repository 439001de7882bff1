<script lang="ts">
  import { Button, CodeSnippet } from 'carbon-components-svelte';
  import { hookSecret } from '$workspace';
  import { theBusiness } from '../window/session.svelte';

  /** What web hooks are signed with, for whoever reads them. */
  let secret = $state('');
  const show = async () => (secret = await hookSecret(theBusiness().db, theBusiness().id));
</script>

<details>
  <summary>How records elsewhere can tell that it is you</summary>
  <p class="small">
    Each web hook is signed: HTTP Message Signatures (RFC 9421) with <code>hmac-sha256</code> and the key
    <code>hooks</code>, over the method, the address, <code>Content-Digest</code> (RFC 9530), the type and
    <code>Idempotency-Key</code>, which is the same each time that it is tried.
  </p>
  {#if secret}
    <CodeSnippet code={secret} />
  {:else}
    <Button size="small" kind="tertiary" on:click={() => void show()}>Show the secret</Button>
  {/if}
</details>

<style>
  details {
    margin-top: 18px;
    max-width: 720px;
  }
</style>
