/** Who answers, who talks how long? */
import type { Row, TalkPart } from '../../story';
import { quantile, shareOf } from '../figures';
import type { Judged } from '../judged';
import { momentsOf } from '../span';
import { commonTo, lengthOfAll, united, worksIn, type Interval } from '../working';
import { cell, counted, countFigure, figure, type Asked, type Report } from './report';

const HOUR_MS = 3_600_000;
const AGAIN_DAYS = 7;
const DAY_MS = 86_400_000;

const secondsOf = (times: readonly Interval[]): number[] => times.map(([from, to]) => (to - from) / 1000);

export function who(asked: Asked): Report {
  const { calls, others, span, zone, system, bins, callsAgain, now } = asked;
  const answered = calls.filter((c) => c.became === 'answered');
  const out = others.filter((row) => row.facts.way === 'out' && row.facts.talked);
  const personOf = ([phone, personId]: TalkPart) => personId ?? system.phones[phone]?.personId ?? null;
  const cut = momentsOf(span, zone);
  /** Of each person, the calls they talked in and when, cut to the span. */
  const talksIn = (rows: readonly Row[]) => {
    const by = new Map<string, { rows: Row[]; times: Interval[] }>();
    for (const row of rows)
      for (const part of row.facts.course?.talks ?? []) {
        const id = personOf(part);
        if (!id) continue;
        let own = by.get(id);
        if (!own) by.set(id, (own = { rows: [], times: [] }));
        // Somebody may be in a talk several times.
        if (own.rows.at(-1) !== row) own.rows.push(row);
        own.times.push([Math.max(cut[0], row.at + part[2]), Math.min(cut[1], row.at + part[3])]);
      }
    return by;
  };
  const inRows = answered.map((c) => c.row);
  const [incoming, outgoing] = [talksIn(inRows), talksIn(out)];
  const rang = new Map<string, Judged[]>();
  for (const call of calls)
    for (const id of call.course.rings === null ? [] : call.row.facts.rungIds)
      if (call.became !== 'answered' || !call.course.talks.some((part) => personOf(part) === id)) {
        const own = rang.get(id);
        if (own) own.push(call);
        else rang.set(id, [call]);
      }
  const none = { rows: [] as Row[], times: [] as Interval[] };
  // Somebody who is no longer there keeps their calls.
  const ids = new Set([...Object.keys(system.people), ...incoming.keys(), ...outgoing.keys()]);
  const rows = [...ids].flatMap((id) => {
    const person = system.people[id];
    const own = incoming.get(id) ?? none;
    const placed = outgoing.get(id) ?? none;
    const rung = rang.get(id) ?? [];
    if (!own.rows.length && !placed.rows.length && !rung.length) return [];
    const works = person ? worksIn(person, system, span) : null;
    const working = works ? lengthOfAll(works) : 0;
    const busy =
      works && working > 0
        ? commonTo(united([...own.times, ...placed.times]), united(works)) / working
        : null;
    return [
      {
        name: person?.name ?? 'somebody who is no longer there',
        sort: own.rows.length,
        cells: [
          cell(own.rows.length, 'calls', bins.of(`${id} answered`, own.rows)),
          cell(lengthOfAll(own.times) / HOUR_MS, 'hours', bins.of(`${id} talks`, own.rows)),
          cell(quantile(secondsOf(own.times), 0.5), 'seconds'),
          counted(bins, `${id} let ring`, rung),
          cell(placed.rows.length, 'calls', bins.of(`${id} outgoing`, placed.rows)),
          cell(lengthOfAll(placed.times) / HOUR_MS, 'hours'),
          cell(busy, 'share'),
        ],
      },
    ];
  });
  rows.sort((a, b) => b.sort - a.sort || a.name.localeCompare(b.name));
  const young = answered.filter((c) => c.row.at > now - AGAIN_DAYS * DAY_MS);
  const old = answered.filter((c) => c.row.at <= now - AGAIN_DAYS * DAY_MS);
  const known = old.filter((c) => c.row.facts.other !== null);
  const once = known.filter((c) => !callsAgain(c.row, AGAIN_DAYS));
  const all = (by: typeof incoming) => [...by.values()].flatMap((own) => own.times);
  const talks = all(incoming);
  return {
    id: 'who',
    figures: [
      countFigure(bins, 'answered', answered),
      figure('talk time', lengthOfAll(talks) / HOUR_MS, 'answered'),
      figure('usual talk', quantile(secondsOf(talks), 0.5), 'answered'),
      figure('outgoing', out.length, bins.of('outgoing', out)),
      figure('outgoing talk', lengthOfAll(all(outgoing)) / HOUR_MS, 'outgoing'),
      figure(
        'settled at once',
        shareOf(once.length, known.length),
        bins.of(
          'settled at once',
          once.map((c) => c.row),
        ),
      ),
    ],
    chart: {
      title: 'Talk by person',
      kind: 'bars',
      stacked: true,
      unit: 'hours',
      labels: rows.map((r) => r.name),
      series: [
        {
          name: 'with callers',
          values: rows.map((r) => r.cells[1]!.value),
          keys: rows.map((r) => r.cells[1]!.key),
        },
        {
          name: 'outgoing',
          values: rows.map((r) => r.cells[5]!.value),
          keys: rows.map((r) => r.cells[4]!.key),
        },
      ],
    },
    week: null,
    tables: [
      {
        title: 'By person',
        of: 'person',
        heads: ['answered', 'talk time', 'usual talk', 'let ring', 'outgoing', 'outgoing talk', 'busy'],
        rows: rows.map(({ name, cells }) => ({ name, cells })),
        none: 'Nobody answered or called in this span.',
      },
    ],
    left: [
      ...(young.length
        ? [`${young.length} answered in the last 7 days may still call again: left out of "settled at once".`]
        : []),
      ...(old.length > known.length
        ? [`${old.length - known.length} with a hidden number are left out of "settled at once".`]
        : []),
    ],
  };
}
