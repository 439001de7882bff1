/** Which number, step of a plan and key of a menu earns its place? */
import { group } from 'd3-array';
import { writeNumber } from '../../numbering';
import { shareOf } from '../figures';
import type { Judged } from '../judged';
import { isMissed, isOffered } from './how-many';
import { cell, counted, countFigure, type Asked, type Report, type TableRow } from './report';
import { namedSteps } from './steps';

export function earnsItsPlace({ calls, system, bins }: Asked): Report {
  const offered = calls.filter(isOffered);
  const answered = (some: readonly Judged[]) => some.filter((c) => c.became === 'answered');
  const cells = (key: string, own: readonly Judged[]) => [
    counted(bins, `${key} came`, own),
    counted(bins, `${key} answered`, answered(own)),
    counted(
      bins,
      `${key} missed`,
      own.filter((c) => isOffered(c) && isMissed(c)),
    ),
    cell(
      shareOf(own.filter((c) => isOffered(c) && isMissed(c)).length, own.filter(isOffered).length),
      'share',
    ),
  ];
  const numbers = Object.values(system.numbers).map((number): TableRow => ({
    name: `${number.label || 'without a name'} ${writeNumber(number.e164, system.business.country)}`,
    cells: cells(
      `number ${number.id}`,
      calls.filter((c) => c.row.facts.numberId === number.id),
    ),
  }));
  const byStep = new Map<string, Judged[]>();
  for (const call of calls)
    for (const key of new Set(call.course.steps.map(([plan, step]) => `${plan} ${step}`))) {
      const own = byStep.get(key);
      if (own) own.push(call);
      else byStep.set(key, [call]);
    }
  const named = namedSteps(system);
  const steps = named.map(({ plan, step, name }): TableRow => {
    const key = `${plan.id} ${step.id}`;
    return { name, cells: cells(`step ${key}`, byStep.get(key) ?? []) };
  });
  const pressed = group(
    calls.flatMap((call) => call.course.keys.map(([stepId, key]) => ({ call, stepId, key }))),
    ({ stepId, key }) => `${stepId} ${key}`,
  );
  const keys = named.flatMap(({ step, name }) =>
    step.kind === 'menu'
      ? step.branches.map((branch): TableRow => {
          const key = `${step.id} ${branch.key}`;
          const own = [...new Set((pressed.get(key) ?? []).map((p) => p.call))];
          return { name: `${name}, key ${branch.key}`, cells: cells(`key ${key}`, own) };
        })
      : [],
  );
  const heads = ['calls', 'answered', 'missed', 'missed share'];
  // What nobody came by for long may as well go: it stands last, and stays in the list.
  const sorted = (rows: TableRow[]) => rows.sort((a, b) => b.cells[0]!.value! - a.cells[0]!.value!);
  return {
    id: 'earns its place',
    figures: [
      countFigure(bins, 'offered', offered),
      countFigure(bins, 'answered', answered(offered)),
      countFigure(bins, 'missed', offered.filter(isMissed)),
    ],
    chart: {
      title: 'Calls by number',
      kind: 'bars',
      stacked: true,
      unit: 'calls',
      labels: sorted(numbers).map((r) => r.name),
      series: [1, 2].map((i) => ({
        name: heads[i]!,
        values: numbers.map((r) => r.cells[i]!.value),
        keys: numbers.map((r) => r.cells[i]!.key),
      })),
    },
    week: null,
    tables: [
      { title: 'Numbers', of: 'number', heads, rows: numbers, none: 'There is no number yet.' },
      { title: 'Keys of menus', of: 'key', heads, rows: sorted(keys), none: 'No plan has a menu.' },
      {
        title: 'Steps of plans, as they are in force now',
        of: 'step',
        heads,
        rows: sorted(steps),
        none: 'There is no plan yet.',
      },
    ],
    left: [],
  };
}
