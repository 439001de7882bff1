/** How many calls, and when? */
import { group } from 'd3-array';
import { OFFERED, type Became, type Judged } from '../judged';
import { grainOf, HOURS_A_WEEK, hoursThatWere, partOf, partsOf } from '../span';
import { trendInWords } from '../trend';
import { counted, countFigure, type Asked, type Report } from './report';

const FIGURES: readonly Became[] = [
  'gave up',
  'gave up at once',
  'left before',
  'to voicemail',
  'ended by the plan',
  'closed',
  'unwanted',
];
const isOffered = ({ became }: Judged): boolean => OFFERED.includes(became);
const isMissed = (call: Judged): boolean => isOffered(call) && call.became !== 'answered';

export function howMany({ calls, span, zone, now, bins }: Asked): Report {
  const offered = calls.filter(isOffered);
  const answered = offered.filter((c) => c.became === 'answered');
  const missed = offered.filter(isMissed);
  const grain = grainOf(span);
  const parts = partsOf(span, grain, zone);
  const byPart = group(calls, (c) => partOf(c.row.at, grain, zone));
  const rows = parts.map((part) => {
    const own = byPart.get(part) ?? [];
    const cells = [
      counted(bins, `${part} offered`, own.filter(isOffered)),
      counted(
        bins,
        `${part} answered`,
        own.filter((c) => c.became === 'answered'),
      ),
      counted(bins, `${part} missed`, own.filter(isMissed)),
      counted(
        bins,
        `${part} closed`,
        own.filter((c) => c.became === 'closed'),
      ),
    ];
    return { name: part, cells };
  });
  const series = (name: string, i: number) => ({
    name,
    values: rows.map((r) => r.cells[i]!.value),
    keys: rows.map((r) => r.cells[i]!.key),
  });
  // An average of an hour is over the hours of it that existed.
  const existed = hoursThatWere(span, zone);
  const byHour = group(offered, (c) => (c.weekday - 1) * 24 + c.hour);
  const hours = Array.from({ length: HOURS_A_WEEK }, (_, hour) => byHour.get(hour) ?? []);
  return {
    id: 'how many',
    figures: [
      countFigure(bins, 'offered', offered),
      countFigure(bins, 'answered', answered),
      countFigure(bins, 'missed', missed),
      ...FIGURES.map((became) =>
        countFigure(
          bins,
          became as Exclude<Became, 'answered'>,
          calls.filter((c) => c.became === became),
        ),
      ),
    ],
    chart: {
      title: `Calls by ${grain}`,
      kind: 'lines',
      stacked: false,
      unit: 'calls',
      labels: parts,
      series: [series('offered', 0), series('answered', 1), series('missed', 2)],
    },
    week: {
      title: 'Calls offered in an hour of the week, on average',
      unit: 'a week',
      values: hours.map((own, hour) => (existed[hour]! > 0 ? own.length / existed[hour]! : null)),
      keys: hours.map((own, hour) =>
        bins.of(
          `hour ${hour}`,
          own.map((c) => c.row),
        ),
      ),
    },
    tables: [
      {
        title: `By ${grain}`,
        of: grain,
        heads: ['offered', 'answered', 'missed', 'closed'],
        rows,
        none: 'The span has no part.',
      },
    ],
    says: [trendInWords(offered, span, zone, now) ?? []].flat(),
    left: [],
  };
}
export { isMissed, isOffered };
