/** Stand-ins for the records elsewhere that are told of calls: they take what is signed, once, and fail as real ones do. */
import { z } from 'zod';
import { isAsSigned, type Signed } from '../../core/formats/signed-request';

export const HookHabit = z.enum(['takes them', 'refuses', 'is broken', 'never answers', 'answers late']);
export type HookHabit = z.infer<typeof HookHabit>;

/** One that came. */
const Received = z.object({
  key: z.string().max(400),
  url: z.string().max(500),
  at: z.number(),
  body: z.string().max(20_000),
  signed: z.boolean(),
});
export const HookBook = z.object({
  /** What the program behind an address does, by the address. */
  habits: z.record(z.string().max(500), HookHabit),
  /** What was taken, the oldest first. */
  received: z.array(Received),
});
export type HookBook = z.infer<typeof HookBook>;
export const emptyHookBook = (): HookBook => ({ habits: {}, received: [] });

/** So many are kept to be looked at; their keys as well. */
const MOST_KEPT = 500;
/** Longer than this nobody waits for an answer, in seconds. Common practice, no source. */
export const PATIENCE_SECONDS = 10;

export interface Posted {
  book: HookBook;
  answer: {
    /** Null is that there was none in time. */
    status: number | null;
    said: string;
  };
}

/** Hands a request to the address. @param secret what both sides know @param at epoch milliseconds */
export function post(
  book: HookBook,
  url: string,
  key: string,
  request: Signed,
  secret: string,
  at: number,
): Posted {
  const said = (status: number | null, words: string): Posted => ({ book, answer: { status, said: words } });
  switch (book.habits[url] ?? 'takes them') {
    case 'refuses':
      return said(422, '422 Unprocessable Content: it makes nothing of this.');
    case 'is broken':
      return said(503, '503 Service Unavailable.');
    case 'never answers':
      return said(null, `No answer within ${PATIENCE_SECONDS} s.`);
    case 'answers late':
    case 'takes them': {
      if (book.received.some((r) => r.key === key)) return said(200, '200 OK: it had this already.');
      const one = { key, url, at, body: request.body, signed: isAsSigned(url, request, secret) };
      if (!one.signed) return said(401, '401 Unauthorized: the signature is not right.');
      const taken = { ...book, received: [...book.received, one].slice(-MOST_KEPT) };
      // It was taken, and nobody here knows: what comes again has the same key.
      return book.habits[url] === 'answers late'
        ? { book: taken, answer: { status: null, said: `No answer within ${PATIENCE_SECONDS} s.` } }
        : { book: taken, answer: { status: 201, said: '201 Created.' } };
    }
  }
}

/** Whether trying again can help: not where it was understood and refused. */
export const mayPass = (status: number | null): boolean =>
  status === null || status >= 500 || status === 408 || status === 429;
