/** Messages found again. */
import { describe, expect, it } from 'vitest';
import { ALL_MESSAGES, inbox, overdue, type Message } from '.';

const DAY = 86_400_000;
const message = (id: string, change: Partial<Message> = {}): Message => ({
  id,
  mailboxId: 'front',
  at: Number(id) * DAY,
  from: 'Ada Harrow',
  fromNumber: '+12065550133',
  said: 'The mast step is cracked.',
  heard: false,
  ...change,
});
const all = [
  message('1'),
  message('2', { heard: true, note: 'Quote sent', assignedTo: 'rosa' }),
  message('3', { mailboxId: 'workshop', notes: [{ label: 'Boat', text: 'Heron' }] }),
  message('4', { folder: 'archive' }),
  message('5', { folder: 'bin', binnedAt: 5 * DAY, from: 'a hidden number', fromNumber: null }),
];
const ids = (change: Partial<typeof ALL_MESSAGES>) =>
  inbox(all, { ...ALL_MESSAGES, ...change }).map((m) => m.id);

describe('the inbox', () => {
  it('has the newest first, and the archive and the bin apart', () => {
    expect(ids({})).toEqual(['3', '2', '1']);
    expect(ids({ folder: 'archive' })).toEqual(['4']);
    expect(ids({ folder: 'bin' })).toEqual(['5']);
  });
  it('is narrowed by mailbox, by whom it is for, and to what is new', () => {
    expect(ids({ mailboxId: 'workshop' })).toEqual(['3']);
    expect(ids({ assignedTo: 'rosa' })).toEqual(['2']);
    expect(ids({ assignedTo: '-' })).toEqual(['3', '1']);
    expect(ids({ onlyNew: true })).toEqual(['3', '1']);
  });
  it('is searched in words, notes, names and numbers, all words in any order', () => {
    expect(ids({ text: 'CRACKED mast' })).toEqual(['3', '2', '1']);
    expect(ids({ text: 'quote' })).toEqual(['2']);
    expect(ids({ text: 'heron' })).toEqual(['3']);
    expect(ids({ text: '5550133' })).toEqual(['3', '2', '1']);
    expect(ids({ text: 'mast quote nothing' })).toEqual([]);
  });
});

it('messages go when their mailbox no longer keeps them, or after a month in the bin', () => {
  const gone = (now: number) => overdue(all, new Map([['workshop', 10]]), now).map((m) => m.id);
  expect(gone(13 * DAY)).toEqual([]);
  expect(gone(13 * DAY + 1)).toEqual(['3']);
  expect(gone(36 * DAY)).toEqual(['3', '5']);
});
