/** Proving that an outside phone belongs to whoever links it: a code sent there, given back here. */
import { z } from 'zod';
import { E164, Id } from '../../core/system/shape/primitives';

/** A code is good for so long, in milliseconds. */
export const PROOF_LIFE_MS = 10 * 60_000;
/** After so many wrong tries a code is void. */
export const MOST_TRIES = 3;
/** So many codes may be sent to a phone within an hour. */
export const MOST_SENT = 5;

export const Proof = z.object({
  id: Id,
  phoneId: Id,
  number: E164,
  by: z.enum(['text', 'call']),
  code: z.string().regex(/^\d{6}$/),
  sentAt: z.number(),
  wrongTries: z.number().int().min(0),
  state: z.enum(['open', 'used', 'void']),
});
export type Proof = z.infer<typeof Proof>;

export type Sent = { ok: true; proofs: Proof[] } | { ok: false; message: string };

/** Sends a code. A later one takes the place of an earlier one. @param proofs all of the business */
export function sendProof(
  proofs: readonly Proof[],
  fresh: Pick<Proof, 'id' | 'phoneId' | 'number' | 'by' | 'code'>,
  now: number,
): Sent {
  const lately = proofs.filter(
    (p) => p.number === fresh.number && p.sentAt <= now && now - p.sentAt < 3_600_000,
  );
  if (lately.length >= MOST_SENT)
    return { ok: false, message: `Five codes were sent to this phone within an hour. Try again later.` };
  return {
    ok: true,
    proofs: [
      ...proofs.map((p): Proof =>
        p.phoneId === fresh.phoneId && p.state === 'open' ? { ...p, state: 'void' } : p,
      ),
      { ...fresh, sentAt: now, wrongTries: 0, state: 'open' },
    ],
  };
}

export type Tried = { ok: boolean; message: string; proofs: Proof[] };

/** Tries a code for a phone. @returns what to say, and the proofs as they are now */
export function tryProof(proofs: readonly Proof[], phoneId: string, typed: string, now: number): Tried {
  const code = typed.replace(/[\s-]/g, '');
  const last = proofs.filter((p) => p.phoneId === phoneId).at(-1);
  const stay = [...proofs];
  const put = (change: Partial<Proof>) => proofs.map((p) => (p === last ? { ...p, ...change } : p));
  if (!last) return { ok: false, message: 'No code was sent yet.', proofs: stay };
  if (!/^\d{6}$/.test(code)) return { ok: false, message: 'A code is six digits.', proofs: stay };
  if (last.state === 'used') return { ok: false, message: 'This code has been used already.', proofs: stay };
  if (last.state === 'void')
    return { ok: false, message: 'This code is void after three wrong tries. Send a new one.', proofs: stay };
  if (now - last.sentAt >= PROOF_LIFE_MS)
    return {
      ok: false,
      message: 'This code has expired: it was good for ten minutes. Send a new one.',
      proofs: stay,
    };
  if (code === last.code) return { ok: true, message: '', proofs: put({ state: 'used' }) };
  const earlier = proofs.some((p) => p.phoneId === phoneId && p !== last && p.code === code);
  const wrongTries = last.wrongTries + 1;
  const left = MOST_TRIES - wrongTries;
  const proofsNow = put({ wrongTries, state: left ? 'open' : 'void' });
  if (!left)
    return {
      ok: false,
      message: 'That is not the code, and it was the third try: it is void. Send a new one.',
      proofs: proofsNow,
    };
  const tries = left === 1 ? 'One try is left.' : `${left} tries are left.`;
  return {
    ok: false,
    message: earlier
      ? `That is the code of an earlier message. Use the newest. ${tries}`
      : `That is not the code. ${tries}`,
    proofs: proofsNow,
  };
}
