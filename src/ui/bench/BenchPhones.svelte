<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { session } from '../session.svelte';
</script>

<p>
  The outside phone opens in a window of its own. It calls your numbers as a customer would, for real: phones
  ring, plans run, messages are left.
</p>
<Button size="small" href="/bench/phone?business={session.view?.business.id}" target="_blank" rel="opener"
  >Open the outside phone</Button
>
<p class="gap">The staff phone page, where an invitation's code is entered, is a window too.</p>
<Button size="small" kind="tertiary" href="/phone" target="_blank" rel="opener"
  >Open the staff phone page</Button
>

<style>
  p {
    margin: 0 0 10px;
  }
  .gap {
    margin-top: 18px;
  }
</style>
