<script lang="ts">
  import { RecordsLink } from '$core/system';
  import EditField from '../fields/EditField.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** Where records about people are kept elsewhere: an address that is opened by a person, with the number in it. */
  const link = $derived(theBusiness().system.business.recordsLink ?? '');
  function keep(text: string): string | undefined {
    if (text.trim()) {
      const read = RecordsLink.safeParse(text);
      if (!read.success) return read.error.issues[0]!.message;
    }
    return theBusiness().keep('Where records are kept elsewhere', [
      { do: 'business.set', change: { recordsLink: text.trim() || undefined } },
    ]);
  }
</script>

<details>
  <summary>Records elsewhere</summary>
  <p class="soft small">
    Beside whoever calls stands a link to what you keep of them elsewhere. <code>{'{number}'}</code> becomes
    their number, <code>{'{digits}'}</code> the same without its plus sign, <code>{'{name}'}</code> their name.
    Nothing is asked of it by us: a person opens it.
  </p>
  <EditField label="Address" placeholder="https://records.example/?phone={'{number}'}" value={link} {keep} />
</details>

<style>
  details {
    width: 100%;
  }
  summary {
    cursor: pointer;
    font-weight: 650;
    padding: 6px 0;
  }
</style>
