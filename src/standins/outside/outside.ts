/** Outside phones that nobody sits at: what each does when it is called. They stand in for the rest of the telephone network. */
import { z } from 'zod';
import { E164 } from '../../core/system/shape/primitives';

const seconds = z.number('Type a number of seconds.').int().min(0).max(120, 'At most 120 seconds.');

/** What an outside number does. Seconds count from when it rings. */
export const OutsideHabit = z.discriminatedUnion('does', [
  z.object({ does: z.literal('answers'), after: seconds }),
  z.object({ does: z.literal('declines'), after: seconds }),
  z.object({ does: z.literal('own voicemail'), after: seconds }),
  z.object({ does: z.literal('busy') }),
  z.object({ does: z.literal('not in service') }),
]);
export type OutsideHabit = z.infer<typeof OutsideHabit>;

/** By number; a number that is not there rings until somebody at the bench does something. */
export const OutsideHabits = z.record(E164, OutsideHabit);
export type OutsideHabits = z.infer<typeof OutsideHabits>;

/** An outside phone rings so long after it is called, in milliseconds: as long as the engine reckons. Common practice, no source. */
const RINGS_AFTER_MS = 6000;
/** The network says so long after a call that a number is busy or not in service, in milliseconds. */
const SAYS_AFTER_MS = 2000;

export interface Reaction {
  /** Milliseconds after it is called. */
  afterMs: number;
  does: 'answer' | 'decline' | 'own voicemail' | 'busy' | 'not in service';
}

/** What comes of calling a number, or undefined where nothing does by itself. */
export function reactionOf(habit: OutsideHabit | undefined): Reaction | undefined {
  if (!habit) return undefined;
  switch (habit.does) {
    case 'answers':
      return { afterMs: RINGS_AFTER_MS + habit.after * 1000, does: 'answer' };
    case 'declines':
      return { afterMs: RINGS_AFTER_MS + habit.after * 1000, does: 'decline' };
    case 'own voicemail':
      return { afterMs: RINGS_AFTER_MS + habit.after * 1000, does: 'own voicemail' };
    case 'busy':
    case 'not in service':
      return { afterMs: SAYS_AFTER_MS, does: habit.does };
  }
}

/** What a habit is called on the bench. */
export function habitInWords(habit: OutsideHabit): string {
  switch (habit.does) {
    case 'answers':
      return `answers after ${habit.after} s`;
    case 'declines':
      return `declines after ${habit.after} s`;
    case 'own voicemail':
      return `its own voicemail takes it after ${habit.after} s`;
    case 'busy':
      return 'is busy';
    case 'not in service':
      return 'is not in service';
  }
}
