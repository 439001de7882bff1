/** How long do callers wait? */
import { group } from 'd3-array';
import { writeTime } from '../../hours';
import { inTimeOf, quantile, shareOf, tally } from '../figures';
import { isOffered } from './how-many';
import { cell, counted, countFigure, figure, type Asked, type Report } from './report';

/** Where one bar ends and the next begins, in seconds. */
const EDGES = [0, 5, 10, 20, 30, 60, 120, 300] as const;
const barOf = (seconds: number): number => EDGES.findLastIndex((edge) => seconds >= edge);
const barName = (i: number): string =>
  i === EDGES.length - 1 ? `${EDGES[i]} s and more` : `${EDGES[i]} to ${EDGES[i + 1]} s`;

export function waits({ calls, rules, bins }: Asked): Report {
  const offered = calls.filter(isOffered);
  const answered = offered.filter((c) => c.wait !== null);
  const gaveUp = offered.filter((c) => c.became === 'gave up' || c.became === 'gave up at once');
  const times = answered.map((c) => c.wait!);
  const rows = answered.map((c) => c.row);
  const key = bins.of('answered', rows);
  const inTime = answered.filter((c) => c.wait! <= rules.within);
  const longest = answered.length ? answered.reduce((a, b) => (b.wait! > a.wait! ? b : a)) : null;
  const byBar = group(answered, (c) => barOf(c.wait!));
  const gaveByBar = group(gaveUp, (c) => barOf((c.course.gaveUp! - c.course.rings!) / 1000));
  const bars = EDGES.map((_, i) => i);
  const byHour = [...group(offered, (c) => c.hour)].sort(([a], [b]) => a - b);
  return {
    id: 'waits',
    figures: [
      figure(
        'answered in time',
        inTimeOf(tally(offered, rules), rules),
        bins.of(
          'in time',
          inTime.map((c) => c.row),
        ),
      ),
      figure('usual answer', quantile(times, 0.5), key),
      figure('slow answer', quantile(times, 0.9), key),
      figure(
        'since arrival',
        quantile(
          answered.map((c) => c.course.answered! / 1000),
          0.5,
        ),
        key,
      ),
      figure('longest wait', longest?.wait ?? null, longest ? bins.of('longest', [longest.row]) : null),
      countFigure(
        bins,
        'gave up',
        gaveUp.filter((c) => c.became === 'gave up'),
      ),
    ],
    chart: {
      title: 'How long it rang and they waited',
      kind: 'bars',
      stacked: true,
      unit: 'calls',
      labels: bars.map(barName),
      series: [
        { name: 'answered', by: byBar },
        { name: 'gave up', by: gaveByBar },
      ].map(({ name, by }) => ({
        name,
        values: bars.map((i) => by.get(i)?.length ?? 0),
        keys: bars.map((i) =>
          bins.of(
            `${name} ${i}`,
            (by.get(i) ?? []).map((c) => c.row),
          ),
        ),
      })),
    },
    week: null,
    tables: [
      {
        title: 'By the hour they called',
        of: 'hour',
        heads: ['offered', 'answered in time', 'usual answer', 'slow answer', 'gave up'],
        rows: byHour.map(([hour, own]) => {
          const waited = own.flatMap((c) => c.wait ?? []);
          return {
            name: writeTime(hour * 60),
            cells: [
              counted(bins, `hour ${hour}`, own),
              cell(inTimeOf(tally(own, rules), rules), 'share'),
              cell(quantile(waited, 0.5), 'seconds'),
              cell(quantile(waited, 0.9), 'seconds'),
              counted(
                bins,
                `hour ${hour} gave up`,
                own.filter((c) => c.became === 'gave up'),
              ),
            ],
          };
        }),
        none: 'Nobody called in this span.',
      },
    ],
    left:
      shareOf(1, answered.length) === null && answered.length
        ? ['Fewer than 10 were answered: there are counts only.']
        : [],
  };
}
