/** How a presence is marked beside its word: free, busy, away or off. */
import type { Presence } from '$core/phone';

export type Lamp = 'free' | 'busy' | 'away' | 'off';

export const lamp = ({ is }: Presence): Lamp => LAMPS[is];

const LAMPS: Record<Presence['is'], Lamp> = {
  free: 'free',
  talking: 'busy',
  ringing: 'busy',
  finishing: 'busy',
  'not to be disturbed': 'busy',
  away: 'away',
  'out of hours': 'off',
  'no phone on': 'off',
};
