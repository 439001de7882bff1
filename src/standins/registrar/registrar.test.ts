import { describe, expect, it } from 'vitest';
import { newAccount, PASSWORD_BITS, passwordFrom } from './accounts';
import { registerPhone, type Typed } from './deskphone';
import { answerChallenge, digestResponse, ha1Of, type Algorithm } from './digest';
import {
  LOCK_MS,
  MOST_WRONG,
  NONCE_LIFE_MS,
  register,
  type Registrar,
  type RegisterRequest,
} from './register';

describe('digest authentication', () => {
  // RFC 2617 §3.5, the worked example. (published)
  it('gives the response of RFC 2617', () => {
    const a = {
      algorithm: 'MD5',
      nonce: 'dcd98b7102dd2f0e8b11d0f600bfb0c093',
      nc: '00000001',
      cnonce: '0a4f113b',
      qop: 'auth',
      uri: '/dir/index.html',
    } as const;
    const ha1 = ha1Of('MD5', 'Mufasa', 'testrealm@host.com', 'Circle Of Life');
    expect(digestResponse(ha1, 'GET', a)).toBe('6629fae49393a05397450978507c4ef1');
  });

  // RFC 7616 §3.9.1, the worked example, once for each algorithm. (published)
  it.each([
    ['MD5', '8ca523f5e9506fed4657c9700eebdbec'],
    ['SHA-256', '753927fa0e85d155564e2e272a28d1802ca10daf4496794697cf8db5856cb6c1'],
  ] as const)('gives the response of RFC 7616 with %s', (algorithm, response) => {
    const answer = answerChallenge(
      {
        realm: 'http-auth@example.org',
        nonce: '7ypf/xlj9XXwfDPEoM4URrv/xwf94BcCAzFZH4GiTo0v',
        algorithm,
        qop: 'auth',
        stale: false,
      },
      {
        username: 'Mufasa',
        password: 'Circle of Life',
        method: 'GET',
        uri: '/dir/index.html',
        cnonce: 'f2/wE4q74E6zIJEtWaHKaf5wv/H5QzzpXusqGemxURZJ',
      },
    );
    expect(answer.response).toBe(response);
  });
});

describe('passwords', () => {
  it('are 20 characters of 55 alike in likelihood, 115 bits, none of which looks like another', () => {
    const bytes = Uint8Array.from({ length: 96 }, (_, i) => i * 7);
    expect(passwordFrom(bytes)).toMatch(/^[2-9a-km-zA-HJ-NP-Z]{20}$/);
    expect(passwordFrom(bytes)).not.toMatch(/[01OIl]/);
    // log2(56) = 5.807 bits a character.
    expect(PASSWORD_BITS).toBe(Math.floor(20 * Math.log2(56)));
    expect(() => passwordFrom(new Uint8Array(96).fill(255))).toThrow(RangeError);
  });
});

describe('the registrar', () => {
  const registrar: Registrar = { realm: 'yard.sip.upperline.example', secret: 's' };
  const typed: Typed = {
    server: 'sip.upperline.example',
    user: 'p1',
    authName: 'p1',
    password: 'right',
    expires: 600,
  };
  const make = () => newAccount('p1', registrar.realm, 'right', 0);

  /** A phone that registers at a moment with an account that is kept from one time to the next. */
  function desk(account = make()) {
    let kept: ReturnType<typeof register>['account'] = account;
    const at = (now: number) => async (request: RegisterRequest) => {
      const { response, account } = register(registrar, kept, request, now);
      kept = account;
      return response;
    };
    return {
      account: () => kept!,
      send: at,
      register: (now: number, change: Partial<Typed> = {}, knows: Algorithm[] = ['SHA-256', 'MD5']) =>
        registerPhone({ ...typed, ...change }, knows, 'c0ffee', at(now)),
    };
  }

  it.each([['SHA-256'], ['MD5']] as const)('takes the right password with %s', async (algorithm) => {
    const attempt = await desk().register(1000, {}, [algorithm]);
    expect(attempt).toMatchObject({ ok: true, expires: 600, words: 'Registered for 600 seconds.' });
    expect(attempt.said[0]).toBe('REGISTER sip:sip.upperline.example for p1');
    expect(attempt.said[1]).toMatch(/^401 Unauthorized/);
    expect(attempt.said[2]).toContain(`with a ${algorithm} digest`);
    expect(attempt.said[3]).toMatch(/^200 OK/);
  });

  it('never keeps the password', () => expect(JSON.stringify(make())).not.toContain('right'));

  it('says which part is wrong', async () => {
    expect((await desk().register(0, { user: 'p2', authName: 'p2' })).words).toContain('no account “p2”');
    expect((await desk().register(0, { authName: 'rosa' })).words).toContain('no account');
    expect((await desk().register(0, { password: 'wrong' })).words).toContain(
      'The password is wrong. 4 more',
    );
    expect((await desk().register(0, { expires: 10 })).words).toContain('at least 60 seconds');
    expect((await desk().register(0, {}, [])).words).toContain('none of the digests');
    expect(await desk().register(0, { expires: 0 })).toMatchObject({ ok: false, words: 'Signed off.' });
  });

  it('locks an account after five wrong passwords, and lets it go after a quarter of an hour', async () => {
    const phone = desk();
    for (let i = 1; i <= MOST_WRONG; i++)
      expect((await phone.register(i, { password: 'wrong' })).words).toContain(
        i < MOST_WRONG ? 'more and the account is locked' : 'for the fifth time',
      );
    expect(await phone.register(60_000)).toMatchObject({
      ok: false,
      words: expect.stringContaining('15 more minutes'),
    });
    expect((await phone.register(MOST_WRONG + LOCK_MS)).ok).toBe(true);
  });

  it('a right password forgets the wrong ones before it', async () => {
    const phone = desk();
    for (let i = 0; i < MOST_WRONG - 1; i++) await phone.register(i, { password: 'wrong' });
    expect(phone.account().wrongTries).toBe(4);
    await phone.register(10);
    expect(phone.account()).toMatchObject({ wrongTries: 0, lockedUntil: null });
  });

  it('takes no answer to an old question, nor to one it never asked', async () => {
    const phone = desk();
    const [challenge] = (await phone.send(0)({ user: 'p1', uri: 'sip:x', expires: 600, authorization: null }))
      .challenges;
    const answer = (change: object = {}) =>
      answerChallenge(
        { ...challenge!, ...change },
        { username: 'p1', password: 'right', method: 'REGISTER', uri: 'sip:x', cnonce: 'c' },
      );
    const send = (now: number, authorization = answer(), uri = 'sip:x') =>
      phone.send(now)({ user: 'p1', uri, expires: 600, authorization });
    expect((await send(NONCE_LIFE_MS - 1)).status).toBe(200);
    expect(await send(NONCE_LIFE_MS)).toMatchObject({
      status: 401,
      challenges: [{ stale: true }, { stale: true }],
    });
    expect((await send(1, answer({ nonce: 'made.up' }))).status).toBe(401);
    expect((await send(1, answer({ realm: 'elsewhere' }))).status).toBe(401);
    expect((await send(1, answer(), 'sip:y')).status).toBe(401);
    expect(phone.account().wrongTries).toBe(0);
  });
});
