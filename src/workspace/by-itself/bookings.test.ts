/** Appointments by text and by hand: no time is given to two, a number alone moves nothing, and a stop asks what was meant. */
import { expect, it } from 'vitest';
import { DEMO_ID } from '../../../demo/lantern-cove';
import { freeTimes } from '../../core/booking';
import { askedOf, bookFor, giveBack, keepBooking, readMany, receiveText, setBooking } from '..';
import { ADA, begin, BO, db, later, MAIN, now, stored, w } from '../../../tests/fixtures/stored';

stored(() => begin({ texts: [], threads: [] }));
const write = async (text: string, from = ADA) => {
  later(1000);
  await receiveText(w, { from, to: MAIN, text });
};
const said = (to = ADA) => w.view.texts.filter((t) => t.way === 'out' && t.to === to).map((t) => t.text);
const booked = () => w.view.bookings.filter((b) => b.state === 'booked');
const offered = (to = ADA) => /1: ([^.]+)\./.exec(said(to).at(-1)!)?.[1];
const askFor = async (from = ADA) => {
  await write('A lift please', from);
  await write('Sloop, 9 m', from);
};

it('two who are offered the same time get two, whoever is slower is told', async () => {
  await askFor(ADA);
  await askFor(BO);
  expect(offered(ADA)).toBe(offered(BO));
  await write('1', BO);
  await write('1', ADA);
  expect(booked().map((b) => b.number)).toEqual([BO]);
  expect(said(ADA).at(-1)).toContain('That time has just gone. Free are 1:');
  await write('1', ADA);
  expect(booked()).toHaveLength(2);
  expect(new Set(booked().map((b) => b.from)).size).toBe(2);
  expect(new Set(booked().map((b) => b.code)).size).toBe(2);
});

it('is given back by its code, from the number that made it and from no other', async () => {
  await askFor();
  await write('1');
  const { code, from } = booked()[0]!;
  await write(`OFF ${code}`, BO);
  expect(booked()).toHaveLength(1);
  expect(said(BO).at(-1)).toContain('We know no appointment');
  await write(`off ${code === '12345' ? '54321' : '12345'}`);
  expect(booked()).toHaveLength(1);
  await write(`off ${code}`);
  expect(booked()).toEqual([]);
  expect(said().at(-1)).toContain('is given back.');
  await askFor(BO);
  await write('1', BO);
  expect(booked()[0]!.from).toBe(from);
});

it('is moved: the old time stays until there is another', async () => {
  await askFor();
  await write('1');
  const old = booked()[0]!;
  await write(`MOVE ${old.code}`);
  expect(said().at(-1)).toContain('Which time instead?');
  expect(booked().map((b) => b.id)).toEqual([old.id]);
  await write('2');
  expect(booked()).toHaveLength(1);
  expect(booked()[0]!.from).not.toBe(old.from);
  expect(said().at(-1)).toMatch(/^Moved: /);
});

it('a stop while there is one stops the texts, and a person asks whether it was meant', async () => {
  await askFor();
  await write('1');
  await write('STOP');
  expect(said().at(-1)).toContain('you get no more texts from us');
  expect(booked()).toHaveLength(1);
  expect(w.view.tasks.at(-1)).toMatchObject({ personId: 'anselm', other: ADA });
  expect(w.view.tasks.at(-1)!.text).toContain('They wrote STOP: was the appointment');
});

it('by hand: what is taken or wrong is refused, what was given back comes back only while it is free', async () => {
  const { calendarContext } = await import('..');
  const [first] = calendarContext(w.system, [], now).free('slipway', null);
  const book = (name: string, from = first!) =>
    bookFor(w, { calendarId: 'slipway', from, name, number: null });
  expect(await book(' ')).toMatchObject({ ok: false, field: 'name' });
  const both = await Promise.all([book('Ada'), book('Bo')]);
  expect(both.map((b) => b.ok)).toEqual([true, false]);
  const [made] = both;
  if (!made!.ok) throw new Error();
  expect(await setBooking(w, made!.booking.id, 'given back')).toBeUndefined();
  const other = await book('Cy');
  expect(other.ok).toBe(true);
  expect(await setBooking(w, made!.booking.id, 'booked')).toBe('Somebody else has that time meanwhile.');
  expect(await book('Dee', first! + 60_000)).toMatchObject({
    ok: false,
    message: 'That time has just gone.',
  });
});

it('a time that a caller took is kept once, with a code by text; taken meanwhile, they are told and somebody has the task', async () => {
  const from = freeTimes(askedOf(w.system, 'slipway', [], now)!, now, Infinity, 1)[0]!;
  const wanted = {
    calendarId: 'slipway',
    from,
    to: from + 3_600_000,
    name: '',
    made: 'call',
    ours: MAIN,
  } as const;
  const keep = (id: string, number: string | null) =>
    keepBooking(db, DEMO_ID, w.system, { ...wanted, id, number }, now);
  const both = await Promise.all([keep('v-1', ADA), keep('v-1', ADA)]);
  expect(both.map((b) => b.booking?.code)).toEqual([both[0]!.booking!.code, both[0]!.booking!.code]);
  const other = await keep('v-2', '+12065550102');
  expect(other.booking).toBeNull();
  const texts = (await readMany(db, 'texts', DEMO_ID)).filter((t) => t.way === 'out');
  expect(texts.filter((t) => t.to === ADA).map((t) => t.text)).toEqual([
    expect.stringContaining(`OFF ${both[0]!.booking!.code}`),
  ]);
  expect(texts.find((t) => t.to === '+12065550102')?.text).toContain('has just gone');
  const tasks = await readMany(db, 'tasks', DEMO_ID);
  expect(tasks.filter((t) => t.id === 'v-2-task')).toMatchObject([
    { personId: 'anselm', other: '+12065550102' },
  ]);
  // Whoever hides their number has the time all the same.
  const later = freeTimes(
    askedOf(w.system, 'slipway', await readMany(db, 'bookings', DEMO_ID), now)!,
    now,
    Infinity,
    1,
  )[0]!;
  const hidden = await keepBooking(
    db,
    DEMO_ID,
    w.system,
    { ...wanted, id: 'v-3', number: null, from: later, to: later + 3_600_000 },
    now,
  );
  expect(hidden.booking).toMatchObject({ number: null, made: 'call' });
});

it('by a call one is moved or given back, once: what was changed meanwhile is changed no more', async () => {
  const [first, second, third] = freeTimes(askedOf(w.system, 'slipway', [], now)!, now, Infinity, 3);
  const wanted = (id: string, from: number, instead?: string) =>
    keepBooking(
      db,
      DEMO_ID,
      w.system,
      {
        id,
        calendarId: 'slipway',
        from,
        to: from + 3_600_000,
        number: ADA,
        name: 'Ada',
        made: 'call',
        ours: MAIN,
        instead,
      },
      later(1000),
    );
  const state = async () =>
    Object.fromEntries((await readMany(db, 'bookings', DEMO_ID)).map((b) => [b.id, b.state]));
  const texts = async () =>
    (await readMany(db, 'texts', DEMO_ID))
      .filter((t) => t.way === 'out' && t.to === ADA)
      .sort((a, b) => a.at - b.at)
      .map((t) => t.text);
  const off = (id: string) => giveBack(db, DEMO_ID, w.system, { id, ours: MAIN, at: later(1000) });

  await wanted('v-old', first!);
  const moved = await wanted('v-new', second!, 'v-old');
  expect(await state()).toMatchObject({ 'v-old': 'given back', 'v-new': 'booked' });
  expect((await texts()).at(-1)).toContain(`Moved: `);
  expect((await texts()).at(-1)).toContain(`MOVE ${moved.booking!.code}`);

  // Somebody else moved it already: they are told, and nobody has two times.
  expect((await wanted('v-late', third!, 'v-old')).booking).toBeNull();
  expect(await state()).not.toHaveProperty('v-late');
  expect((await texts()).at(-1)).toContain('One of us calls you');

  expect(await off('v-new')).not.toEqual([]);
  expect(await state()).toMatchObject({ 'v-new': 'given back' });
  expect((await texts()).at(-1)).toMatch(/^Your appointment .* is given back\.$/);
  const before = (await texts()).length;
  expect(await off('v-new')).toEqual([]);
  expect(await off('nobody')).toEqual([]);
  expect(await texts()).toHaveLength(before);
});
