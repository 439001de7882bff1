<script lang="ts">
  import CallsAbroad from '$ui/numbers/dialling/CallsAbroad.svelte';
  import DialBox from '$ui/numbers/dialling/DialBox.svelte';
  import DialHabits from '$ui/numbers/dialling/DialHabits.svelte';
  import ExtensionMap from '$ui/numbers/dialling/ExtensionMap.svelte';
  import RecordCalls from '$ui/numbers/dialling/RecordCalls.svelte';
  import Renumber from '$ui/numbers/dialling/Renumber.svelte';
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
