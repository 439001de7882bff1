/** Sealed channels: the primitives by their published examples, the handshake against an implementation of somebody else. */
import createNoise, { type NoiseLibrary } from 'noise-c.wasm';
import { beforeAll, describe, expect, it } from 'vitest';
import {
  agree,
  ask,
  base64Url,
  Broken,
  gcmKey,
  gcmOpen,
  gcmSeal,
  hear,
  hkdf,
  makeKeys,
  ofBase64Url,
  PIECE,
  PROTOCOL,
  readPrivate,
  Sealed,
  toBytes,
  writePrivate,
  type Agreed,
  type Bytes,
  type KeyPair,
} from '.';

const bytes = (hex: string): Bytes => Uint8Array.from(hex.match(/../g) ?? [], (b) => parseInt(b, 16));
const hex = (b: Uint8Array): string => Buffer.from(b).toString('hex');
const words = (text: string): Bytes => new TextEncoder().encode(text);
/** A private key from its 32 bytes: PKCS #8 of RFC 8410 §7 begins like this. */
const privateOf = (raw: string) => readPrivate(bytes(`302e020100300506032b656e04220420${raw}`));

describe('primitives', () => {
  it('X25519: the example of RFC 7748 §6.1', async () => {
    const alice = await privateOf('77076d0a7318a57d3c16c17251b26645df4c2f87ebc0992ab177fba51db92c2a');
    const bob = await privateOf('5dab087e624a8a4b79e17f8b83800ee66f3bb1292618b6fd1c2f8b27ff88e0eb');
    const shared = '4a5d9d5ba4ce2de1728e3bf480350f25e07e21c947d19e3376f09b3c1e161742';
    const publics = [
      '8520f0098930a754748b7ddcb43ef75a0dbf3a0d26381af4eba4a98eaa9b4e6a',
      'de9edb7d7b7dc1b4d35b61c2ece435373f8343c85b78674dadfc7e146f882b4f',
    ].map(bytes) as [Bytes, Bytes];
    expect(hex(await agree(alice, publics[1]))).toBe(shared);
    expect(hex(await agree(bob, publics[0]))).toBe(shared);
  });
  it('X25519: a key that would give all zeros is refused (RFC 7748 §6.1)', async () => {
    const { privateKey } = await makeKeys();
    await expect(agree(privateKey, new Uint8Array(32))).rejects.toThrow();
  });
  it('HKDF: test case 3 of RFC 5869 appendix A, which has no salt and no information', async () => {
    const [a, b] = (await hkdf(new Uint8Array(), bytes('0b'.repeat(22)), 2)) as [Bytes, Bytes];
    expect(hex(a) + hex(b).slice(0, 20)).toBe(
      '8da4e775a563c18f715f802a063c5a31b8a11f5c5ee1879ec3454e5f3c738d2d9d201395faa4b61a96c8',
    );
  });
  // McGrew and Viega, "The Galois/Counter Mode of Operation (GCM)", appendix B, test cases 13 and 14.
  it.each([
    ['', '530f8afbc74536b9a963b4f1c4cb738b'],
    ['00'.repeat(16), 'cea7403d4d606b6e074ec5d3baf39d18d0d1c8a799996bf0265b98b5d48ab919'],
  ])('AES-GCM of 256 bits: “%s” under a key of zeros', async (plain, sealed) => {
    const key = await gcmKey(new Uint8Array(32));
    expect(hex(await gcmSeal(key, 0, new Uint8Array(), bytes(plain)))).toBe(sealed);
    expect(hex(await gcmOpen(key, 0, new Uint8Array(), bytes(sealed)))).toBe(plain);
    await expect(gcmOpen(key, 1, new Uint8Array(), bytes(sealed))).rejects.toThrow();
  });
  // RFC 4648 §10, without padding, and the two letters of §5.
  it.each([
    ['', ''],
    ['f', 'Zg'],
    ['foobar', 'Zm9vYmFy'],
    ['\u00fb\u00ff', '-_8'],
  ])('base64url of “%s”', (plain, written) => {
    const raw = Uint8Array.from(plain, (c) => c.charCodeAt(0));
    expect(base64Url(raw)).toBe(written);
    expect(ofBase64Url(written)).toEqual(raw);
  });
  it('base64url: what is none is told apart', () => {
    expect(ofBase64Url('a+b')).toBeUndefined();
    expect(ofBase64Url('a')).toBeUndefined();
  });
  it('a private key is read out only where it may, and is the same when read again', async () => {
    const own = await makeKeys(true);
    const again = await readPrivate(await writePrivate(own.privateKey));
    const other = await makeKeys();
    expect(hex(await agree(again, other.publicKey))).toBe(hex(await agree(own.privateKey, other.publicKey)));
    await expect(writePrivate(other.privateKey)).rejects.toThrow();
  });
});

const PROLOGUE = words('upper-line 1');

describe('the handshake, held against noise-c', () => {
  let noise: NoiseLibrary;
  beforeAll(async () => {
    noise = await new Promise<NoiseLibrary>((resolve) => createNoise(resolve));
  });
  const { NOISE_ROLE_INITIATOR, NOISE_ROLE_RESPONDER } = {
    NOISE_ROLE_INITIATOR: 0x5201,
    NOISE_ROLE_RESPONDER: 0x5202,
  };
  /** A pair of theirs. */
  const theirKeys = () => noise.CreateKeyPair(noise.constants['NOISE_DH_CURVE25519']!) as [Bytes, Bytes];

  it('ours asks, theirs answers: each reads what the other says', async () => {
    const [secret, publicKey] = theirKeys();
    const theirs = new noise.HandshakeState(PROTOCOL, NOISE_ROLE_RESPONDER);
    theirs.Initialize(PROLOGUE, secret, null, null);
    const own = await makeKeys();
    const asked = await ask(own, publicKey, PROLOGUE, words('may I?'));
    expect(theirs.ReadMessage(asked.message, true)).toEqual(words('may I?'));
    expect(hex(theirs.GetRemotePublicKey())).toBe(hex(own.publicKey));
    const { payload, keys } = await asked.finish(theirs.WriteMessage(words('you may')));
    expect(payload).toEqual(words('you may'));
    const [send, receive] = theirs.Split();
    const none = new Uint8Array();
    for (const n of [0, 1]) {
      expect(receive.DecryptWithAd(none, await gcmSeal(keys.send, n, none, words(`a ${n}`)))).toEqual(
        words(`a ${n}`),
      );
      expect(await gcmOpen(keys.receive, n, none, send.EncryptWithAd(none, words(`b ${n}`)))).toEqual(
        words(`b ${n}`),
      );
    }
  });

  it('theirs asks, ours answers', async () => {
    const [secret] = theirKeys();
    const own = await makeKeys();
    const theirs = new noise.HandshakeState(PROTOCOL, NOISE_ROLE_INITIATOR);
    theirs.Initialize(PROLOGUE, secret, own.publicKey, null);
    const heard = await hear(own, PROLOGUE, theirs.WriteMessage(words('may I?')));
    expect(heard.payload).toEqual(words('may I?'));
    const { message, keys } = await heard.answer(words('you may'));
    expect(theirs.ReadMessage(message, true)).toEqual(words('you may'));
    const [send] = theirs.Split();
    const none = new Uint8Array();
    expect(await gcmOpen(keys.receive, 0, none, send.EncryptWithAd(none, words('x')))).toEqual(words('x'));
  });
});

/** Two that have agreed on keys. */
async function agreed() {
  const [exchange, device] = [await makeKeys(), await makeKeys()] as [KeyPair, KeyPair];
  const asked = await ask(device, exchange.publicKey, PROLOGUE, words('hello'));
  const heard = await hear(exchange, PROLOGUE, asked.message);
  const answer = await heard.answer(words('hello you'));
  const done = await asked.finish(answer.message);
  return { exchange, device, asked, heard, answer, done };
}

describe('a handshake is refused', () => {
  it('by another than whom was asked, with another prologue, or where a bit was altered', async () => {
    const [own, exchange, other] = [await makeKeys(), await makeKeys(), await makeKeys()];
    const { message } = await ask(own, exchange.publicKey, PROLOGUE, words('hello'));
    await expect(hear(other, PROLOGUE, message)).rejects.toThrow();
    await expect(hear(exchange, words('upper-line 2'), message)).rejects.toThrow();
    for (const at of [0, 40, 90]) {
      const altered = message.slice();
      altered[at]! ^= 1;
      await expect(hear(exchange, PROLOGUE, altered)).rejects.toThrow();
    }
    await expect(hear(exchange, PROLOGUE, message.slice(0, 50))).rejects.toThrow('too short');
  });
  it('a greeting that is sent again gets other keys, which only whoever made it can work out', async () => {
    const { exchange, asked, answer } = await agreed();
    const again = await (await hear(exchange, PROLOGUE, asked.message)).answer(words('hello you'));
    expect(hex(again.message)).not.toBe(hex(answer.message));
    const piece = await gcmSeal(again.keys.send, 0, new Uint8Array(), words('x'));
    await expect(gcmOpen(answer.keys.send, 0, new Uint8Array(), piece)).rejects.toThrow();
  });
});

describe('messages', () => {
  /** One side sends; what comes of the pieces, once they have gone through somebody’s hands, is told. */
  async function through(messages: unknown[], hands: (pieces: Bytes[]) => Bytes[]) {
    const { done, answer } = await agreed();
    const pieces: Bytes[] = [];
    const sender = new Sealed(
      done.keys,
      (p) => pieces.push(p),
      () => {},
      () => {},
    );
    for (const m of messages) sender.send(m);
    await sender.flushed();
    const heard: unknown[] = [];
    const broken: Broken[] = [];
    const receiver = new Sealed(
      answer.keys as Agreed,
      () => {},
      (m) => heard.push(m),
      (why) => broken.push(why),
    );
    for (const p of hands(pieces)) receiver.receive(p);
    // Opened one after the other: a last one that opens nothing comes when all others are through.
    await new Promise<void>((resolve) => setTimeout(resolve, 30));
    return { heard, broken, pieces };
  }
  const long = 'x'.repeat(PIECE * 2 + 5);

  it('arrive as they were sent, in order, however long; bytes stay bytes', async () => {
    const sent = [
      { do: 'act', a: 1.5, none: null },
      long,
      new Uint8Array([1, 2, 3]),
      [],
      { gone: undefined },
    ];
    const { heard, broken, pieces } = await through(sent, (p) => p);
    expect(heard).toEqual(sent);
    expect(Object.keys(heard[0] as object)).toEqual(['do', 'a', 'none']);
    expect(Object.keys(heard[4] as object)).toEqual(['gone']);
    expect(broken).toEqual([]);
    expect(pieces.length).toBe(4 + Math.ceil(toBytes(long).length / PIECE));
    for (const p of pieces) expect(Buffer.from(p).includes('act')).toBe(false);
  });
  it.each<[string, (p: Bytes[]) => Bytes[], number]>([
    ['doubled', ([a, b, c]) => [a!, a!, b!, c!], 1],
    ['in another order', ([a, b, c]) => [b!, a!, c!], 0],
    ['left out', ([a, , c]) => [a!, c!], 1],
    ['altered', ([a, b, c]) => [a!, b!.map((x, i) => (i === 3 ? x ^ 1 : x)), c!], 1],
    ['cut', ([a, b, c]) => [a!, b!.slice(0, -1), c!], 1],
  ])('one that is %s ends the connection, and nothing after it is believed', async (_, hands, before) => {
    const { heard, broken } = await through(['a', 'b', 'c'], hands);
    expect(heard).toEqual(['a', 'b', 'c'].slice(0, before));
    expect(broken).toHaveLength(1);
  });
});
