/**
 * A phone's side of an exchange on another machine: finds it at the relay, makes sure that it is the one of its link, says who it
 * is, and from then on hears and asks as a window beside the exchange would.
 */
import type { JoinLink } from '../../channel/link';
import { fetchFrom, RelayClient, type Fetch, type RelayTold } from '../../channel/relay';
import {
  ask,
  fromBytes,
  ofBase64Url,
  Sealed,
  toBytes,
  type Asked,
  type Bytes,
  type KeyPair,
} from '../../channel/sealed';
import { readSignal, type Signal } from '../../channel/voice';
import type { FromPhone, ToPhone } from '../phones/protocol';
import type { FromVisit, ToVisit } from '../visits/words';
import { PROLOGUE, type FromDevice, type Greeting, type Standing, type ToDevice } from './words';

/** The exchange answers a greeting by then, in milliseconds. */
const ANSWER_MS = 10_000;

/** What a device knows of its exchange, and is known by. */
export interface Identity extends Pick<JoinLink, 'address' | 'publicKey'> {
  own: KeyPair;
  /** What its link says, as long as it is not let in. */
  join?: Greeting['join'];
  /** The call button that a visitor comes by. */
  visits?: string;
}

/** Why nothing comes from the exchange. */
export type Cut = 'no server' | 'no exchange' | 'no answer';

export interface FarTold {
  standing(standing: Standing): void;
  phone?(message: ToPhone): void;
  visit?(message: ToVisit): void;
  signal(signal: Signal): void;
  /** @param why null is that it is there @param words of the server, where it said any */
  cut(why: Cut | null, words: string): void;
}

export type RelayFor = (to: string, told: RelayTold) => Pick<RelayClient, 'send' | 'close' | 'wake' | 'anew'>;
/** Through the relay of the server the page came from. */
export const relayAt =
  (fetching: Fetch = fetchFrom('')): RelayFor =>
  (to, told) =>
    new RelayClient({ as: 'phone', to }, told, fetching);

export class FarExchange {
  private readonly relay: ReturnType<RelayFor>;
  private sealed: Sealed | null = null;
  private finish: Asked['finish'] | null = null;
  /** Counts connections: what belongs to one that is over is not taken. */
  private connection = 0;
  private work: Promise<void> = Promise.resolve();
  private late: ReturnType<typeof setTimeout> | undefined;

  /** @param version of the product that runs here */
  constructor(
    private readonly identity: Identity,
    private readonly version: string,
    private readonly to: FarTold,
    relay: RelayFor = relayAt(),
  ) {
    this.relay = relay(identity.address, {
      connected: () => {},
      cut: (why) => {
        this.over();
        this.to.cut('no server', why);
      },
      exchange: (there) => {
        this.over();
        if (there) void this.greet();
        else this.to.cut('no exchange', '');
      },
      came: () => {},
      went: () => {},
      replaced: () => {},
      piece: (_, piece) => this.heard(piece),
    });
  }

  ask(message: FromPhone): void {
    this.say({ is: 'phone', message });
  }
  visit(message: FromVisit): void {
    this.say({ is: 'visit', message });
  }
  signal(signal: Signal): void {
    this.say({ is: 'signal', signal });
  }
  /** Tries at once: the network is back, or somebody looks. */
  wake(): void {
    this.relay.wake();
  }
  close(): void {
    this.over();
    this.relay.close();
  }

  private say(message: FromDevice): void {
    this.sealed?.send(message);
  }

  private over(): void {
    clearTimeout(this.late);
    this.connection++;
    this.sealed?.close();
    this.sealed = this.finish = null;
  }

  private async greet(): Promise<void> {
    const { own, publicKey, join, visits } = this.identity;
    const greeting: Greeting = {
      version: this.version,
      ...(join ? { join } : {}),
      ...(visits ? { visits } : {}),
    };
    const { connection } = this;
    const asked = await ask(own, ofBase64Url(publicKey)!, PROLOGUE, toBytes(greeting));
    if (connection !== this.connection) return;
    this.finish = asked.finish;
    this.relay.send(asked.message);
    this.late = setTimeout(() => this.broken(), ANSWER_MS);
  }

  /** What comes cannot be believed, or nothing comes: it begins anew. */
  private broken(): void {
    this.over();
    this.to.cut('no answer', '');
    this.relay.anew();
  }

  /** One piece after the other. */
  private heard(piece: Bytes): void {
    const { connection } = this;
    this.work = this.work.then(async () => {
      if (connection === this.connection) await this.take(piece, connection);
    });
  }

  private async take(piece: Bytes, connection: number): Promise<void> {
    if (this.sealed) return this.sealed.receive(piece);
    const { finish } = this;
    if (!finish) return;
    this.finish = null;
    clearTimeout(this.late);
    const answer = await finish(piece).catch(() => null);
    if (connection !== this.connection) return;
    if (!answer) return this.broken();
    this.sealed = new Sealed(
      answer.keys,
      (sealed) => this.relay.send(sealed),
      (message) => this.told(message as ToDevice),
      () => this.broken(),
    );
    this.say({ is: 'ready' });
    this.to.cut(null, '');
    this.to.standing(fromBytes(answer.payload) as Standing);
  }

  /** What comes now comes from the exchange itself: it is believed. */
  private told(message: ToDevice): void {
    switch (message.is) {
      case 'standing':
        return this.to.standing(message.standing);
      case 'phone':
        return this.to.phone?.(message.message);
      case 'visit':
        return this.to.visit?.(message.message);
      case 'signal': {
        const signal = readSignal(message.signal);
        return signal && this.to.signal(signal);
      }
    }
  }
}
