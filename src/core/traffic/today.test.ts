/** Today so far against what is usual by this time, by a plain loop over the same calls. */
import { expect, it } from 'vitest';
import { DEMO_ID, demonstration } from '../../../demo/lantern-cove';
import { pastOf } from '../../standins/past/past';
import { addDays, localTime, momentOf } from '../hours';
import { callRow, Log } from '../story';
import { judged, OFFERED, todayOf, USUAL_RULES } from '.';

const NOW = Date.UTC(2026, 10, 24, 20, 15);
const whole = demonstration(NOW);
const { system } = whole.draft;
const zone = system.business.timeZone;
const calls = pastOf(DEMO_ID, system, whole.standing.standing, NOW, 30).calls;
const log = new Log();
for (const call of calls) log.put(callRow(call));

it('counts what was offered until now, and the mean of the same weekdays until the same time', () => {
  const offered = (date: string, until: number) =>
    calls.filter((c) => {
      const is = judged(callRow(c), USUAL_RULES, zone);
      return is && OFFERED.includes(is.became) && c.at >= momentOf(zone, date, 0) && c.at <= until;
    }).length;
  const { date, minute } = localTime(zone, NOW);
  const today = todayOf(log, system, USUAL_RULES, NOW, null);
  expect(today.now.offered).toBe(offered(date, NOW));
  const before = [7, 14, 21, 28].map((back) => addDays(date, -back));
  expect(today.days).toBe(4);
  expect(today.usual!.offered).toBeCloseTo(
    before.reduce((sum, d) => sum + offered(d, momentOf(zone, d, minute)), 0) / 4,
    9,
  );
  expect(today.now.offered).toBe(today.now.answered + today.now.missed);
});

it('of a log without calls is nothing, held against nothing', () => {
  expect(todayOf(new Log(), system, USUAL_RULES, NOW, null)).toEqual({
    now: { offered: 0, answered: 0, missed: 0, gaveUp: 0, inTime: null },
    usual: null,
    days: 0,
  });
});
