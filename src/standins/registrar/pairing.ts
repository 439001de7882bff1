/** The registrar's pairing desk: a six-digit code that joins an app to a phone account. */
import { z } from 'zod';
import { Id } from '../../core/system';

/** After so many wrong tries no code of the business works any more until a new invitation is sent. */
export const MOST_TRIES = 5;

export const Invitation = z.object({
  id: Id,
  businessId: Id,
  personId: Id,
  phoneId: Id,
  code: z.string().regex(/^\d{6}$/),
  /** What a link carries that pairs a phone on another machine, 256 bits as base64url; absent in what was sent before there were any. */
  secret: z
    .string()
    .regex(/^[\w-]{43}$/)
    .optional(),
  /** The address it was mailed to, and that letter. */
  to: z.string(),
  mailId: Id.nullable(),
  sentAt: z.number(),
  expiresAt: z.number(),
  wrongTries: z.number().int().min(0),
  state: z.enum(['open', 'used', 'locked', 'withdrawn']),
});
export type Invitation = z.infer<typeof Invitation>;

/** A code from random numbers that the caller gives, never starting with 0 so that nobody drops it. @param random 0 to 1 */
export const codeFrom = (random: number): string => String(100_000 + Math.floor(random * 900_000));

/** A link that makes a phone of another machine works once, within so long, in milliseconds. */
export const LINK_MS = 24 * 60 * 60_000;

export type LinkTried =
  | { ok: true; invitation: Invitation }
  /** @param changed the invitation, where it is to be stored anew @param again it was used before */
  | { ok: false; message: string; changed?: Invitation; again?: boolean };

/** Tries what a link says of an invitation. @param now epoch milliseconds */
export function tryLink(invitation: Invitation | undefined, secret: string, now: number): LinkTried {
  const no = (message: string, more: { changed?: Invitation; again?: boolean } = {}): LinkTried => ({
    ok: false,
    message,
    ...more,
  });
  if (!invitation?.secret) return no('This link belongs to no invitation. Ask for a new one.');
  if (invitation.state === 'locked')
    return no('This link is locked after too many wrong tries. Ask for a new invitation.');
  if (invitation.secret !== secret) {
    if (invitation.state !== 'open') return no('That is not the link of the invitation.');
    const wrongTries = invitation.wrongTries + 1;
    const state = wrongTries >= MOST_TRIES ? 'locked' : 'open';
    return no('That is not the link of the invitation. Open it whole.', {
      changed: { ...invitation, wrongTries, state },
    });
  }
  switch (invitation.state) {
    case 'used':
      return no('This link has been used before, and works once. Ask for a new invitation.', { again: true });
    case 'withdrawn':
      return no('This link was withdrawn, or a newer one was sent. Use the newest letter, or ask for one.');
    case 'open':
      if (now >= Math.min(invitation.sentAt + LINK_MS, invitation.expiresAt))
        return no('This link was good for 24 hours. Ask for a new invitation.');
      return { ok: true, invitation: { ...invitation, state: 'used' } };
  }
}

export type PairingResult =
  | { ok: true; invitation: Invitation; changed: Invitation[] }
  | { ok: false; message: string; changed: Invitation[] };

/**
 * Tries a code against the invitations of one business.
 * A wrong code could have been meant for any of the open invitations, so it counts against each.
 * @returns the outcome, and the invitations that must be stored anew
 */
export function tryCode(invitations: readonly Invitation[], code: string, now: number): PairingResult {
  const found = invitations.find((i) => i.code === code);
  if (found?.state === 'open' && now < found.expiresAt) {
    const used: Invitation = { ...found, state: 'used' };
    return { ok: true, invitation: used, changed: [used] };
  }
  if (found?.state === 'open')
    return {
      ok: false,
      message: 'This code has expired. Ask for a new invitation.',
      changed: [],
    };
  if (found?.state === 'used')
    return { ok: false, message: 'This code has been used already. Ask for a new invitation.', changed: [] };
  if (found?.state === 'withdrawn')
    return {
      ok: false,
      message: 'This code was withdrawn, or a newer one was sent. Use the newest letter, or ask for one.',
      changed: [],
    };
  if (found?.state === 'locked')
    return {
      ok: false,
      message: 'This code is locked after too many wrong tries. Ask for a new invitation.',
      changed: [],
    };
  const changed = invitations
    .filter((i) => i.state === 'open' && now < i.expiresAt)
    .map((i): Invitation => {
      const wrongTries = i.wrongTries + 1;
      return { ...i, wrongTries, state: wrongTries >= MOST_TRIES ? 'locked' : 'open' };
    });
  if (!changed.length)
    return { ok: false, message: 'No invitation is open for this business. Ask for a new one.', changed };
  const left = MOST_TRIES - Math.max(...changed.map((i) => i.wrongTries));
  return {
    ok: false,
    message:
      left > 0
        ? `That is not the code. ${left === 1 ? 'One try is' : `${left} tries are`} left before codes are locked.`
        : 'That is not the code, and it was the fifth wrong try: codes are locked. Ask for a new invitation.',
    changed,
  };
}
