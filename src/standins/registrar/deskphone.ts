/** A stand-in desk phone: given account details, it registers as any SIP phone would, and keeps a note of what was said. */
import { answerChallenge, type Algorithm } from './digest';
import type { RegisterRequest, RegisterResponse } from './register';

/** What somebody typed into the phone, or its file told it. */
export interface Typed {
  server: string;
  user: string;
  authName: string;
  password: string;
  expires: number;
}

export interface Attempt {
  ok: boolean;
  /** What went over the line, one after the other, for people. */
  said: string[];
  /** What the registrar said last, or why nothing was sent. */
  words: string;
  expires: number;
}

/**
 * Registers. @param send carries a request to the registrar @param knows algorithms of the phone: older ones know MD5 only
 * @param cnonce made by the phone
 */
export async function registerPhone(
  typed: Typed,
  knows: readonly Algorithm[],
  cnonce: string,
  send: (request: RegisterRequest) => Promise<RegisterResponse>,
): Promise<Attempt> {
  const uri = `sip:${typed.server}`;
  const said: string[] = [];
  const ask = async (authorization: RegisterRequest['authorization']) => {
    const how = authorization ? ` with a ${authorization.algorithm} digest` : '';
    said.push(`REGISTER ${uri} for ${typed.user}${how}`);
    const response = await send({ user: typed.user, uri, expires: typed.expires, authorization });
    said.push(`${response.status} ${response.reason}: ${response.words}`);
    return response;
  };
  let response = await ask(null);
  for (let tries = 0; response.status === 401 && tries < 2; tries++) {
    // The first challenge it understands: they come strongest first (RFC 8760 §2.4).
    const challenge = response.challenges.find((c) => knows.includes(c.algorithm));
    if (!challenge)
      return { ok: false, said, words: 'The phone knows none of the digests it is asked for.', expires: 0 };
    if (tries && !challenge.stale) break;
    response = await ask(
      answerChallenge(challenge, {
        username: typed.authName,
        password: typed.password,
        method: 'REGISTER',
        uri,
        cnonce,
      }),
    );
  }
  return {
    ok: response.status === 200 && response.expires > 0,
    said,
    words: response.words,
    expires: response.expires,
  };
}
