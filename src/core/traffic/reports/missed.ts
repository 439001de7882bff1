/** Who was missed, and did we call back? */
import { group } from 'd3-array';
import { writeTime } from '../../hours';
import { writeNumber } from '../../numbering';
import { known } from '../../story';
import { quantile, shareOf } from '../figures';
import { MISSED, type Judged } from '../judged';
import { isMissed, isOffered } from './how-many';
import { cell, counted, countFigure, figure, type Asked, type Report } from './report';

const MINUTE_MS = 60_000;
/** More numbers are not shown. */
const MOST_NUMBERS = 50;

export function missed({ calls, bins, settledAt, system }: Asked): Report {
  const { contacts } = known(system);
  const nameOf = (number: string): string => {
    const written = writeNumber(number, system.business.country);
    const name = contacts.get(number)?.name;
    return name ? `${name} ${written}` : written;
  };
  const offered = calls.filter(isOffered);
  const all = offered.filter(isMissed);
  const reachable = all.filter((c) => c.row.facts.other !== null);
  const settled = reachable.flatMap((c) => {
    const at = settledAt(c.row);
    return at === undefined ? [] : [{ call: c, minutes: (at - c.row.at) / MINUTE_MS }];
  });
  const done = new Set(settled.map((s) => s.call));
  const open = reachable.filter((c) => !done.has(c));
  const hours = Array.from({ length: 24 }, (_, hour) => hour);
  const byHour = group(offered, (c) => c.hour);
  const ofHour = (hour: number, which: (c: Judged) => boolean) => (byHour.get(hour) ?? []).filter(which);
  const label = (hour: number) => writeTime(hour * 60);
  const lines = hours.map((hour) => ({
    name: label(hour),
    cells: [
      counted(bins, `hour ${hour} offered`, ofHour(hour, isOffered)),
      counted(bins, `hour ${hour} missed`, ofHour(hour, isMissed)),
      cell(shareOf(ofHour(hour, isMissed).length, ofHour(hour, isOffered).length), 'share'),
    ],
  }));
  const byNumber = [...group(open, (c) => c.row.facts.other!)].sort(
    ([, a], [, b]) => b.length - a.length || b[0]!.row.at - a[0]!.row.at,
  );
  const hidden = all.length - reachable.length;
  return {
    id: 'missed',
    figures: [
      countFigure(bins, 'missed', all),
      figure('missed share', shareOf(all.length, offered.length), 'missed'),
      figure(
        'called back',
        shareOf(done.size, reachable.length),
        bins.of(
          'called back',
          [...done].map((c) => c.row),
        ),
      ),
      countFigure(bins, 'not called back', open),
      figure(
        'time to call back',
        quantile(
          settled.map((s) => s.minutes),
          0.5,
        ),
        'called back',
      ),
    ],
    chart: {
      title: 'What became of those missed, by the hour they called',
      kind: 'bars',
      stacked: true,
      unit: 'calls',
      labels: hours.map(label),
      series: MISSED.map((became) => ({
        name: became,
        values: hours.map((hour) => ofHour(hour, (c) => c.became === became).length),
        keys: hours.map((hour) =>
          bins.of(
            `hour ${hour} ${became}`,
            ofHour(hour, (c) => c.became === became).map((c) => c.row),
          ),
        ),
      })),
    },
    week: null,
    tables: [
      {
        title: 'By the hour they called',
        of: 'hour',
        heads: ['offered', 'missed', 'missed share'],
        rows: lines.filter((l) => l.cells[0]!.value),
        none: 'Nobody called in this span.',
      },
      {
        title: 'Not called back, by number',
        of: 'number',
        heads: ['missed'],
        rows: byNumber
          .slice(0, MOST_NUMBERS)
          .map(([number, own]) => ({ name: nameOf(number), cells: [counted(bins, `open ${number}`, own)] })),
        more: Math.max(0, byNumber.length - MOST_NUMBERS),
        none: 'Everybody whose number is known was called back.',
      },
    ],
    left: hidden
      ? [
          `${hidden} missed with a hidden number: nobody can call them back, and they are left out of "called back".`,
        ]
      : [],
  };
}
