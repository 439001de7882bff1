/** What do callers want? */
import { group } from 'd3-array';
import { known } from '../../story';
import type { Judged } from '../judged';
import { isOffered } from './how-many';
import { cell, counted, countFigure, type Asked, type Report, type TableRow } from './report';
import { namedSteps } from './steps';
import { shareOf } from '../figures';

/** More answers to a question are not shown. */
const MOST_ANSWERS = 40;

export function wants({ calls, system, bins }: Asked): Report {
  const offered = calls.filter(isOffered);
  const names = new Map(namedSteps(system).map(({ step, name }) => [step.id, name]));
  const table = (
    title: string,
    of: string,
    all: readonly { name: string; call: Judged }[],
    none: string,
  ): Report['tables'][number] => {
    const rows = [...group(all, (a) => a.name)]
      .map(([name, own]): TableRow => {
        const distinct = [...new Set(own.map((o) => o.call))];
        return {
          name,
          cells: [
            counted(bins, `${of} ${name}`, distinct),
            cell(shareOf(distinct.length, offered.length), 'share'),
          ],
        };
      })
      .sort((a, b) => b.cells[0]!.value! - a.cells[0]!.value!);
    return {
      title,
      of,
      heads: ['calls', 'of those offered'],
      rows: rows.slice(0, MOST_ANSWERS),
      more: Math.max(0, rows.length - MOST_ANSWERS),
      none,
    };
  };
  const keys = table(
    'Keys they pressed',
    'key',
    offered.flatMap((call) =>
      call.course.keys.map(([stepId, key]) => ({
        name: `${names.get(stepId) ?? 'a menu that is no longer there'}, key ${key}`,
        call,
      })),
    ),
    'Nobody pressed a key of a menu.',
  );
  const { contacts } = known(system);
  const lists = offered.flatMap((call) => {
    const contact = call.row.facts.other ? contacts.get(call.row.facts.other) : undefined;
    return (contact?.listIds ?? []).map((id) => ({ name: system.lists[id]?.name ?? 'a list', call }));
  });
  return {
    id: 'wants',
    figures: [countFigure(bins, 'offered', offered)],
    chart: {
      title: 'Keys they pressed',
      kind: 'bars',
      stacked: false,
      unit: 'calls',
      labels: keys.rows.map((r) => r.name),
      series: [
        {
          name: 'calls',
          values: keys.rows.map((r) => r.cells[0]!.value),
          keys: keys.rows.map((r) => r.cells[0]!.key),
        },
      ],
    },
    week: null,
    tables: [
      keys,
      table(
        'What they answered to questions',
        'answer',
        offered.flatMap((call) =>
          call.course.noted.map(([label, text]) => ({ name: `${label}: ${text.slice(0, 80)}`, call })),
        ),
        'No plan asked anybody anything.',
      ),
      table('Lists they are on', 'list', lists, 'No caller is on a list.'),
    ],
    left: [],
  };
}
