<script lang="ts">
  import ContactsPage from '$ui/contacts/ContactsPage.svelte';
</script>

<svelte:head><title>Contacts · Messages · Upper Line</title></svelte:head>
<ContactsPage />
