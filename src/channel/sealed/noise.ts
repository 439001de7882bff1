/**
 * How two agree on keys and know each other: the handshake Noise_IK_25519_AESGCM_SHA256 of the Noise Protocol Framework,
 * revision 34. One asks whose key it knows; the other answers. Each connection has new keys, one for each direction, so that
 * counters begin at 0 and are stored nowhere; long-lived keys only say who is who.
 */
import {
  agree,
  gcmKey,
  gcmOpen,
  gcmSeal,
  hkdf,
  joined,
  makeKeys,
  sha256,
  type Bytes,
  type KeyPair,
} from './primitives';

export const PROTOCOL = 'Noise_IK_25519_AESGCM_SHA256';
const KEY = 32;
const TAG = 16;
const NONE: Bytes = new Uint8Array();

/** The keys of a connection, for each direction. */
export interface Agreed {
  send: CryptoKey;
  receive: CryptoKey;
}

/** The symmetric state of §5.2: all that was said so far is in `h`, and every agreed secret in `ck`. */
class Symmetric {
  private n = 0;
  private key: CryptoKey | null = null;

  private constructor(
    private h: Bytes,
    private ck: Bytes,
  ) {}

  /** @param prologue what both must agree on before the first word */
  static async begin(prologue: Bytes, responder: Bytes): Promise<Symmetric> {
    // §5.2: a name of at most 32 bytes is filled up with zeros.
    const name = joined(new TextEncoder().encode(PROTOCOL), new Uint8Array(KEY)).slice(0, KEY);
    const state = new Symmetric(name, name);
    await state.mixHash(prologue);
    await state.mixHash(responder);
    return state;
  }
  async mixHash(data: Bytes): Promise<void> {
    this.h = await sha256(this.h, data);
  }
  async mixKey(secret: Bytes): Promise<void> {
    const [ck, key] = (await hkdf(this.ck, secret, 2)) as [Bytes, Bytes];
    this.ck = ck;
    this.key = await gcmKey(key);
    this.n = 0;
  }
  async seal(plain: Bytes): Promise<Bytes> {
    const sealed = await gcmSeal(this.key!, this.n++, this.h, plain);
    await this.mixHash(sealed);
    return sealed;
  }
  /** @throws where it was not sealed with what is known here */
  async open(sealed: Bytes): Promise<Bytes> {
    const plain = await gcmOpen(this.key!, this.n++, this.h, sealed);
    await this.mixHash(sealed);
    return plain;
  }
  /** @returns the keys of whoever asked, and of whoever answered */
  async split(): Promise<[CryptoKey, CryptoKey]> {
    const [a, b] = (await hkdf(this.ck, NONE, 2)) as [Bytes, Bytes];
    return [await gcmKey(a), await gcmKey(b)];
  }
}

/** The first message, and how its answer is taken. */
export interface Asked {
  message: Bytes;
  /** @throws where the answer is not from whom was asked, or was altered */
  finish(answer: Bytes): Promise<{ payload: Bytes; keys: Agreed }>;
}

/**
 * Asks somebody whose public key is known.
 * @param payload goes sealed, to them alone; whoever records it may send it again, and gets no further
 */
export async function ask(own: KeyPair, theirs: Bytes, prologue: Bytes, payload: Bytes): Promise<Asked> {
  const e = await makeKeys();
  const state = await Symmetric.begin(prologue, theirs);
  await state.mixHash(e.publicKey);
  await state.mixKey(await agree(e.privateKey, theirs));
  const sealedKey = await state.seal(own.publicKey);
  await state.mixKey(await agree(own.privateKey, theirs));
  const sealed = await state.seal(payload);
  return {
    message: joined(e.publicKey, sealedKey, sealed),
    async finish(answer) {
      const re = answer.slice(0, KEY);
      await state.mixHash(re);
      await state.mixKey(await agree(e.privateKey, re));
      await state.mixKey(await agree(own.privateKey, re));
      const heard = await state.open(answer.slice(KEY));
      const [send, receive] = await state.split();
      return { payload: heard, keys: { send, receive } };
    },
  };
}

/** A first message that was understood: who asks, what they say, and how they are answered. */
export interface Heard {
  /** Whoever asks has the private key to this. */
  theirs: Bytes;
  payload: Bytes;
  answer(payload: Bytes): Promise<{ message: Bytes; keys: Agreed }>;
}

/** Takes a first message. @throws where it is not meant for this key, or was altered */
export async function hear(own: KeyPair, prologue: Bytes, message: Bytes): Promise<Heard> {
  if (message.length < KEY + KEY + TAG + TAG) throw new Error('That is too short to be a greeting.');
  const re = message.slice(0, KEY);
  const state = await Symmetric.begin(prologue, own.publicKey);
  await state.mixHash(re);
  await state.mixKey(await agree(own.privateKey, re));
  const theirs = await state.open(message.slice(KEY, KEY + KEY + TAG));
  await state.mixKey(await agree(own.privateKey, theirs));
  const payload = await state.open(message.slice(KEY + KEY + TAG));
  return {
    theirs,
    payload,
    async answer(said) {
      const e = await makeKeys();
      await state.mixHash(e.publicKey);
      await state.mixKey(await agree(e.privateKey, re));
      await state.mixKey(await agree(e.privateKey, theirs));
      const sealed = await state.seal(said);
      const [receive, send] = await state.split();
      return { message: joined(e.publicKey, sealed), keys: { send, receive } };
    },
  };
}
