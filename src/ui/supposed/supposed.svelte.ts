/** Whether what is shown is worked out as if everybody had paired, or as it is now: for each place where that is asked. */
import { asAllPaired, asPaired, type PairedStanding, type Standing, type System } from '$core/system';
import { Remembered } from '../remembered.svelte';

export type Place = 'changes' | 'rehearsal' | 'coverage' | 'person';

class Supposed {
  private readonly chosen = new Remembered<Partial<Record<Place, boolean>>>('supposed', {});

  /** Where nothing was chosen: what a change does is shown for phones to come, and so is all as long as nobody has paired. */
  is(place: Place, standing: Standing): boolean {
    const nobody = Object.keys(standing.registrations).length === 0;
    return this.chosen.value[place] ?? (place === 'changes' || nobody);
  }
  set(place: Place, supposed: boolean): void {
    this.chosen.value = { ...this.chosen.value, [place]: supposed };
  }
  /** What is reckoned with at a place. */
  standing(place: Place, system: Pick<System, 'phones'>, standing: Standing): Standing {
    return this.is(place, standing) ? asAllPaired(system, standing) : standing;
  }
  /** The same where phones that were paired are taken to be on. */
  paired(place: Place, system: Pick<System, 'phones'>, standing: Standing): PairedStanding {
    return this.is(place, standing) ? asAllPaired(system, standing) : asPaired(standing);
  }
}

/** What this window supposes. */
export const supposed = new Supposed();
