/** When are we too few? */
import { group } from 'd3-array';
import { DAY_NAMES, writeTime } from '../../hours';
import { ENOUGH, shareOf } from '../figures';
import { HOURS_A_WEEK, hoursThatWere } from '../span';
import { isMissed, isOffered } from './how-many';
import { cell, counted, countFigure, figure, type Asked, type Report } from './report';

const MOST_HOURS = 12;

export const hourName = (hour: number): string =>
  `${DAY_NAMES[Math.floor(hour / 24)]!} ${writeTime((hour % 24) * 60)}`;

export function tooFew({ calls, span, zone, bins }: Asked): Report {
  const offered = calls.filter(isOffered);
  const existed = hoursThatWere(span, zone);
  const byHour = group(offered, (c) => (c.weekday - 1) * 24 + c.hour);
  const hours = Array.from({ length: HOURS_A_WEEK }, (_, hour) => {
    const own = byHour.get(hour) ?? [];
    const lost = own.filter(isMissed);
    return { hour, own, lost, share: shareOf(lost.length, own.length) };
  });
  // Those in which most are missed over what is usual, and not those in which few call.
  const usual = offered.length ? offered.filter(isMissed).length / offered.length : 0;
  const worst = hours
    .filter((h) => h.share !== null && h.share > usual)
    .sort((a, b) => b.lost.length - usual * b.own.length - (a.lost.length - usual * a.own.length))
    .slice(0, MOST_HOURS);
  const thin = hours.filter((h) => h.own.length > 0 && h.own.length < ENOUGH).length;
  return {
    id: 'too few',
    figures: [
      countFigure(bins, 'missed', offered.filter(isMissed)),
      figure('missed share', shareOf(offered.filter(isMissed).length, offered.length), 'missed'),
    ],
    chart: null,
    week: {
      title: 'Missed of those offered, by the hour of the week',
      unit: 'share',
      values: hours.map((h) => h.share),
      keys: hours.map((h) =>
        bins.of(
          `hour ${h.hour}`,
          h.lost.map((c) => c.row),
        ),
      ),
    },
    tables: [
      {
        title: 'Hours in which more are missed than usual, the dearest first',
        of: 'hour of the week',
        heads: ['offered', 'missed', 'missed share', 'offered a week'],
        rows: worst.map(({ hour, own, lost, share }) => ({
          name: hourName(hour),
          cells: [
            counted(bins, `worst ${hour} offered`, own),
            counted(bins, `worst ${hour} missed`, lost),
            cell(share, 'share'),
            cell(existed[hour]! > 0 ? own.length / existed[hour]! : null, 'a week'),
          ],
        })),
        none: 'No hour of the week stands out.',
      },
    ],
    left: thin
      ? [
          `${thin} hours of the week with fewer than ${ENOUGH} calls are left blank: a share of so few says nothing.`,
        ]
      : [],
  };
}
