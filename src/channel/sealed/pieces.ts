/**
 * Messages over a connection whose keys are agreed: each a value, cut in pieces, each piece sealed with a counter that is sent
 * nowhere. A piece that was altered, left out, doubled or comes in another order does not open: the connection is over then, and
 * another is made.
 */
import { decode, encode } from 'cborg';
import type { Agreed } from './noise';
import { gcmOpen, gcmSeal, joined, type Bytes } from './primitives';

/** So many bytes are in a piece, before it is sealed. */
export const PIECE = 32_768;
/** A message from outside is refused beyond so many bytes. */
export const LARGEST_MESSAGE = 24_000_000;
/** Objects are told in the order somebody made them in, and that means something: the first number is the one people know. */
const IN_ORDER = { mapSorter: undefined } as object;
const NOTHING: Bytes = new Uint8Array();
const MORE = 1;
const LAST = 0;

/** A value as bytes (CBOR, RFC 8949), and back: bytes stay bytes, what is undefined stays so, and keys stay in their order. */
export const toBytes = (value: unknown): Bytes => encode(value, IN_ORDER).slice();
/** @throws where it is none */
export const fromBytes = (bytes: Uint8Array): unknown => decode(bytes);

/** Why a connection is over. */
export class Broken extends Error {}

export class Sealed {
  private sent = 0;
  private received = 0;
  private gathered: Bytes[] = [];
  private size = 0;
  /** One after the other: sealing takes no time of anybody's, and yet not none. */
  private sending: Promise<void> = Promise.resolve();
  private opening: Promise<void> = Promise.resolve();
  private over = false;

  /**
   * @param post takes sealed pieces in order @param heard is told each message @param broken is told once why it is over
   */
  constructor(
    private readonly keys: Agreed,
    private readonly post: (piece: Bytes) => void,
    private readonly heard: (message: unknown) => void,
    private readonly broken: (why: Broken) => void,
  ) {}

  send(message: unknown): void {
    if (this.over) return;
    const bytes = toBytes(message);
    this.sending = this.sending.then(async () => {
      for (let at = 0; at === 0 || at < bytes.length; at += PIECE) {
        const flag = at + PIECE < bytes.length ? MORE : LAST;
        const plain = joined(new Uint8Array([flag]), bytes.subarray(at, at + PIECE));
        const piece = await gcmSeal(this.keys.send, this.sent++, NOTHING, plain);
        if (this.over) return;
        this.post(piece);
      }
    });
  }

  receive(piece: Bytes): void {
    this.opening = this.opening.then(async () => {
      if (this.over) return;
      let message: unknown;
      try {
        const plain = await gcmOpen(this.keys.receive, this.received++, NOTHING, piece);
        this.size += plain.length;
        if (this.size > LARGEST_MESSAGE) throw new Error('too large');
        this.gathered.push(plain.subarray(1) as Bytes);
        if (plain[0] === MORE) return;
        const whole = joined(...this.gathered);
        this.gathered = [];
        this.size = 0;
        message = fromBytes(whole);
      } catch {
        return this.end(new Broken('Something that was sent did not arrive as it was sent.'));
      }
      this.heard(message);
    });
  }

  /** What was sent so far is on its way by then. */
  flushed(): Promise<void> {
    return this.sending;
  }

  /** Nothing is sent or heard any more. */
  close(): void {
    this.over = true;
  }
  private end(why: Broken): void {
    if (this.over) return;
    this.over = true;
    this.broken(why);
  }
}
