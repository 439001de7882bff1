/** Beginning: kinds of business made from nothing, and the order of the work. */
import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../tests/fixtures/yard';
import { rehearse } from '../calls';
import { endsWell, piecesOf, unansweredCall } from '../coverage';
import { findingsOf } from '../findings';
import { momentOf } from '../hours';
import {
  applyEdit,
  asAllPaired,
  emptyStanding,
  emptySystem,
  newBusiness,
  notPairedYet,
  type System,
} from '../system';
import { beginAs, KINDS, nextOf, usualAnswer, WORK, workOf, type Answers, type Around } from '.';

const ZONE = 'America/Chicago';
let made = 0;
const at = { today: '2026-11-24', freshId: (kind: string) => `${kind}-${++made}` };
const empty = emptySystem(newBusiness({ name: 'Marrow & Tide', country: 'US', timeZone: ZONE }));
const kind = (id: string) => KINDS.find((k) => k.id === id)!;
const begin = (id: string, answers: Answers, from: System = empty, numberId: string | null = null) => {
  const begun = beginAs(kind(id), answers, from, numberId, at);
  if (!begun.ok) throw new Error(JSON.stringify(begun.problems));
  return begun;
};
const NAMES: Record<string, Answers> = {
  alone: { who: 'Ada Quill' },
  desk: { desk: 'Ada Quill', helpers: 'Ben Stone, Cleo Marsh', times: '8-12, 13-17' },
  shop: { weekdays: 'Ada Quill, Ben Stone', saturdays: 'Ben', saturday: '9-13' },
  trades: { office: 'Ada Quill', duty: 'Ben Stone, Cleo Marsh' },
  'two-sites': { atA: 'Ada Quill', atB: 'Ben Stone' },
};
/** Who is rung first on an unanswered call at a local time, by name. */
function firstAt({ system, numberId }: ReturnType<typeof begin>, day: string, minute: number): string[] {
  const number = system.numbers[numberId]!;
  const trace = rehearse(
    system,
    asAllPaired(system, emptyStanding()),
    unansweredCall(number, momentOf(ZONE, day, minute)),
  );
  const rung = trace.filter((e) => e.kind === 'leg offered');
  return rung.filter((e) => e.t - rung[0]!.t < 1000).map((e) => system.people[e.personId!]!.name);
}
const TUESDAY = '2026-11-24';
const SATURDAY = '2026-11-28';

describe('a kind of business', () => {
  it.each(KINDS.map((k) => k.id))(
    '%s asks three to six questions, and leaves no caller without an answer',
    (id) => {
      expect(kind(id).questions.length).toBeGreaterThanOrEqual(3);
      expect(kind(id).questions.length).toBeLessThanOrEqual(6);
      const begun = begin(id, NAMES[id]!);
      expect(begun.holds).toBe(false);
      const { system } = begun;
      const standing = asAllPaired(system, emptyStanding());
      expect(notPairedYet(system, standing)).toEqual([]);
      const from = momentOf(ZONE, TUESDAY, 0);
      for (const p of piecesOf(
        system,
        standing,
        system.numbers[begun.numberId]!,
        from,
        from + 7 * 86_400_000,
      ))
        expect(endsWell(p.trace)).toBe('message');
      const stops = findingsOf({ system, standing, today: TUESDAY, freshId: at.freshId }).filter(
        (f) => f.place.kind === 'plan' && f.severity !== 'hint',
      );
      expect(stops.map((f) => f.title)).toEqual([]);
    },
  );
  it('rings whom it was told, when it was told', () => {
    const desk = begin('desk', NAMES.desk!);
    expect(firstAt(desk, TUESDAY, 10 * 60)).toEqual(['Ada Quill']);
    expect(firstAt(desk, TUESDAY, 12 * 60 + 30)).toEqual([]);
    const shop = begin('shop', NAMES.shop!);
    expect(firstAt(shop, TUESDAY, 10 * 60)).toEqual(['Ada Quill', 'Ben Stone']);
    expect(firstAt(shop, SATURDAY, 10 * 60)).toEqual(['Ben Stone']);
    expect(firstAt(shop, SATURDAY, 14 * 60)).toEqual([]);
    const all = begin('trades', { ...NAMES.trades!, urgent: 'all' });
    expect(firstAt(all, TUESDAY, 10 * 60)).toEqual(['Ada Quill']);
    expect(firstAt(all, TUESDAY, 22 * 60)).toEqual(['Ben Stone']);
    expect(firstAt(begin('trades', NAMES.trades!), TUESDAY, 22 * 60)).toEqual([]);
    const day = begin('trades', { ...NAMES.trades!, urgent: 'all', turn: 'day' });
    expect(firstAt(day, '2026-11-25', 22 * 60)).toEqual(['Cleo Marsh']);
    expect(firstAt(begin('alone', { who: 'Ada', outside: 'ring' }), TUESDAY, 3 * 60)).toEqual(['Ada']);
  });
  it('adds who is not there yet, once, and takes who is there by their first name', () => {
    const begun = begin('shop', { weekdays: 'Rosa, Ada Quill, ada quill', saturdays: 'Ada' }, yard(), 'main');
    const added = Object.values(begun.system.people).filter((p) => !yard().people[p.id]);
    expect(added.map((p) => p.name)).toEqual(['Ada Quill']);
    expect(added[0]!.mailboxId).not.toBeNull();
    expect(begun.system.numbers.main!.planId).toBe(begun.planId);
    expect(begun.system.plans['main-plan']).toEqual(yard().plans['main-plan']);
  });
  it('is one edit, which leads from what was to what was shown', () => {
    const begun = begin('two-sites', NAMES['two-sites']!, yard(), 'main');
    const applied = applyEdit(yard(), begun.edit);
    expect(applied.ok && applied.system).toEqual(begun.system);
    expect(Object.values(begun.system.sites).map((s) => s.name)).toEqual(
      expect.arrayContaining(['Office', 'Shop']),
    );
  });
  it('says at the question what is wrong, and makes nothing', () => {
    const wrong = (id: string, answers: Answers, from = empty) => {
      const begun = beginAs(kind(id), answers, from, null, at);
      return begun.ok ? {} : begun.problems;
    };
    expect(wrong('alone', {})).toEqual({ who: 'Name somebody.' });
    expect(wrong('alone', { who: 'Ada, Ben' })).toEqual({
      who: 'At most 1 here: more can be added afterwards.',
    });
    expect(wrong('alone', { who: 'Ada', times: 'from nine' }).times).toContain('not a span');
    expect(wrong('alone', { who: 'x'.repeat(200) }).who).toContain('longer than 60 letters');
    expect(wrong('two-sites', { ...NAMES['two-sites']!, a: ' ' })).toEqual({ a: 'Give it a name.' });
  });
  it('takes names as data', () => {
    const begun = begin('alone', { who: '<img src=x onerror=alert(1)>' });
    expect(Object.values(begun.system.people)[0]!.name).toBe('<img src=x onerror=alert(1)>');
  });
  it('begins with the people there are', () => {
    const [desk, helpers] = kind('desk').questions;
    expect(usualAnswer(desk!, yard())).toBe('Rosa Delgado');
    expect(usualAnswer(helpers!, yard())).not.toContain('Rosa');
  });
});

describe('the order of the work', () => {
  const around = (system: System, more: Partial<Around> = {}): Around => ({
    system,
    standing: emptyStanding(),
    findings: [],
    answered: 0,
    waiting: 0,
    invited: new Set(),
    calls: 0,
    rehearsed: false,
    copied: false,
    today: TUESDAY,
    aside: new Set(),
    ...more,
  });
  const stands = (a: Around) => Object.fromEntries(workOf(a).map((e) => [e.id, e.stands]));

  it('of an empty business: only the business itself is done', () => {
    const work = workOf(around(empty));
    expect(work.map((e) => e.id)).toEqual([...WORK]);
    expect(work.filter((e) => e.stands === 'done').map((e) => e.id)).toEqual(['business']);
    expect(nextOf(work)?.id).toBe('sites');
  });
  it('counts what is there, and names what is missing', () => {
    const { system } = begin('trades', NAMES.trades!);
    const work = workOf(around(system));
    const says = Object.fromEntries(work.map((e) => [e.id, e.says]));
    expect(says.people).toBe('3 people; no e-mail address yet: Ada Quill, Ben Stone, Cleo Marsh.');
    expect(says.pair).toBe('0 of 3 phones');
    expect(stands(around(system))).toMatchObject({
      hours: 'done',
      rota: 'done',
      phones: 'done',
      invite: 'open',
    });
  });
  it('is done where everything is', () => {
    const system = edited(yard(), [
      ...Object.keys(yard().people).map((id) => ({
        do: 'person.set' as const,
        id,
        change: { email: `${id}@lanterncove.example` },
      })),
    ]);
    const done = stands(
      around(system, { standing: allOn(system), answered: 1, calls: 3, rehearsed: true, copied: true }),
    );
    expect(done).toMatchObject({
      'in force': 'done',
      pair: 'done',
      invite: 'done',
      copy: 'done',
      people: 'done',
    });
    expect(stands(around(system, { answered: 1, waiting: 2 }))['in force']).toBe('open');
  });
  it('lays aside what not every business needs, and nothing else', () => {
    const aside = new Set(WORK);
    const laid = workOf(around(empty, { aside })).filter((e) => e.stands === 'aside');
    expect(laid.map((e) => e.id)).toEqual(['holidays', 'rota', 'copy']);
  });
  it('asks for a rota where a plan rings whoever is on duty', () => {
    const begun = begin('trades', { ...NAMES.trades!, urgent: 'all' });
    const [rotaId] = Object.keys(begun.system.rotas);
    const bare = edited(begun.system, [{ do: 'rota.set', id: rotaId!, change: { turns: [] } }]);
    const rota = workOf(around(bare, { aside: new Set(WORK) })).find((e) => e.id === 'rota');
    expect(rota).toMatchObject({ stands: 'open', optional: false });
  });
});
