import { isHoliday, periodAt } from '../../../hours';
import type { HoursStep } from '../../../system';
import type { Walk } from './kind';

export const hours: Walk<HoursStep> = (run, call, { step, branches, otherwise }) => {
  const { hoursId } = step;
  const { system } = run.world(call);
  const zone = system.business.timeZone;
  const set = hoursId ? system.hours[hoursId] : undefined;
  const override = hoursId ? run.standing.overrides[hoursId]?.value : undefined;
  const period = set ? periodAt(set, zone, run.now, override) : null;
  const holiday = set !== undefined && isHoliday(set, zone, run.now, override);
  run.say(call, { t: 0, kind: 'hours', hoursId, period, ...(holiday ? { holiday: true as const } : {}) });
  const i = period === null ? -1 : step.branches.findIndex((b) => b.period === period);
  return i < 0 ? otherwise : branches[i]!;
};
