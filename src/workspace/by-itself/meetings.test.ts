/** Meetings in storage: everybody is asked by mail, answers come back, and what does not count changes nothing. */
import PostalMime from 'postal-mime';
import { expect, it } from 'vitest';
import { writeReply } from '../../core/formats/ical';
import type { Guest } from '../../core/meetings';
import { changeMeeting, hearReply, planMeeting } from '..';
import { begin, HOUR, NOW, later, stored, w } from '../../../tests/fixtures/stored';

stored(() => begin({ mail: [] }));
const guest = (personId: string | null, address: string): Guest => ({
  personId,
  name: address,
  address,
  answer: 'asked',
});
const ROSA = () => w.system.people.rosa!.email;
const plan = () =>
  planMeeting(w, w.system, {
    roomId: 'loft',
    name: 'Winter store',
    note: '',
    from: NOW + 24 * HOUR,
    to: NOW + 25 * HOUR,
    guests: [guest('rosa', ROSA()), guest(null, 'ada@out.example')],
  });
const calendarOf = async (to: string) => {
  const letter = w.view.mail.findLast((m) => m.to === to)!;
  const { attachments } = await PostalMime.parse(letter.raw, { attachmentEncoding: 'utf8' });
  return { letter, file: String(attachments[0]!.content).replace(/\r\n[ \t]/g, '') };
};

it('each who is asked gets a mail with the way in; only the host gets the host’s PIN', async () => {
  expect((await plan()).ok).toBe(true);
  const rosa = await calendarOf(ROSA());
  const ada = await calendarOf('ada@out.example');
  expect(rosa.file).toContain('PIN 97531');
  expect(ada.file).toContain('PIN 2468');
  expect(ada.file + ada.letter.raw).not.toContain('97531');
  expect(ada.letter.subject).toBe('Invitation: Winter store, Wednesday, 25 November 2026 at 10:15');
});

it('answers come back; a change asks anew, and an answer to what was before does not count', async () => {
  await plan();
  const [meeting] = w.view.meetings;
  const { file } = await calendarOf('ada@out.example');
  const reply = (how: 'accepted' | 'declined', at = later(1000)) =>
    writeReply(file, 'ada@out.example', how, at);
  const of = () => w.view.meetings[0]!.guests.map((g) => g.answer);
  expect(await hearReply(w, reply('accepted'), 'ada@out.example')).toBe('ada@out.example has accepted.');
  expect(of()).toEqual(['asked', 'accepted']);
  expect(await hearReply(w, reply('declined'), 'eve@out.example')).toContain('does not count');
  expect(of()).toEqual(['asked', 'accepted']);
  await changeMeeting(w, w.system, meeting!.id, { from: NOW + 30 * HOUR, to: NOW + 31 * HOUR });
  expect(of()).toEqual(['asked', 'asked']);
  expect((await calendarOf('ada@out.example')).letter.subject).toContain('Changed: ');
  expect(await hearReply(w, reply('declined'), 'ada@out.example')).toContain('earlier time');
  await changeMeeting(w, w.system, meeting!.id, { state: 'called off' });
  expect((await calendarOf('ada@out.example')).file).toContain('METHOD:CANCEL');
  expect(await hearReply(w, 'BEGIN:VCALENDAR', 'ada@out.example')).toContain(
    'no answer to a meeting of ours',
  );
});

it('what is past, asks nobody, or is in no room is said, and nothing is stored or sent', async () => {
  const base = {
    roomId: 'loft',
    name: 'x',
    note: '',
    from: NOW + HOUR,
    to: NOW + 2 * HOUR,
    guests: [guest(null, 'ada@out.example')],
  };
  const no = async (change: object) => await planMeeting(w, w.system, { ...base, ...change });
  expect(await no({ from: NOW - 1 })).toMatchObject({ ok: false, field: 'from' });
  expect(await no({ guests: [] })).toMatchObject({ ok: false, field: 'guests' });
  expect(await no({ roomId: 'gone' })).toMatchObject({ ok: false, field: 'room' });
  expect(await no({ name: ' ' })).toMatchObject({ ok: false, field: 'name' });
  expect(await no({ guests: [guest(null, 'no address')] })).toMatchObject({ ok: false });
  expect([w.view.meetings, w.view.mail]).toEqual([[], []]);
});
