/** The machine that takes the exchange over: comes by the link, gets everything, and says when it is stored. */
import { ask, fromBytes, makeKeys, ofBase64Url, Sealed, toBytes, type Asked } from '../../channel/sealed';
import type { RelayFor } from '../devices/far';
import {
  PROLOGUE,
  type Answer,
  type Around,
  type Asks,
  type FromGiver,
  type FromTaker,
  type MoveLink,
} from './words';

/** Whoever gave hears by then that it is taken; if not it rests there, and says that it does not know. In milliseconds. */
const KNOWN_MS = 10_000;

export interface TakerTold {
  /** The link is right; whoever gives is to say yes. */
  waits(business: string): void;
  got(bytes: number, of: number): void;
  /** Everything is here. @param calls in progress, as they were stored; null is none */
  all(file: Blob, calls: unknown, around: Around): void;
  failed(why: string): void;
}

export class Taker {
  private readonly relay: ReturnType<RelayFor>;
  private sealed: Sealed | null = null;
  private finish: Asked['finish'] | null = null;
  private parts: Uint8Array<ArrayBuffer>[] = [];
  private size = 0;
  private known: () => void = () => {};
  private work: Promise<void> = Promise.resolve();

  constructor(
    private readonly link: MoveLink,
    private readonly kind: string,
    private readonly told: TakerTold,
    relay: RelayFor,
  ) {
    this.relay = relay(link.address, {
      connected: () => {},
      cut: () => this.sealed && this.told.failed('The other machine is not reached any more.'),
      exchange: (there) => {
        if (there) void this.greet();
        else this.told.failed('The other machine does not offer it any more.');
      },
      came: () => {},
      went: () => {},
      replaced: () => {},
      piece: (_, piece) => {
        this.work = this.work.then(async () => {
          if (this.sealed) return this.sealed.receive(piece);
          const answer = await this.finish?.(piece).catch(() => null);
          if (!answer) return this.told.failed('What came is not from the machine of the link.');
          const first = fromBytes(answer.payload) as Answer;
          if (!first.ok) return this.told.failed(first.why);
          this.sealed = new Sealed(
            answer.keys,
            (p) => this.relay.send(p),
            (message) => this.heard(message as FromGiver),
            () => this.told.failed('Something did not arrive as it was sent.'),
          );
          this.say({ is: 'ready' });
          this.told.waits(first.business);
        });
      },
    });
  }

  /** It is stored, and goes on here. */
  async taken(): Promise<void> {
    const known = new Promise<void>((resolve) => {
      this.known = resolve;
      setTimeout(resolve, KNOWN_MS);
    });
    this.say({ is: 'taken' });
    await known;
  }
  failed(why: string): void {
    this.say({ is: 'failed', why: why.slice(0, 500) });
  }
  close(): void {
    this.sealed?.close();
    this.sealed = null;
    this.relay.close();
  }

  private say(message: FromTaker): void {
    this.sealed?.send(message);
  }
  private async greet(): Promise<void> {
    const { publicKey, secret } = this.link;
    const greeting: Asks = { secret, kind: this.kind };
    const asked = await ask(await makeKeys(), ofBase64Url(publicKey)!, PROLOGUE, toBytes(greeting));
    this.finish = asked.finish;
    this.relay.send(asked.message);
  }

  private heard(message: FromGiver): void {
    switch (message.is) {
      case 'begin':
        this.parts = [];
        this.size = message.size;
        return;
      case 'part':
        this.parts.push(new Uint8Array(message.bytes));
        this.say({ is: 'got' });
        return this.told.got(
          this.parts.reduce((n, p) => n + p.length, 0),
          this.size,
        );
      case 'end':
        return this.told.all(new Blob(this.parts), message.calls, message.around);
      case 'known':
        return this.known();
      case 'not now':
        return this.told.failed(message.why);
    }
  }
}
