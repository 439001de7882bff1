import { describe, expect, it } from 'vitest';
import { TraceRecord } from './stored-trace';

describe('a call stored by an earlier version', () => {
  const read = (events: object[]) => TraceRecord.parse(events);

  it('names the phone and whose it is wherever a phone rings, is lifted and stops', () => {
    const trace = read([
      { t: 0, kind: 'leg offered', leg: 1, phone: 'desk', personId: 'ada' },
      { t: 0, kind: 'leg offered', leg: 2, phone: 'outside:+13605550111', personId: null },
      { t: 100, kind: 'leg sounding', leg: 2 },
      { t: 900, kind: 'leg asked to confirm', leg: 2 },
      { t: 1000, kind: 'leg ended', leg: 1, how: 'cancelled' },
    ]);
    const outside = { leg: 2, phone: 'outside:+13605550111', personId: null };
    expect(trace.slice(2)).toEqual([
      { t: 100, kind: 'leg sounding', ...outside },
      { t: 900, kind: 'leg asked to confirm', ...outside },
      { t: 1000, kind: 'leg ended', leg: 1, how: 'cancelled', phone: 'desk', personId: 'ada' },
    ]);
  });

  it('says what a call is sent on to, by what came next', () => {
    const sent = (to: string, next?: object) =>
      read([{ t: 0, kind: 'redirected', from: 'ada', to, why: 'always' }, ...(next ? [next] : [])])[0];
    const has = (to: object) => ({ t: 0, kind: 'redirected', from: 'ada', to, why: 'always' });
    expect(sent('bo', { t: 0, kind: 'leg offered' })).toEqual(has({ to: 'person', personId: 'bo' }));
    expect(sent('bo')).toEqual(has({ to: 'person', personId: 'bo' }));
    expect(sent('+13605550111')).toEqual(has({ to: 'outside', number: '+13605550111' }));
    expect(sent('shop', { t: 0, kind: 'group', groupId: 'shop' })).toEqual(
      has({ to: 'group', groupId: 'shop' }),
    );
    expect(sent('box', { t: 0, kind: 'greeting started', mailboxId: 'box' })).toEqual(
      has({ to: 'mailbox', mailboxId: 'box' }),
    );
    // Another group or mailbox that comes next is not what it was sent on to.
    expect(sent('bo', { t: 0, kind: 'group', groupId: 'shop' })).toEqual(
      has({ to: 'person', personId: 'bo' }),
    );
    expect(sent('bo', { t: 0, kind: 'greeting started', mailboxId: 'box' })).toEqual(
      has({ to: 'person', personId: 'bo' }),
    );
  });

  it('keeps times under names that say their unit', () => {
    expect(
      read([
        { t: 0, kind: 'left queue', queueId: 'front', way: 'key', waited: 12 },
        { t: 0, kind: 'plays', messageId: 'm', after: 4000 },
      ]),
    ).toEqual([
      { t: 0, kind: 'left queue', queueId: 'front', way: 'key', waitedSeconds: 12 },
      { t: 0, kind: 'plays', messageId: 'm', afterMs: 4000 },
    ]);
  });

  it('as it is written now stays as it is, with what a later version adds', () => {
    const now = [
      { t: 0, kind: 'forward skipped', to: { to: 'person', personId: 'bo' }, why: 'no longer there' },
      { t: 0, kind: 'leg ended', leg: 1, phone: 'desk', personId: 'ada', how: 'declined', why: 'later' },
      { t: 0, kind: 'something new', more: [1] },
    ];
    expect(read(now)).toEqual(now);
  });

  it('is refused where an event has no moment or no kind', () => {
    expect(TraceRecord.safeParse([{ kind: 'tone' }]).success).toBe(false);
    expect(TraceRecord.safeParse([{ t: 0 }]).success).toBe(false);
    expect(TraceRecord.safeParse('tone').success).toBe(false);
  });
});
