/** How messages pass between an exchange and its phones: a channel of the browser, or a relay where they are apart. */
import { KNOCKS, phoneChannel, type FromPhone, type Knock, type ToPhone } from './protocol';

export interface Passes<In, Out> {
  send(message: Out): void;
  close(): void;
  onmessage: (message: In) => void;
}

/** Between windows of one browser. */
export class InThisBrowser<In, Out> implements Passes<In, Out> {
  private readonly channel: BroadcastChannel;
  onmessage: (message: In) => void = () => {};

  constructor(name: string) {
    this.channel = new BroadcastChannel(name);
    this.channel.onmessage = ({ data }: MessageEvent<In>) => this.onmessage(data);
  }
  send(message: Out): void {
    this.channel.postMessage(message);
  }
  close(): void {
    this.channel.close();
  }
}

/** What carries a phone's messages. */
export interface Carrier {
  passes: Passes<ToPhone, FromPhone>;
  /** Asks to be told of everything. */
  knock(): void;
  /** Why nothing can be asked for now, in words; empty or absent where it can. */
  whyNot?(): string;
  close(): void;
}

/** The exchange is in this browser. */
export function besideThis(me: Knock): Carrier {
  const passes = new InThisBrowser<ToPhone, FromPhone>(phoneChannel(me.businessId, me.phoneId));
  const knocks = new InThisBrowser<never, Knock>(KNOCKS);
  return {
    passes,
    knock: () => knocks.send(me),
    close() {
      passes.close();
      knocks.close();
    },
  };
}
