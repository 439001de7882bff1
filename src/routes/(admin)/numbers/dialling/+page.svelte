<script lang="ts">
  import CallsAbroad from '$ui/numbers/CallsAbroad.svelte';
  import DialBox from '$ui/numbers/DialBox.svelte';
  import DialHabits from '$ui/numbers/DialHabits.svelte';
  import ExtensionMap from '$ui/numbers/ExtensionMap.svelte';
  import RecordCalls from '$ui/numbers/RecordCalls.svelte';
  import Renumber from '$ui/numbers/Renumber.svelte';
</script>

<svelte:head><title>Dialling · Upper Line</title></svelte:head>

<div class="columns">
  <section>
    <h1>Dialling</h1>
    <p class="sub">What somebody gets who dials on one of your phones, and which extensions there are.</p>
    <DialBox />
    <ExtensionMap />
  </section>
  <aside>
    <DialHabits />
    <CallsAbroad />
    <RecordCalls />
    <Renumber />
  </aside>
</div>
