<script lang="ts">
  import { usualByItself, type ByItself } from '$core/system';
  import SecondsField from '../fields/SecondsField.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** What holds for all follow-ups together. */
  const limits = $derived(theBusiness().system.business.byItself ?? usualByItself());
  const set = (change: Partial<ByItself>, words: string) =>
    theBusiness().keep(words, [{ do: 'business.set', change: { byItself: { ...limits, ...change } } }]);
</script>

<section class="card" aria-label="For all of them">
  <h2>For all of them</h2>
  <div class="fields">
    <SecondsField
      label="The most that anybody outside gets in a day"
      what="a number"
      value={limits.perDay}
      max={20}
      narrow
      onchange={(perDay) => set({ perDay }, `At most ${perDay} a day to anybody`)}
    />
    <SecondsField
      label="Hours after which it is too late"
      what="hours"
      value={limits.lateHours}
      max={240}
      narrow
      helper="Then it becomes a task for a person."
      onchange={(lateHours) => set({ lateHours }, `Too late after ${lateHours} hours`)}
    />
  </div>
  <p class="small soft">
    Nobody is texted who said stop, nor before 8 or from 21 o’clock on where they are (47 CFR 64.1200(c)(1),
    from memory; this is information, no advice). Colleagues and your own numbers set nothing off and get no
    texts.
  </p>
</section>

<style>
  .fields {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
    gap: 10px 14px;
    max-width: 700px;
  }
</style>
