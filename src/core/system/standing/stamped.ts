/** Settings that hold at once, with who made them, when and where. */
import { z } from 'zod';

/** `at` is bench time in epoch milliseconds; `by` names somebody and the place, "Rosa Delgado, on this phone". */
export const stamped = <T extends z.ZodType>(value: T) =>
  z.object({ value, at: z.number(), by: z.string().max(80) });

/** A switch that may turn itself off. */
export const StampedSwitch = stamped(z.boolean()).extend({
  /** Moment from which it no longer holds, epoch milliseconds; absent or null is until it is switched off. */
  until: z.number().nullable().optional(),
});

/** Words that may end by themselves. */
export const StampedWord = stamped(z.string().max(60)).extend({
  until: z.number().nullable().optional(),
});

export interface Stamp {
  at: number;
  by: string;
}
export type StampedSwitch = z.infer<typeof StampedSwitch>;
export type StampedWord = z.infer<typeof StampedWord>;

/** What somebody says of themselves at a moment; empty is nothing. */
export const wordOf = (set: StampedWord | undefined, now: number): string =>
  set && (set.until == null || now < set.until) ? set.value : '';

/** Whether a switch is on at a moment. */
export const isOn = (set: StampedSwitch | undefined, now: number): boolean =>
  set !== undefined && set.value && (set.until == null || now < set.until);

/** Of two settings the later one holds; of two of the same moment the one that comes last. */
export const isNewer = (stamp: { at: number }, known: { at: number } | undefined): boolean =>
  known === undefined || stamp.at >= known.at;
