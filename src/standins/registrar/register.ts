/** The registrar's desk for SIP accounts: REGISTER, its challenge, and what it says to the answer (RFC 3261 §10.3, §22). */
import type { Account } from '../../core/system';
import { ALGORITHMS, digestResponse, hash, type Authorization, type Challenge } from './digest';

/** A nonce is good for so long, in milliseconds. */
export const NONCE_LIFE_MS = 60_000;
/** After so many wrong passwords in a row an account is locked for a while. */
export const MOST_WRONG = 5;
export const LOCK_MS = 15 * 60_000;
/** A registration is asked for at least so many seconds (RFC 3261 §10.3, 423 Interval Too Brief). */
export const SHORTEST_SECONDS = 60;
export const LONGEST_SECONDS = 3600;

export interface RegisterRequest {
  /** The user part of the address that is registered. */
  user: string;
  uri: string;
  /** Seconds. */
  expires: number;
  authorization: Authorization | null;
}

export interface RegisterResponse {
  status: 200 | 401 | 403 | 404 | 423;
  /** The reason phrase of the status. */
  reason: string;
  /** Why, for people. */
  words: string;
  challenges: Challenge[];
  /** Seconds it is registered for; 0 where it is not. */
  expires: number;
}

/** What the registrar is, besides the accounts it keeps. */
export interface Registrar {
  realm: string;
  /** Known to it alone: nonces are made with it. */
  secret: string;
}

/** A nonce that says when it was made, so that none must be kept (RFC 7616 §3.3). */
const nonceAt = ({ realm, secret }: Registrar, at: number): string =>
  `${at.toString(36)}.${hash('SHA-256', `${at}:${realm}:${secret}`).slice(0, 24)}`;

function nonceAge(registrar: Registrar, nonce: string, now: number): number | null {
  const at = parseInt(nonce.split('.')[0] ?? '', 36);
  return Number.isFinite(at) && nonceAt(registrar, at) === nonce ? now - at : null;
}

const answer = (
  status: RegisterResponse['status'],
  reason: string,
  words: string,
  more: Partial<RegisterResponse> = {},
): RegisterResponse => ({ status, reason, words, challenges: [], expires: 0, ...more });

/**
 * Answers a REGISTER. @param account of the user asked for, or undefined where there is none @param now epoch milliseconds
 * @returns what it says, and the account as it is to be kept: wrong passwords are counted
 */
export function register(
  registrar: Registrar,
  account: Account | undefined,
  request: RegisterRequest,
  now: number,
): { response: RegisterResponse; account: Account | undefined } {
  const stay = (response: RegisterResponse) => ({ response, account });
  const { realm } = registrar;
  const challenges = (stale: boolean): Challenge[] =>
    ALGORITHMS.map((algorithm) => ({ realm, nonce: nonceAt(registrar, now), algorithm, qop: 'auth', stale }));
  const a = request.authorization;
  if (!a)
    return stay(answer(401, 'Unauthorized', 'It asks who is there.', { challenges: challenges(false) }));
  if (!account || a.username !== account.user || request.user !== account.user)
    return stay(
      answer(
        404,
        'Not Found',
        `There is no account “${request.user.slice(0, 40)}”. Look at the user and the name.`,
      ),
    );
  if (account.lockedUntil !== null && now < account.lockedUntil)
    return stay(
      answer(
        403,
        'Forbidden',
        `The account is locked after ${MOST_WRONG} wrong passwords, for ${Math.ceil((account.lockedUntil - now) / 60_000)} more minutes. A new password unlocks it.`,
      ),
    );
  const age = nonceAge(registrar, a.nonce, now);
  if (age === null || a.realm !== realm || a.uri !== request.uri)
    return stay(
      answer(401, 'Unauthorized', 'The answer is not to a question asked here.', {
        challenges: challenges(false),
      }),
    );
  if (age < 0 || age >= NONCE_LIFE_MS)
    return stay(
      answer(401, 'Unauthorized', 'The answer came too late; it is asked again.', {
        challenges: challenges(true),
      }),
    );
  if (digestResponse(account.ha1[a.algorithm], 'REGISTER', a) !== a.response) {
    const wrongTries = account.wrongTries + 1;
    const locked = wrongTries >= MOST_WRONG;
    return {
      account: {
        ...account,
        wrongTries: locked ? 0 : wrongTries,
        lockedUntil: locked ? now + LOCK_MS : null,
      },
      response: answer(
        403,
        'Forbidden',
        locked
          ? `The password is wrong, for the fifth time: the account is locked for ${LOCK_MS / 60_000} minutes.`
          : `The password is wrong. ${MOST_WRONG - wrongTries} more and the account is locked.`,
      ),
    };
  }
  if (request.expires > 0 && request.expires < SHORTEST_SECONDS)
    return stay(answer(423, 'Interval Too Brief', `It wants at least ${SHORTEST_SECONDS} seconds.`));
  const expires = Math.min(request.expires, LONGEST_SECONDS);
  return {
    account: { ...account, wrongTries: 0, lockedUntil: null },
    response: answer(200, 'OK', expires ? `Registered for ${expires} seconds.` : 'Signed off.', { expires }),
  };
}
