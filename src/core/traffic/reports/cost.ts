/** What does it cost? */
import { group } from 'd3-array';
import { rateOf } from '../../calls';
import { classOf, countryName, writeNumber } from '../../numbering';
import type { Row } from '../../story';
import { figure, cell, type Asked, type Report, type TableRow } from './report';

interface Paid {
  row: Row;
  minutes: number;
  cents: number;
  /** Where it went. */
  place: string;
  number: string;
  personId: string | null;
}

export function cost({ calls, others, system, rates, bins }: Asked): Report {
  const home = system.business.country;
  const paid = [...calls.map((c) => c.row), ...others].flatMap((row): Paid[] =>
    (row.facts.course?.paid ?? []).map(([number, seconds]) => {
      const { kind, country } = classOf(number, home);
      const minutes = Math.ceil(seconds / 60);
      const phone = row.facts.way === 'in' ? undefined : system.phones[row.facts.phones[0] ?? ''];
      return {
        row,
        number,
        minutes,
        cents: minutes * rateOf(rates, number, home),
        place: kind === 'premium' ? 'premium numbers' : country ? countryName(country) : 'another country',
        personId: phone?.personId ?? null,
      };
    }),
  );
  const table = (title: string, of: string, by: (p: Paid) => string): Report['tables'][number] => ({
    title,
    of,
    heads: ['calls', 'minutes paid', 'cost'],
    rows: [...group(paid, by)]
      .map(([name, own]): TableRow => ({
        name,
        cells: [
          cell(
            own.length,
            'calls',
            bins.of(
              `${of} ${name}`,
              own.map((p) => p.row),
            ),
          ),
          cell(
            own.reduce((sum, p) => sum + p.minutes, 0),
            'minutes',
          ),
          cell(
            own.reduce((sum, p) => sum + p.cents, 0),
            'cents',
          ),
        ],
      }))
      .sort((a, b) => b.cells[2]!.value! - a.cells[2]!.value! || b.cells[0]!.value! - a.cells[0]!.value!),
    none: 'No call out was paid for in this span.',
  });
  const people = table('By person', 'person', (p) =>
    p.personId ? (system.people[p.personId]?.name ?? 'somebody who is no longer there') : 'led out by a plan',
  );
  const key = bins.of(
    'paid',
    paid.map((p) => p.row),
  );
  return {
    id: 'cost',
    figures: [
      figure(
        'cost',
        paid.reduce((sum, p) => sum + p.cents, 0),
        key,
      ),
      figure(
        'minutes paid',
        paid.reduce((sum, p) => sum + p.minutes, 0),
        key,
      ),
    ],
    chart: {
      title: 'Minutes paid by person',
      kind: 'bars',
      stacked: false,
      unit: 'minutes',
      labels: people.rows.map((r) => r.name),
      series: [
        {
          name: 'minutes paid',
          values: people.rows.map((r) => r.cells[1]!.value),
          keys: people.rows.map((r) => r.cells[0]!.key),
        },
      ],
    },
    week: null,
    tables: [
      people,
      table('By where to', 'place', (p) => p.place),
      table('By number called', 'number', (p) => writeNumber(p.number, home)),
    ],
    left: ['Rents of numbers and people, texts and faxes are not in it: they stand on the page of costs.'],
  };
}
