/** The exchange that gives itself away: offers a link, hears who comes by it, and gives once somebody has said so. */
import { addressOf, type RelayClient, type RelayTold } from '../../channel/relay';
import {
  base64Url,
  fromBytes,
  hear,
  makeKeys,
  random,
  Sealed,
  toBytes,
  type Bytes,
  type KeyPair,
} from '../../channel/sealed';
import {
  Asks,
  FromTaker,
  PART,
  PROLOGUE,
  type Answer,
  type Around,
  type FromGiver,
  type MoveLink,
} from './words';

export interface GiverTold {
  /** Somebody has come by the link, and waits. @param kind what they say they are */
  asked(kind: string): void;
  /** So much of so many bytes is there. */
  gone(bytes: number, of: number): void;
  /** It is theirs now. */
  taken(): void;
  /** They are gone, or could not store it: it stays here. @param why in words @param all everything had been sent: it may be there */
  failed(why: string, all: boolean): void;
}
export type GiverRelay = (token: string, told: RelayTold) => Pick<RelayClient, 'send' | 'drop' | 'close'>;

export class Giver {
  private readonly relay: ReturnType<GiverRelay>;
  private peer: string | null = null;
  private sealed: Sealed | null = null;
  private got: (() => void) | null = null;
  private all = false;
  private work: Promise<void> = Promise.resolve();

  private constructor(
    private readonly business: string,
    private readonly keys: KeyPair,
    private readonly token: string,
    private readonly secret: string,
    private readonly told: GiverTold,
    relay: GiverRelay,
  ) {
    this.relay = relay(token, {
      connected: () => {},
      cut: () => this.gone(),
      exchange: () => {},
      came: () => {},
      went: (peer) => peer === this.peer && this.gone(),
      piece: (peer, piece) => (this.work = this.work.then(() => this.heard(peer, piece))),
      replaced: () => this.gone(),
    });
  }

  static async offer(business: string, told: GiverTold, relay: GiverRelay): Promise<Giver> {
    const [token, secret] = [base64Url(random(32)), base64Url(random(32))];
    return new Giver(business, await makeKeys(), token, secret, told, relay);
  }

  async link(): Promise<MoveLink> {
    return {
      address: await addressOf(this.token),
      publicKey: base64Url(this.keys.publicKey),
      secret: this.secret,
    };
  }

  /** Gives it to whoever waits. @param around what stands around it */
  async give(file: Blob, calls: unknown, around: Around): Promise<void> {
    this.say({ is: 'begin', size: file.size });
    for (let at = 0; at < file.size; at += PART) {
      const bytes = new Uint8Array(await file.slice(at, at + PART).arrayBuffer());
      const arrived = new Promise<void>((resolve) => (this.got = resolve));
      this.say({ is: 'part', bytes });
      await arrived;
      if (!this.sealed) return;
      this.told.gone(Math.min(file.size, at + PART), file.size);
    }
    this.all = true;
    this.say({ is: 'end', calls, around });
  }
  notNow(why: string): void {
    this.say({ is: 'not now', why });
  }
  close(): void {
    this.sealed?.close();
    this.sealed = null;
    this.relay.close();
  }

  private say(message: FromGiver): void {
    this.sealed?.send(message);
  }
  private gone(): void {
    if (!this.peer) return;
    this.peer = null;
    this.sealed?.close();
    this.sealed = null;
    this.got?.();
    this.told.failed('The other machine is not reached any more.', this.all);
  }

  private async heard(peer: string, piece: Bytes): Promise<void> {
    if (peer === this.peer) return this.sealed?.receive(piece);
    // One at a time.
    if (this.peer) return this.relay.drop(peer);
    try {
      const heard = await hear(this.keys, PROLOGUE, piece);
      const asks = Asks.parse(fromBytes(heard.payload));
      const right = asks.secret === this.secret;
      const answer: Answer = right
        ? { ok: true, business: this.business }
        : { ok: false, why: 'That is not the link. Open it whole.' };
      const { message, keys } = await heard.answer(toBytes(answer));
      if (right) {
        this.peer = peer;
        this.sealed = new Sealed(
          keys,
          (p) => this.relay.send(p, peer),
          (said) => this.said(said, asks.kind),
          () => this.gone(),
        );
      }
      this.relay.send(message, peer);
    } catch {
      this.relay.drop(peer);
    }
  }

  private said(said: unknown, kind: string): void {
    const read = FromTaker.safeParse(said).data;
    switch (read?.is) {
      case 'ready':
        return this.told.asked(kind);
      case 'got':
        return this.got?.();
      case 'taken':
        this.say({ is: 'known' });
        // What goes on there is theirs, whatever becomes of this connection.
        this.peer = null;
        return this.told.taken();
      case 'failed':
        return this.told.failed(read.why, false);
      case undefined:
        return;
    }
  }
}
