<script lang="ts">
  import Devices from '$ui/phones/apart/Devices.svelte';
  import VoiceServers from '$ui/phones/apart/VoiceServers.svelte';
</script>

<svelte:head><title>On other machines · Phones · Upper Line</title></svelte:head>

<h1>On other machines</h1>
<p class="sub">
  A mobile or another computer becomes somebody’s phone by the link of their invitation. You say that it is
  theirs, and shut it out when it is lost.
</p>
<Devices />
<VoiceServers />
