<script lang="ts">
  import Invitations from '$ui/phones/Invitations.svelte';
</script>

<svelte:head><title>Invitations · Phones · Upper Line</title></svelte:head>

<h1>Invitations</h1>
<p class="sub">
  A mail with a code, a picture of it and a settings file puts an app or a softphone in service. Who has not
  taken it up stands here.
</p>
<Invitations />
