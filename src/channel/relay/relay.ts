/**
 * The relay: passes sealed pieces between an exchange and its phones, and keeps nothing. Businesses know nothing of each other:
 * each has an address of its own, so that many relays can stand side by side, each with some of the addresses.
 */
import { addressOf } from './address';
import type { FromRelay, Hello, Pass } from './protocol';

/** What one relay carries at most; what is beyond is refused in words. */
export interface Limits {
  /** Connections in all, and phones of one address. */
  connections: number;
  phones: number;
  /** Pieces a second of one connection, over a while of so many seconds. */
  pieces: number;
  seconds: number;
  /** Bytes that wait for one that does not take them. */
  waiting: number;
}
export const LIMITS: Limits = {
  connections: 2000,
  phones: 250,
  pieces: 200,
  seconds: 10,
  waiting: 16_000_000,
};

/** Where lines to one connection go. */
export interface Out {
  line(line: FromRelay): void;
  /** Bytes that are not taken yet. */
  waiting(): number;
  close(): void;
}

/** Why something was not taken, with the status of HTTP that says the same. */
export class NotTaken extends Error {
  constructor(
    readonly status: 404 | 413 | 429 | 503,
    words: string,
  ) {
    super(words);
  }
}

interface Peer {
  id: string;
  ticket: string;
  address: string;
  as: Hello['as'];
  out: Out;
  /** What it may still send now, and when that was worked out, in milliseconds. */
  may: number;
  at: number;
}

interface Place {
  exchange: Peer | null;
  phones: Map<string, Peer>;
}

export class Relay {
  private readonly places = new Map<string, Place>();
  private readonly peers = new Map<string, Peer>();

  /** @param now milliseconds @param freshId cannot be guessed */
  constructor(
    private readonly now: () => number,
    private readonly freshId: () => string,
    private readonly limits: Limits = LIMITS,
  ) {}

  /** How many are connected. */
  get connections(): number {
    return this.peers.size;
  }

  /** @returns the ticket @throws NotTaken */
  async connect(hello: Hello, out: Out): Promise<string> {
    const address = hello.as === 'exchange' ? await addressOf(hello.token) : hello.to;
    if (this.peers.size >= this.limits.connections)
      throw new NotTaken(503, 'This server carries no more phones. Try again later.');
    const place = this.places.get(address) ?? { exchange: null, phones: new Map<string, Peer>() };
    if (hello.as === 'phone' && place.phones.size >= this.limits.phones)
      throw new NotTaken(503, 'No more phones can be connected to this business.');
    const full = this.limits.pieces * this.limits.seconds;
    const ids = { id: this.freshId(), ticket: this.freshId() };
    const peer: Peer = { ...ids, address, as: hello.as, out, may: full, at: this.now() };
    this.places.set(address, place);
    this.peers.set(peer.ticket, peer);
    out.line({ is: 'connected', ticket: peer.ticket });
    if (hello.as === 'exchange') {
      const before = place.exchange;
      place.exchange = peer;
      if (before) {
        this.peers.delete(before.ticket);
        before.out.line({ is: 'replaced' });
        before.out.close();
      }
      for (const phone of place.phones.values()) {
        out.line({ is: 'came', peer: phone.id });
        phone.out.line({ is: 'exchange', there: true });
      }
    } else {
      place.phones.set(peer.id, peer);
      out.line({ is: 'exchange', there: place.exchange !== null });
      place.exchange?.out.line({ is: 'came', peer: peer.id });
    }
    return peer.ticket;
  }

  /** @throws NotTaken */
  pass({ ticket, to, pieces }: Pass): void {
    const from = this.peers.get(ticket);
    if (!from) throw new NotTaken(404, 'You are not connected.');
    this.allow(from, pieces.length);
    const place = this.places.get(from.address)!;
    const other = from.as === 'phone' ? place.exchange : place.phones.get(to ?? '');
    if (!other) throw new NotTaken(404, 'Whom this is for is not connected.');
    for (const piece of pieces) other.out.line({ is: 'piece', from: from.id, piece });
    // Who does not take what is sent is let go, rather than that it is kept here for them.
    if (other.out.waiting() > this.limits.waiting) {
      this.gone(other.ticket);
      throw new NotTaken(413, 'Whom this is for takes nothing, and was let go.');
    }
  }

  /** The exchange lets one go. */
  drop(ticket: string, peerId: string): void {
    const from = this.peers.get(ticket);
    const peer = from?.as === 'exchange' ? this.places.get(from.address)?.phones.get(peerId) : undefined;
    if (peer) this.gone(peer.ticket);
  }

  /** Somebody is not connected any more. */
  gone(ticket: string): void {
    const peer = this.peers.get(ticket);
    if (!peer) return;
    this.peers.delete(ticket);
    const place = this.places.get(peer.address)!;
    if (peer.as === 'phone') {
      place.phones.delete(peer.id);
      place.exchange?.out.line({ is: 'went', peer: peer.id });
    } else if (place.exchange === peer) {
      place.exchange = null;
      for (const phone of place.phones.values()) phone.out.line({ is: 'exchange', there: false });
    }
    if (!place.exchange && !place.phones.size) this.places.delete(peer.address);
    peer.out.close();
  }

  /** To all, so that both sides notice who is gone. */
  alive(): void {
    for (const { out } of this.peers.values()) out.line({ is: 'alive' });
  }

  /** A pace with a burst: a bucket that fills as time goes on. @throws NotTaken */
  private allow(peer: Peer, pieces: number): void {
    const now = this.now();
    const full = this.limits.pieces * this.limits.seconds;
    peer.may = Math.min(full, peer.may + ((now - peer.at) / 1000) * this.limits.pieces);
    peer.at = now;
    if (peer.may < pieces) throw new NotTaken(429, 'That is more at once than this server passes on.');
    peer.may -= pieces;
  }
}
