/** Softphones of the demonstration that nobody has paired yet, paired and set up in what a browser begins with. */
import { newRegistration, type Standing } from '../../src/core/system';
import type { State } from './seeded';

export const BUSINESS = 'lantern-cove';
export const IDRIS = 'idris-browser';
export const JONAH = 'jonah-browser';

export function paired(state: State): State {
  const { stores } = state.origins[0]!.indexedDB[0]!;
  const record = stores.find((s) => s.name === 'standing')!.records[0]!.value as { standing: Standing };
  for (const id of [IDRIS, JONAH])
    record.standing.registrations[id] = newRegistration({ pairedAt: 0, online: false });
  const own = [IDRIS, JONAH].map((id) => ({
    name: `upper-line:own-phone:${id}`,
    value: JSON.stringify({ setUp: true }),
  }));
  state.origins[0]!.localStorage.push(...own);
  return state;
}
