/** Call buttons: a small piece of HTML for the business's own site. */
import { z } from 'zod';
import { Id, name, text } from './primitives';

const Colour = z.string().regex(/^#[0-9a-f]{6}$/i, 'Write a colour as # and six digits, such as #1a5c55.');

/** What a visitor can do. */
export const VISITS = ['call', 'call back', 'book'] as const;

export const CallButton = z.object({
  id: Id,
  name,
  /** What stands on it. */
  says: text(40).min(1, 'Write what stands on it.'),
  /** The number whose plan a visitor calls, and that the site shows beside it. */
  numberId: Id.nullable(),
  /** What a visitor may do, in this order. */
  offers: z.array(z.enum(VISITS)).min(1, 'Offer at least one thing.').max(3),
  /** When it is open; null is always. */
  hoursId: Id.nullable(),
  /** Where it books; null is nowhere. */
  calendarId: Id.nullable(),
  /** Who calls back; null is anybody. */
  personId: Id.nullable(),
  /** What is said outside the hours. */
  closed: text(200),
  look: z.object({
    background: Colour,
    ink: Colour,
    /** In pixels. */
    corner: z.number('Type a number.').int().min(0, 'At least 0.').max(40, 'At most 40.'),
    size: z.enum(['small', 'usual', 'large']),
  }),
});
export type CallButton = z.infer<typeof CallButton>;
