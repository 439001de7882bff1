/** Rooms in which people meet by telephone: a Meeting step of a plan leads there. */
import { z } from 'zod';
import { Id, name } from './primitives';

const Pin = z.string().regex(/^\d{4,10}$/, 'A PIN has 4 to 10 digits.');

export const MeetingRoom = z.object({
  id: Id,
  name,
  /** What members type; null is that everybody is let in. */
  pin: Pin.nullable(),
  /** What the host types from any phone; null is only from their own. */
  hostPin: Pin.nullable(),
  /** Whose phones are the host's; null is nobody's. */
  hostId: Id.nullable(),
  /** Members wait, and hear music, until the host is there. */
  waits: z.boolean(),
  /** Members say a name before they come in. */
  asksName: z.boolean(),
  /** So many at the most, the host among them. */
  most: z.number('Type a number.').int('A whole number.').min(2, 'At least 2.').max(50, 'At most 50.'),
});
export type MeetingRoom = z.infer<typeof MeetingRoom>;
