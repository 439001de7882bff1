<script lang="ts">
  import type { Trace } from '$core/calls';
  import type { OwnValues, Person, System } from '$core/system';
  import type { Supposing } from '../window/here';
  import { here } from '../window/session.svelte';
  import IfCalled from './IfCalled.svelte';

  interface Props {
    person: Person;
    system: System;
    /** Settings of theirs to be tried. */
    values?: OwnValues | null;
    /** What is taken for granted of phones. */
    supposed?: Supposing;
  }
  /** What happens to a call to somebody now, if nobody does anything: worked out anew each minute, and when something changes. */
  let { person, system, values = null, supposed = 'as now' }: Props = $props();
  let trace = $state.raw<Trace | null>(null);
  let asked = 0;
  $effect(() => {
    // What it hangs on, as far as this window knows it.
    const { minute, standing, settable } = here();
    void [minute, standing, settable];
    const mine = ++asked;
    here()
      .deeds.ifCalled(person.id, values, supposed)
      .then((found) => {
        if (mine === asked) trace = found;
      })
      // What cannot be worked out now is, with the next minute.
      .catch(() => {});
  });
</script>

<IfCalled {person} {system} {trace} />
