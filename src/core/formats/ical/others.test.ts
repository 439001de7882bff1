/** Calendars that other programs made, and that nobody should have made: what can be read is read, the rest is told. */
import { describe, expect, it } from 'vitest';
import { readCalendar } from '.';

const NY = 'America/New_York';
const calendar = (...lines: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//test//EN', ...lines, 'END:VCALENDAR', ''].join('\r\n');
const event = (name: string, ...lines: string[]) => [
  'BEGIN:VEVENT',
  `UID:${name}@test`,
  `SUMMARY:${name}`,
  ...lines,
  'END:VEVENT',
];
const read = (file: string | Uint8Array, from = '2027-01-01', to = '2028-12-31') => {
  const result = readCalendar(file, NY, from, to);
  if (!result.ok) throw new Error(result.message);
  return result;
};
const days = (file: string | Uint8Array, from?: string, to?: string) =>
  read(file, from, to).events.map((e) => e.times?.from ?? e.days!.from);

describe('what RFC 5545 says of repeats', () => {
  it('an occurrence that was moved is read once, in its new place (§3.8.4.4)', () => {
    const text = calendar(
      ...event('Watch', `DTSTART;TZID=${NY}:20270104T090000`, 'DURATION:PT1H', 'RRULE:FREQ=WEEKLY;COUNT=3'),
      ...event(
        'Watch',
        `RECURRENCE-ID;TZID=${NY}:20270111T090000`,
        `DTSTART;TZID=${NY}:20270112T140000`,
        'DURATION:PT1H',
      ),
    );
    expect(days(text)).toEqual(['2027-01-04T09:00', '2027-01-12T14:00', '2027-01-18T09:00']);
  });
  it('a cancelled event is not read, nor a cancelled occurrence (§3.8.1.11)', () => {
    const text = calendar(
      ...event('Gone', 'DTSTART;VALUE=DATE:20270301', 'STATUS:CANCELLED'),
      ...event('Watch', `DTSTART;TZID=${NY}:20270104T090000`, 'RRULE:FREQ=WEEKLY;COUNT=3'),
      ...event(
        'Watch',
        `RECURRENCE-ID;TZID=${NY}:20270111T090000`,
        `DTSTART;TZID=${NY}:20270111T090000`,
        'STATUS:CANCELLED',
      ),
    );
    expect(days(text)).toEqual(['2027-01-04T09:00', '2027-01-18T09:00']);
  });
  it('dates without a rule stand beside the first (§3.8.5.2)', () => {
    const text = calendar(
      ...event(
        'Survey',
        'DTSTART;VALUE=DATE:20270301',
        'RDATE;VALUE=DATE:20270315,20270401',
        'EXDATE;VALUE=DATE:20270401',
      ),
    );
    expect(days(text)).toEqual(['2027-03-01', '2027-03-15']);
  });
  // §3.8.5.3: "Monday of week number 20": 12 May 1997, 11 May 1998, 17 May 1999.
  it('weeks of the year', () => {
    const text = calendar(
      ...event('Regatta', `DTSTART;TZID=${NY}:19970512T090000`, 'RRULE:FREQ=YEARLY;BYWEEKNO=20;BYDAY=MO'),
    );
    expect(days(text, '1997-01-01', '1999-12-31')).toEqual([
      '1997-05-12T09:00',
      '1998-05-11T09:00',
      '1999-05-17T09:00',
    ]);
  });
  // §3.3.10: "invalid dates … MUST be ignored": the 29th of February is there every fourth year.
  it('the 29th of February', () => {
    const text = calendar(...event('Leap', 'DTSTART;VALUE=DATE:20240229', 'RRULE:FREQ=YEARLY'));
    expect(days(text, '2024-01-01', '2033-01-01')).toEqual(['2024-02-29', '2028-02-29', '2032-02-29']);
  });
  // §3.8.5.3: "Every 4 years, the first Tuesday after a Monday in November".
  it('the day of presidential elections', () => {
    const text = calendar(
      ...event(
        'Vote',
        `DTSTART;TZID=${NY}:19961105T090000`,
        'RRULE:FREQ=YEARLY;INTERVAL=4;BYMONTH=11;BYDAY=TU;BYMONTHDAY=2,3,4,5,6,7,8',
      ),
    );
    expect(days(text, '1996-01-01', '2004-12-31')).toEqual([
      '1996-11-05T09:00',
      '2000-11-07T09:00',
      '2004-11-02T09:00',
    ]);
  });
  it('the hour stays over a change of the clocks, and an end in UTC is meant there', () => {
    const text = calendar(
      ...event(
        'Watch',
        `DTSTART;TZID=${NY}:20270312T090000`,
        'DURATION:PT8H',
        'RRULE:FREQ=DAILY;UNTIL=20270315T130000Z',
      ),
    );
    expect(days(text)).toEqual([
      '2027-03-12T09:00',
      '2027-03-13T09:00',
      '2027-03-14T09:00',
      '2027-03-15T09:00',
    ]);
  });
});

describe('files of other programs', () => {
  it('several calendars in one file are all read', () => {
    const text =
      calendar(...event('One', 'DTSTART;VALUE=DATE:20270301')) +
      calendar(...event('Two', 'DTSTART;VALUE=DATE:20270302'));
    expect(read(text).events.map((e) => e.name)).toEqual(['One', 'Two']);
  });
  it('lines are folded within a character', () => {
    const bytes = new TextEncoder().encode(calendar(...event('Überführung', 'DTSTART;VALUE=DATE:20270301')));
    const at = bytes.indexOf(0xc3);
    const folded = new Uint8Array([...bytes.slice(0, at + 1), 13, 10, 32, ...bytes.slice(at + 1)]);
    expect(read(folded).events.map((e) => e.name)).toEqual(['Überführung']);
  });
  it('whole days that ended yesterday are not offered, those of today are', () => {
    const text = calendar(
      ...event('Over', 'DTSTART;VALUE=DATE:20261230', 'DTEND;VALUE=DATE:20270101'),
      ...event('Now', 'DTSTART;VALUE=DATE:20261230', 'DTEND;VALUE=DATE:20270102'),
      ...event('Late', `DTSTART;TZID=${NY}:20261231T200000`, `DTEND;TZID=${NY}:20270101T000000`),
    );
    expect(read(text).events.map((e) => e.name)).toEqual(['Now']);
  });
  it('a zone the file describes is followed, by whatever name', () => {
    const zone = [
      'BEGIN:VTIMEZONE',
      'TZID:Yard Time',
      'BEGIN:STANDARD',
      'DTSTART:19701101T020000',
      'RRULE:FREQ=YEARLY;BYMONTH=11;BYDAY=1SU',
      'TZOFFSETFROM:-0700',
      'TZOFFSETTO:-0800',
      'END:STANDARD',
      'BEGIN:DAYLIGHT',
      'DTSTART:19700308T020000',
      'RRULE:FREQ=YEARLY;BYMONTH=3;BYDAY=2SU',
      'TZOFFSETFROM:-0800',
      'TZOFFSETTO:-0700',
      'END:DAYLIGHT',
      'END:VTIMEZONE',
    ];
    const text = calendar(
      ...zone,
      ...event('Winter', 'DTSTART;TZID=Yard Time:20270104T090000', 'DURATION:PT1H'),
      ...event('Summer', 'DTSTART;TZID=Yard Time:20270705T090000', 'DURATION:PT1H'),
    );
    expect(days(text)).toEqual(['2027-01-04T12:00', '2027-07-05T12:00']);
    expect(read(text).notes).toEqual([]);
  });
});

describe('what is wrong is told by its part, and the rest is read', () => {
  const good = event('Good', 'DTSTART;VALUE=DATE:20270301');
  it.each([
    [
      'a start that is no date',
      event('Bad', 'DTSTART:tomorrow'),
      '“Bad” has a start that is no date (“tomorrow”)',
    ],
    ['a day that there is not', event('Bad', 'DTSTART;VALUE=DATE:20270230'), 'start that is no date'],
    ['no start', event('Bad'), '“Bad” has no start'],
    [
      'a rule that is none',
      event('Bad', 'DTSTART;VALUE=DATE:20270301', 'RRULE:hello'),
      '“Bad” repeats in a way that is not followed',
    ],
    [
      'an unknown way to repeat',
      event('Bad', 'DTSTART;VALUE=DATE:20270301', 'RRULE:FREQ=FORTNIGHTLY'),
      'no way to repeat',
    ],
    [
      'an end that is no date',
      event('Bad', 'DTSTART;VALUE=DATE:20270301', 'DTEND:soon'),
      'has an end that is no date',
    ],
    [
      'a line that is none',
      event('Bad', 'DTSTART;VALUE=DATE:20270301', 'what is this'),
      'has a line that is none',
    ],
    [
      'an added date that is none',
      event('Bad', 'DTSTART;VALUE=DATE:20270301', 'RDATE:x,y'),
      'has a date that is none',
    ],
    [
      'a length that is none',
      event('Bad', 'DTSTART:20270301T090000Z', 'DURATION:long'),
      'has a length that is none',
    ],
  ])('%s', (_, bad, message) => {
    const result = read(calendar(...bad, ...good));
    expect(result.events.map((e) => e.name)).toContain('Good');
    expect(result.notes.join('\n')).toContain(message);
  });
  it('a file that is cut off is read as far as it goes', () => {
    const text = calendar(...good, ...event('Half', 'DTSTART;VALUE=DATE:20270302'));
    const result = read(text.slice(0, text.indexOf('SUMMARY:Half') + 12));
    expect(result.events.map((e) => e.name)).toEqual(['Good']);
    expect(result.notes.join('\n')).toContain('cut off');
  });
  it('five hundred changes at random never end in an exception', () => {
    const text = calendar(
      ...event(
        'Watch',
        `DTSTART;TZID=${NY}:20270104T090000`,
        'DURATION:PT1H',
        'RRULE:FREQ=WEEKLY;COUNT=3;BYDAY=MO',
      ),
      ...good,
    );
    let seed = 1;
    const random = (n: number) => (seed = (seed * 48_271) % 2_147_483_647) % n;
    const signs = '\r\n:;,=0123456789TZPBEGINDV"\\%\u0000\uFFFEé';
    for (let i = 0; i < 500; i++) {
      const at = random(text.length);
      const changed = text.slice(0, at) + signs[random(signs.length)] + text.slice(at + random(4));
      expect(() => readCalendar(changed, NY, '2027-01-01', '2028-01-01'), changed).not.toThrow();
    }
  });
});

describe('nothing is taken apart before it is certain that it ends', () => {
  it.each([
    ['the 30th of February, daily', 'FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30', 'no day on which it happens'],
    ['the 31st of April, yearly', 'FREQ=YEARLY;BYMONTH=4;BYMONTHDAY=31', 'no day on which it happens'],
    ['the 200th day in February', 'FREQ=DAILY;BYMONTH=2;BYYEARDAY=200', 'no day on which it happens'],
    [
      'the fifth Monday that is the first',
      'FREQ=MONTHLY;BYDAY=5MO;BYMONTHDAY=1',
      'no day on which it happens',
    ],
    ['every second', 'FREQ=SECONDLY', 'too often'],
    ['an hour of 99', 'FREQ=DAILY;BYHOUR=99', 'BYHOUR'],
  ])('%s', (_, rule, why) => {
    const result = read(calendar(...event('Never', 'DTSTART;VALUE=DATE:20270301', `RRULE:${rule}`)));
    expect(result.notes.join()).toContain(why);
    expect(result.events).toHaveLength(1);
  });
  it('an interval of a thousand million weeks happens once', () => {
    const text = calendar(
      ...event('Once', 'DTSTART;VALUE=DATE:20270301', 'RRULE:FREQ=WEEKLY;INTERVAL=999999999'),
    );
    expect(days(text)).toEqual(['2027-03-01']);
  });
  it('a zone that changes every second is not followed, and that is told', () => {
    const text = calendar(
      'BEGIN:VTIMEZONE',
      'TZID:Jumpy',
      'BEGIN:STANDARD',
      'DTSTART:19700101T000000',
      'RRULE:FREQ=SECONDLY',
      'TZOFFSETFROM:+0000',
      'TZOFFSETTO:+0100',
      'END:STANDARD',
      'END:VTIMEZONE',
      ...event('Here', 'DTSTART;TZID=Jumpy:20270301T090000'),
    );
    const result = read(text);
    expect(result.events.map((e) => e.times!.from)).toEqual(['2027-03-01T09:00']);
    expect(result.notes.join()).toContain('Jumpy');
  });
  it('four thousand events with a zone of their own, and an event that repeats for ever', () => {
    const many = Array.from({ length: 4000 }, (_, i) =>
      event(
        `E${i}`,
        `DTSTART;TZID=${NY}:2027${String(1 + (i % 12)).padStart(2, '0')}01T090000`,
        'DURATION:PT1H',
      ),
    ).flat();
    const result = read(
      calendar(...many, ...event('Daily', 'DTSTART;VALUE=DATE:19000101', 'RRULE:FREQ=DAILY')),
    );
    expect(result.events).toHaveLength(2000);
    expect(result.notes.join()).toContain('Only the first 2000 of');
  });
});
