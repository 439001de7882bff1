<script lang="ts">
  import DeskPhones from '$ui/phones/DeskPhones.svelte';
</script>

<svelte:head><title>Desk phones · Phones · Upper Line</title></svelte:head>

<h1>Desk phones</h1>
<p class="sub">
  Any phone that speaks SIP: it needs a server, a user and a password. Its keys may hold several people’s
  accounts.
</p>
<DeskPhones />

<style>
  @media print {
    h1,
    .sub {
      display: none;
    }
  }
</style>
