/** Calendars in and out: against the examples of RFC 5545, the ical.js library, and the rrule library. */
import ICAL from 'ical.js';
import { rrulestr } from 'rrule';
import { describe, expect, it } from 'vitest';
import { calendarOf, dayNumber, localTime, momentOf, shiftsOf } from '../../hours';
import { newRota, type Hours } from '../../system';
import { readCalendar, writeHours, writeRota } from '.';

const NY = 'America/New_York';
const LA = 'America/Los_Angeles';
const calendar = (...lines: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//test//EN', ...lines, 'END:VCALENDAR', ''].join('\r\n');
const event = (...lines: string[]) => [
  'BEGIN:VEVENT',
  'UID:1@test',
  'DTSTAMP:19970901T130000Z',
  'SUMMARY:Turn',
  ...lines,
  'END:VEVENT',
];
const starts = (text: string, from = '1997-01-01', to = '2001-01-01') => {
  const read = readCalendar(text, NY, from, to);
  if (!read.ok) throw new Error(read.message);
  return read.events.map((e) => e.times?.from ?? e.days!.from);
};
const dates = (year: number, list: string) =>
  list.split(/;\s*/).flatMap((part) => {
    const [month, days] = part.split(' ') as [string, string];
    const m = String(
      ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'].indexOf(month) + 1,
    ).padStart(2, '0');
    return days.split(',').map((d) => `${year}-${m}-${d.padStart(2, '0')}T09:00`);
  });

// RFC 5545 §3.8.5.3: the examples there with the dates they give, all with DTSTART in New York at 9:00.
describe('repeats as RFC 5545 has them', () => {
  it.each([
    ['daily for 10 occurrences', '19970902', 'FREQ=DAILY;COUNT=10', dates(1997, 'Sep 2,3,4,5,6,7,8,9,10,11')],
    [
      'weekly for 10 occurrences',
      '19970902',
      'FREQ=WEEKLY;COUNT=10',
      dates(1997, 'Sep 2,9,16,23,30; Oct 7,14,21,28; Nov 4'),
    ],
    [
      'every other week on Monday, Wednesday and Friday until Christmas Eve',
      '19970901',
      'FREQ=WEEKLY;INTERVAL=2;UNTIL=19971224T000000Z;WKST=SU;BYDAY=MO,WE,FR',
      dates(1997, 'Sep 1,3,5,15,17,19,29; Oct 1,3,13,15,17,27,29,31; Nov 10,12,14,24,26,28; Dec 8,10,12,22'),
    ],
    [
      'monthly on the first Friday for 10 occurrences',
      '19970905',
      'FREQ=MONTHLY;COUNT=10;BYDAY=1FR',
      [
        ...dates(1997, 'Sep 5; Oct 3; Nov 7; Dec 5'),
        ...dates(1998, 'Jan 2; Feb 6; Mar 6; Apr 3; May 1; Jun 5'),
      ],
    ],
    [
      'monthly on the second-to-last Monday for 6 months',
      '19970922',
      'FREQ=MONTHLY;COUNT=6;BYDAY=-2MO',
      [...dates(1997, 'Sep 22; Oct 20; Nov 17; Dec 22'), ...dates(1998, 'Jan 19; Feb 16')],
    ],
    [
      'yearly in June and July for 10 occurrences',
      '19970610',
      'FREQ=YEARLY;COUNT=10;BYMONTH=6,7',
      [1997, 1998, 1999, 2000].flatMap((y) => dates(y, 'Jun 10; Jul 10')),
    ],
    [
      'the third day of the month that is a Tuesday, Wednesday or Thursday',
      '19970904',
      'FREQ=MONTHLY;COUNT=3;BYDAY=TU,WE,TH;BYSETPOS=3',
      dates(1997, 'Sep 4; Oct 7; Nov 6'),
    ],
  ])('%s', (_, start, rule, expected) => {
    const text = calendar(
      ...event(`DTSTART;TZID=${NY}:${start}T090000`, `DTEND;TZID=${NY}:${start}T100000`, `RRULE:${rule}`),
    );
    expect(starts(text)).toEqual(expected.filter((d) => d < '2001-01-02'));
  });
  it('every Friday the 13th, without the day it starts on', () => {
    const text = calendar(
      ...event(
        `DTSTART;TZID=${NY}:19970902T090000`,
        `DTEND;TZID=${NY}:19970902T100000`,
        `EXDATE;TZID=${NY}:19970902T090000`,
        'RRULE:FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13',
      ),
    );
    expect(starts(text)).toEqual([
      ...dates(1998, 'Feb 13; Mar 13; Nov 13'),
      ...dates(1999, 'Aug 13'),
      ...dates(2000, 'Oct 13'),
    ]);
  });
});

describe('reading', () => {
  it('takes whole days up to the one before their end, and other zones over', () => {
    const text = calendar(
      ...event('DTSTART;VALUE=DATE:19971224', 'DTEND;VALUE=DATE:19971227'),
      ...event('DTSTART:19971001T130000Z', 'DTEND:19971001T140000Z'),
      ...event(`DTSTART;TZID=${LA}:19971002T090000`, `DTEND;TZID=${LA}:19971002T100000`),
    );
    const read = readCalendar(text, NY, '1997-01-01', '1998-01-01');
    expect(read.ok && read.events.map((e) => e.days ?? e.times)).toEqual([
      { from: '1997-10-01T09:00', to: '1997-10-01T10:00' },
      { from: '1997-10-02T12:00', to: '1997-10-02T13:00' },
      { from: '1997-12-24', to: '1997-12-26' },
    ]);
  });
  it('says what is wrong, and of unknown zones and endless repeats what it made of them', () => {
    expect(readCalendar('BEGIN:VCARD\r\nEND:VCARD\r\n', NY, '1997-01-01', '1998-01-01')).toMatchObject({
      ok: false,
    });
    expect(readCalendar('once upon a time', NY, '1997-01-01', '1998-01-01')).toMatchObject({ ok: false });
    const odd = calendar(
      ...event('DTSTART;TZID=Lantern/Cove:19971001T090000', 'DTEND;TZID=Lantern/Cove:19971001T100000'),
    );
    const read = readCalendar(odd, NY, '1997-01-01', '1998-01-01');
    expect(read).toMatchObject({ ok: true, notes: [expect.stringContaining('Lantern/Cove')] });
    expect(read.ok && read.events[0]!.times!.from).toBe('1997-10-01T09:00');
    const endless = calendar(
      ...event('DTSTART:19700101T000000Z', 'DTEND:19700101T000100Z', 'RRULE:FREQ=SECONDLY;COUNT=1000000'),
    );
    const cut = readCalendar(endless, NY, '2027-01-01', '2028-01-01');
    expect(cut).toMatchObject({ ok: true, events: [], notes: [expect.stringContaining('too often')] });
    const none = calendar('BEGIN:VEVENT', 'UID:2', 'SUMMARY:No start', 'END:VEVENT');
    expect(readCalendar(none, NY, '1997-01-01', '1998-01-01')).toMatchObject({
      ok: true,
      events: [],
      notes: [expect.stringContaining('no start')],
    });
  });
});

const office: Hours = {
  id: 'office',
  name: 'Office hours',
  timeZone: null,
  weekly: [1, 2, 3, 4, 5].flatMap((day) => [
    { day, from: 480, to: 720, kind: 'Open' },
    { day, from: 720, to: 780, kind: 'Lunch' },
  ]),
  exceptions: [
    { id: 'x', name: 'Day off', when: { on: 'dates', dates: ['2027-03-15'] }, times: [], holiday: null },
    {
      id: 'y',
      name: 'Short',
      when: { on: 'dates', dates: ['2027-03-16'] },
      times: [{ day: null, from: 600, to: 660, kind: 'Open' }],
      holiday: null,
    },
  ],
};

describe('hours as a calendar', () => {
  const text = writeHours(office, { zone: LA, now: 0 }, '2027-03-08', 42);
  it('mean the same to ical.js, over the change of the clocks', () => {
    const root = new ICAL.Component(ICAL.parse(text) as unknown as unknown[]);
    const zone = new ICAL.Timezone(root.getFirstSubcomponent('vtimezone')!);
    const found: string[] = [];
    for (const component of root.getAllSubcomponents('vevent')) {
      const e = new ICAL.Event(component);
      if (e.startDate.isDate) continue;
      const steps = e.iterator();
      for (let next = steps.next() as ICAL.Time | null; next; next = steps.next() as ICAL.Time | null) {
        const { startDate, endDate } = e.getOccurrenceDetails(next);
        if (startDate.year * 100 + startDate.month > 202703) break;
        startDate.zone = endDate.zone = zone;
        found.push(`${startDate.toUnixTime()} ${endDate.toUnixTime()}`);
        if (!e.isRecurring()) break;
      }
    }
    const expected: string[] = [];
    for (let d = dayNumber('2027-03-08'); d <= dayNumber('2027-03-31'); d++)
      for (const s of calendarOf(office).on(d).spans) {
        const date = new Date(d * 86_400_000).toISOString().slice(0, 10);
        expected.push(`${momentOf(LA, date, s.from) / 1000} ${momentOf(LA, date, s.to) / 1000}`);
      }
    expect(found.sort()).toEqual(expected.sort());
  });
  it('repeat as the rrule library repeats them', () => {
    const unfolded = text.replace(/\r\n /g, '');
    const rule = /SUMMARY:Open\r\n[\s\S]*?RRULE:(.*)\r\n/.exec(unfolded)![1]!;
    const all = rrulestr(`DTSTART:20270308T080000Z\nRRULE:${rule}`).between(
      new Date('2027-03-08T00:00:00Z'),
      new Date('2027-03-22T00:00:00Z'),
      true,
    );
    expect(all.map((d) => d.toISOString().slice(8, 10))).toEqual([
      '08',
      '09',
      '10',
      '11',
      '12',
      '15',
      '16',
      '17',
      '18',
      '19',
    ]);
  });
  it('are read back as they were written, days off as days off', () => {
    const read = readCalendar(text, LA, '2027-03-14', '2027-03-20');
    if (!read.ok) throw new Error(read.message);
    expect(read.events.filter((e) => e.days)).toEqual([
      { name: 'Day off', days: { from: '2027-03-15', to: '2027-03-15' }, times: null },
    ]);
    expect(read.events.filter((e) => e.times?.from.startsWith('2027-03-16')).map((e) => e.times)).toEqual([
      { from: '2027-03-16T10:00', to: '2027-03-16T11:00' },
    ]);
    expect(read.events.some((e) => e.times?.from === '2027-03-17T08:00')).toBe(true);
  });
  it('keep to lines of 75 octets', () => {
    const long = writeHours(
      {
        ...office,
        name: 'x'.repeat(70),
        exceptions: [{ ...office.exceptions![0]!, name: 'Ünïcödé '.repeat(9).trim() }],
      },
      { zone: LA, now: 0 },
      '2027-03-08',
      14,
    );
    for (const line of long.split('\r\n'))
      expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
  });
});

it('a rota comes back as the shifts it has', () => {
  const rota = newRota({ id: 'w', name: 'Watch', from: '2027-03-08', handover: 1020, turns: ['rosa', null] });
  const [from, to] = [momentOf(LA, '2027-03-08', 0), momentOf(LA, '2027-04-05', 0)];
  const text = writeRota(rota, (id) => id.toUpperCase(), { zone: LA, now: 0 }, from, to);
  const read = readCalendar(text, LA, '2027-03-01', '2027-04-10');
  if (!read.ok) throw new Error(read.message);
  const wall = (at: number) =>
    `${localTime(LA, at).date}T${String(Math.floor(localTime(LA, at).minute / 60)).padStart(2, '0')}:00`;
  expect(read.events.map((e) => [e.name, e.times!.from, e.times!.to])).toEqual(
    shiftsOf(rota, LA, from, to).map((s) => [
      s.personId?.toUpperCase() ?? 'Nobody on duty',
      wall(s.from),
      wall(s.to),
    ]),
  );
});
