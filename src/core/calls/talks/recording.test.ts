/** Recording of calls: nobody unawares, whose consent counts, gaps, who ends it. Consent by place is common practice, no source. */
import { describe, expect, it } from 'vitest';
import { toPerson, Yard } from '../../../../tests/fixtures/talk';
import { consentAt, CONSENT_TABLE, placeOf } from '../../numbering';
import { noCallRecording, type CallRecording, type Command } from '../../system';
import { CallEngine } from '../engine/engine';
import { recordedIn } from '../words/recorded';

const rules = (change: Partial<CallRecording> = {}): Command => ({
  do: 'business.set',
  change: { recording: { ...noCallRecording(), mayRecordFor: 'everybody', ...change } },
});
/** Everybody's consent is one party's, for what is not about consent. */
const ANYWHERE = { consent: { US: 'one', 'US-WA': 'one' } } as const;
const talk = (...commands: Command[]) => new Yard(commands).customerTalksToRosa();
const records = (yard: Yard, at: number, kind: 'record' | 'stop recording' | 'pause recording' = 'record') =>
  yard.at(at).does('a', { kind, phone: 'rosa-desk' });
const spans = (yard: Yard) =>
  recordedIn(yard.call('a').trace).map((r) => r.spans.map((s) => [s.from / 1000, s.to / 1000]));
const notDone = (yard: Yard) => yard.of('a', 'not done').map((e) => e.why);

describe('whose consent is usual', () => {
  it('is a table by country and state that a business changes; what is not known is everybody’s', () => {
    expect(CONSENT_TABLE['US']).toBe('one');
    for (const state of ['CA', 'FL', 'IL', 'MD', 'MA', 'PA', 'WA'])
      expect(consentAt(`US-${state}`, {})).toBe('all');
    expect(consentAt('US-OR', {})).toBe('one');
    expect(consentAt(null, {})).toBe('all');
    expect(consentAt('JP', {})).toBe('all');
    expect(consentAt('US-WA', { 'US-WA': 'one' })).toBe('one');
  });
  it('goes by where a number is: its area at home; hidden and abroad are not known', () => {
    expect(placeOf('+12065550134', 'US')).toBe('US-WA');
    expect(placeOf('+15035550134', 'US')).toBe('US-OR');
    expect(placeOf('+442079460018', 'US')).toBeNull();
    expect(placeOf(null, 'US')).toBeNull();
  });
});

describe('recording', () => {
  it('begins when the notice was heard to its end, where everybody must agree', () => {
    const yard = records(talk(rules()), 10).at(11);
    const [said] = yard.of('a', 'record notice');
    expect(said!.ms).toBeGreaterThan(500);
    expect(yard.of('a', 'record on')).toEqual([]);
    yard.at(10 + said!.ms / 1000 + 1);
    expect(yard.of('a', 'record on')).toMatchObject([
      { by: 'rosa-desk', consent: 'all', t: said!.t + said!.ms },
    ]);
  });
  it('is not begun by a notice that was cut short', () => {
    const yard = records(talk(rules()), 10);
    yard.at(10.2).does('a', { kind: 'hang up', by: 'caller' }).at(60);
    expect(recordedIn(yard.call('a').trace)).toEqual([]);
  });
  it('begins at once where one party may agree', () => {
    const yard = records(talk(rules(ANYWHERE)), 10);
    expect(yard.of('a', 'record notice')).toEqual([]);
    expect(yard.of('a', 'record on')).toMatchObject([{ consent: 'one' }]);
  });
  it('of a hidden caller is everybody’s', () => {
    const yard = new Yard([rules(ANYWHERE)])
      .place('a', { from: { kind: 'outside', number: null }, to: { kind: 'number', e164: '+13605550171' } })
      .at(3)
      .does('a', { kind: 'answer', phone: 'rosa-desk' });
    records(yard, 10);
    expect(yard.of('a', 'record notice')).toHaveLength(1);
  });
  it('is refused where the business has said never, or not to this person', () => {
    expect(notDone(records(talk(), 10))).toEqual(['calls are not recorded here']);
    expect(notDone(records(talk(rules({ mayRecordFor: ['idris'] })), 10))).toEqual(['you may not record']);
    const twice = records(records(talk(rules(ANYWHERE)), 10), 12);
    expect(notDone(twice)).toEqual(['it is recorded already']);
  });
  it('leaves gaps where somebody asks for one, and while one of ours holds', () => {
    const yard = records(talk(rules(ANYWHERE)), 10);
    records(yard, 20, 'pause recording');
    records(yard, 25, 'pause recording');
    yard.at(30).does('a', { kind: 'hold', phone: 'rosa-desk' });
    yard.at(40).does('a', { kind: 'take back', phone: 'rosa-desk' });
    records(yard, 50, 'stop recording');
    yard.at(60).does('a', { kind: 'hang up', by: 'caller' });
    expect(spans(yard)).toEqual([
      [
        [10, 20],
        [25, 30],
        [40, 50],
      ],
    ]);
  });
  it('begun by somebody ends when they leave', () => {
    const yard = records(talk(rules(ANYWHERE)), 10);
    yard
      .at(20)
      .does('a', { kind: 'pass on', phone: 'rosa-desk', to: toPerson('idris'), ifNobody: { then: 'back' } });
    expect(yard.of('a', 'record off')).toHaveLength(1);
    expect(spans(yard)).toEqual([[[10, 20]]]);
  });
  it('by rule of a number goes on with whoever takes the call, who hears the notice; nobody ends it', () => {
    const id = Object.values(new Yard().engine.document.numbers).find((n) => n.e164 === '+13605550171')!.id;
    const yard = talk(rules({ numberIds: [id] })).at(10);
    expect(yard.of('a', 'record on')).toMatchObject([{ by: null, consent: 'all' }]);
    records(yard, 12, 'stop recording');
    expect(notDone(yard)).toEqual(['it is recorded by rule']);
    const before = yard.of('a', 'record notice').length;
    yard
      .at(20)
      .does('a', { kind: 'pass on', phone: 'rosa-desk', to: toPerson('idris'), ifNobody: { then: 'back' } })
      .at(25)
      .does('a', { kind: 'answer', phone: 'idris-desk' });
    expect(yard.of('a', 'record notice').length).toBe(before + 1);
    expect(yard.of('a', 'record off')).toEqual([]);
  });
  it('by rule of a plan is what came through it, and nothing else', () => {
    const planId = Object.values(new Yard().system.numbers).find((n) => n.e164 === '+13605550171')!.planId!;
    const through = talk(rules({ planIds: [planId] })).at(10);
    expect(through.of('a', 'record on')).toMatchObject([{ by: null }]);
    const other = Object.keys(through.system.plans).find((id) => id !== planId)!;
    expect(
      talk(rules({ planIds: [other] }))
        .at(10)
        .of('a', 'record on'),
    ).toEqual([]);
  });
  it('by rule begins with whoever takes it where the call was passed on during the notice', () => {
    const yard = talk(rules({ personIds: ['rosa', 'idris'] }));
    yard
      .at(3.2)
      .does('a', { kind: 'pass on', phone: 'rosa-desk', to: toPerson('idris'), ifNobody: { then: 'back' } })
      .at(8)
      .does('a', { kind: 'answer', phone: 'idris-desk' })
      .at(20);
    expect(yard.of('a', 'record on')).toHaveLength(1);
  });
  it('whoever joins later hears it', () => {
    const yard = records(talk(rules()), 10).at(20);
    const before = yard.of('a', 'record notice').length;
    yard.calls('b', toPerson('pia'), { callId: 'a', as: 'add' }).at(25);
    yard.does('b', { kind: 'answer', phone: 'pia-web' }).at(26);
    expect(yard.of('a', 'record notice').length).toBe(before + 1);
  });
  it('goes on in a window that takes over', () => {
    const yard = records(talk(rules()), 10).at(10.1);
    yard.engine = CallEngine.restore(
      JSON.parse(JSON.stringify(yard.engine.snapshot())) as never,
      yard.engine.standing,
    );
    yard.at(30);
    expect(yard.of('a', 'record on')).toHaveLength(1);
  });
});
