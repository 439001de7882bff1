/** Appointments and tasks as calendar files, read by two readers that nobody here wrote. */
import ical from 'node-ical';
import { convertIcsCalendar } from 'ts-ics';
import { expect, it } from 'vitest';
import { writeAppointment, writeTasks } from '.';

const ZONE = 'America/Los_Angeles';
const NAME = 'The slipway; "Lantern", Cove\r\nBEGIN:VALARM';

it.each([
  ['an ordinary day', Date.UTC(2026, 10, 25, 16, 0)],
  // Both half past ones of 1 November 2026 (Energy Policy Act of 2005): what is written may not move by an hour.
  ['the night the clocks go back', Date.UTC(2026, 10, 1, 8, 30)],
])('an appointment on %s is the same for both', (_, from) => {
  const to = from + 3_600_000;
  const file = writeAppointment(
    { id: 'b-1', name: NAME, note: 'Write OFF 12345\nor MOVE 12345', from, to },
    ZONE,
    from,
  );
  const one = Object.values(ical.sync.parseICS(file)).find((e) => e?.type === 'VEVENT') as ical.VEvent;
  expect([one.start.getTime(), one.end!.getTime()]).toEqual([from, to]);
  expect(one.summary).toBe('The slipway; "Lantern", Cove BEGIN:VALARM');
  expect(one.description).toBe('Write OFF 12345\nor MOVE 12345');
  const other = convertIcsCalendar(undefined, file).events![0]!;
  expect(other.start.date.getTime()).toBe(from);
  expect(other.uid).toBe('b-1@upperline.example');
  expect(other.alarms ?? []).toEqual([]);
});

it('tasks are to-dos, done and not done, with their day', () => {
  const at = Date.UTC(2026, 10, 24, 18, 15);
  const file = writeTasks(
    [
      { id: 't-1', text: 'Call back Ada, please', note: '(206) 555-0101', at, by: '2026-11-25' },
      { id: 't-2', text: 'Done', note: '', at, by: null, doneAt: at + 60_000 },
    ],
    at,
  );
  const read = Object.values(ical.sync.parseICS(file)) as unknown as Record<string, unknown>[];
  const todos = read.filter((e) => e['type'] === 'VTODO');
  expect(todos.map((t) => [t['summary'], t['status']])).toEqual([
    ['Call back Ada, please', 'NEEDS-ACTION'],
    ['Done', 'COMPLETED'],
  ]);
  expect(file).toContain('DUE;VALUE=DATE:20261125');
  const other = convertIcsCalendar(undefined, file).todos!;
  expect(other.map((t) => t.uid)).toEqual(['t-1@upperline.example', 't-2@upperline.example']);
  expect(other[1]!.completed?.date.getTime()).toBe(at + 60_000);
});
