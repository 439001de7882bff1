/** An inbox of ten thousand messages, invented. */
import { drawn } from '../src/core/calls/rules/chance';
import type { Message } from '../src/core/messages';

const WORDS = 'mast keel slip timber winter engine call boat anchor noon quote charter sail paint'.split(' ');
/** @param mailboxIds they lie in, by turns */
export const manyMessages = (mailboxIds: readonly string[] = ['a', 'b', 'c', 'd', 'e']): Message[] =>
  Array.from({ length: 10_000 }, (_, i): Message => ({
    id: `m${i}`,
    mailboxId: mailboxIds[i % mailboxIds.length]!,
    at: i * 60_000,
    from: `(206) 555-0${100 + (i % 100)}`,
    fromNumber: `+12065550${100 + (i % 100)}`,
    said: Array.from({ length: 30 }, (_, k) => WORDS[Math.floor(drawn(i, k) * WORDS.length)]).join(' '),
    heard: i % 3 === 0,
  }));
