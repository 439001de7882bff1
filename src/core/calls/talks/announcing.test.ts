/** What is said first to whoever is called, and mailboxes that are dialled. */
import { describe, expect, it } from 'vitest';
import { Yard } from '../../../../tests/fixtures/talk';
import type { Command } from '../../system';

const OUT = '+12065550134';
const says: Command = { do: 'number.set', id: 'n-main', change: { announceId: 'welcome' } };
const out = (yard: Yard, shows?: string) =>
  yard
    .calls('a', { to: 'outside', number: OUT }, undefined, 'rosa-desk', shows ? { shows } : {})
    .at(8)
    .does('a', { kind: 'answer', phone: `outside:${OUT}` });

describe('what is said first to whoever is called', () => {
  const numberId = (yard: Yard) =>
    Object.values(yard.engine.document.numbers).find((n) => n.e164 === '+13605550142')!.id;
  const withIt = () => {
    const id = numberId(new Yard());
    return new Yard([{ ...says, id } as Command]);
  };
  it('belongs to the number they see, and lasts as long as its words', () => {
    const yard = out(withIt());
    const [said, ...more] = yard.of('a', 'announced');
    expect(more).toEqual([]);
    expect(said).toMatchObject({ phone: `outside:${OUT}`, recordingId: 'welcome' });
    expect(said!.ms).toBeGreaterThan(1000);
    expect(yard.phase('a')).toBe('talking');
  });
  it('is not said where the number is hidden, nor to callers', () => {
    expect(out(withIt(), 'hidden').of('a', 'announced')).toEqual([]);
    expect(withIt().customerTalksToRosa().of('a', 'announced')).toEqual([]);
    expect(out(new Yard()).of('a', 'announced')).toEqual([]);
  });
});

describe('a mailbox with an extension', () => {
  const yard = () => new Yard([{ do: 'mailbox.set', id: 'front', change: { extension: '290' } }]);
  const dials = (y: Yard, phoneId: string) =>
    y.place('a', { from: { kind: 'phone', phoneId }, to: { kind: 'digits', digits: '290' } }).at(1);
  it('is listened to by those who hear it, and takes a message of anybody else', () => {
    expect(dials(yard(), 'rosa-desk').phase('a')).toBe('inbox');
    const other = dials(yard(), 'pia-web');
    expect(other.phase('a')).toBe('greeting');
    expect(other.of('a', 'greeting started')).toMatchObject([{ mailboxId: 'front' }]);
  });
  it('has its extension to itself', () => {
    expect(() => new Yard([{ do: 'mailbox.set', id: 'front', change: { extension: '201' } }])).toThrow(/201/);
  });
});
