/** Where people of the demonstration meet by telephone. */
import type { Command } from '../src/core/system';

export const ROOMS: readonly Command[] = [
  {
    do: 'meeting room.add',
    value: {
      id: 'loft',
      name: 'The loft',
      pin: '2468',
      hostPin: '97531',
      hostId: 'rosa',
      waits: true,
      asksName: true,
      most: 12,
    },
  },
  {
    do: 'plan.add',
    value: {
      id: 'into-the-loft',
      name: 'Into the loft',
      extension: '390',
      steps: [{ id: 'loft-meeting', kind: 'meeting', roomId: 'loft' }],
    },
  },
];
