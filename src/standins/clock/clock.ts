/** The bench clock: real time, or set to any moment and running on from there. The whole product goes by it. */
import { z } from 'zod';

export const ClockSetting = z.discriminatedUnion('mode', [
  z.object({ mode: z.literal('real') }),
  /** `benchAt` was shown when real time was `realAt`; epoch milliseconds. */
  z.object({
    mode: z.literal('set'),
    benchAt: z.number(),
    realAt: z.number(),
    /** How many times as fast as real time it runs on; absent is as fast. */
    speed: z.number().min(1).max(100).optional(),
  }),
]);
export type ClockSetting = z.infer<typeof ClockSetting>;
type SetClock = Extract<ClockSetting, { mode: 'set' }>;

/** Where the time comes from. A test or a server can give its own. */
export interface Clock {
  /** Epoch milliseconds. */
  now(): number;
}

/** What the bench clock shows at a moment of real time. */
export const benchTime = (setting: ClockSetting, real: number): number =>
  setting.mode === 'real' ? real : setting.benchAt + (real - setting.realAt) * speedOf(setting);

/** How many times as fast as real time the bench clock runs. */
export const speedOf = (setting: ClockSetting): number => (setting.mode === 'set' ? (setting.speed ?? 1) : 1);

/** The same time, from now on at another speed. @param real the present moment, epoch milliseconds */
export const atSpeed = (setting: ClockSetting, speed: number, real: number): SetClock => ({
  mode: 'set',
  benchAt: benchTime(setting, real),
  realAt: real,
  ...(speed === 1 ? {} : { speed }),
});
