/** One connection of one device: as long as it is the phone it says, it is told and asks what a window of that phone would. */
import { VOICE_CHANNEL, readSignal, type Signal } from '../../channel/voice';
import { Sealed, type Agreed, type Bytes } from '../../channel/sealed';
import { readRequest } from '../../core/phone';
import { phoneLock } from '../protocol';
import { InThisBrowser, type Passes } from '../phones/passes';
import { KNOCKS, phoneChannel, type FromPhone, type Knock, type ToPhone } from '../phones/protocol';
import type { FromDevice, Standing, ToDevice } from './words';

/** Until the exchange answers a knock it is asked again so often, in milliseconds. */
const KNOCK_MS = 1000;

/** Holds a lock of this browser: by it the registration of a phone is alive. @returns lets it go */
export type Hold = (name: string, onHeld?: () => void) => () => void;

export class Session {
  private readonly sealed: Sealed;
  /** It has said something that only the one who greeted can say. */
  private proved = false;
  private ends: (() => void)[] = [];

  /**
   * @param standing how it stands with it @param post sends a piece @param ready is told once it has proved itself
   * @param over is told when nothing it says can be believed any more
   */
  constructor(
    keys: Agreed,
    private standing: Standing,
    private readonly hold: (name: string) => (forGood: boolean) => void,
    post: (piece: Bytes) => void,
    private readonly ready: () => void,
    over: (why: string) => void,
  ) {
    this.sealed = new Sealed(
      keys,
      post,
      (message) => this.heard(message as FromDevice),
      (why) => over(why.message),
    );
  }

  receive(piece: Bytes): void {
    this.sealed.receive(piece);
  }

  /** It stands otherwise with it now. */
  async stand(standing: Standing): Promise<void> {
    if (JSON.stringify(standing) === JSON.stringify(this.standing)) return;
    this.standing = standing;
    this.say({ is: 'standing', standing });
    if (standing.is !== 'paired') this.noPhone(true);
    else if (this.proved) this.bePhone(standing);
    await this.sealed.flushed();
  }

  /** Cut off, or another connection of it is there. */
  close(): void {
    this.noPhone(false);
    this.sealed.close();
  }

  private say(message: ToDevice): void {
    this.sealed.send(message);
  }

  private heard(message: FromDevice | null): void {
    switch (message?.is) {
      case 'ready':
        if (this.proved) return;
        this.proved = true;
        this.ready();
        if (this.standing.is === 'paired') this.bePhone(this.standing);
        return;
      case 'phone': {
        // What cannot be read is not answered: no page of ours asks it.
        const asked = readRequest(message.message);
        return asked && this.toPhone?.send(asked);
      }
      case 'signal': {
        const signal = readSignal(message.signal);
        if (signal && this.standing.is === 'paired' && signal.from === this.standing.phoneId)
          this.voice?.postMessage(signal);
        return;
      }
      default:
        return;
    }
  }

  private toPhone: Passes<ToPhone, FromPhone> | null = null;
  private voice: BroadcastChannel | null = null;

  /** From now on it is the phone: what its window would hear is sent on, and nothing else. */
  private bePhone({ businessId, phoneId }: Extract<Standing, { is: 'paired' }>): void {
    this.noPhone(false);
    const passes = (this.toPhone = new InThisBrowser<ToPhone, FromPhone>(phoneChannel(businessId, phoneId)));
    const knocks = new InThisBrowser<never, Knock>(KNOCKS);
    const knock = () => knocks.send({ businessId, phoneId });
    const knocking = setInterval(knock, KNOCK_MS);
    passes.onmessage = (message) => {
      // Two windows of one phone hear each other ask, too.
      if (!('kind' in message)) return;
      clearInterval(knocking);
      this.say({ is: 'phone', message });
    };
    const voice = (this.voice = new BroadcastChannel(VOICE_CHANNEL));
    voice.onmessage = ({ data }: MessageEvent<Signal>) => {
      if (data.to === phoneId) this.say({ is: 'signal', signal: data });
    };
    this.letGo = this.hold(phoneLock(businessId, phoneId));
    this.ends = [
      () => clearInterval(knocking),
      () => passes.close(),
      () => knocks.close(),
      () => voice.close(),
    ];
    knock();
  }

  private letGo: (forGood: boolean) => void = () => {};
  private noPhone(forGood: boolean): void {
    for (const end of this.ends) end();
    this.ends = [];
    this.letGo(forGood);
    this.letGo = () => {};
    this.toPhone = this.voice = null;
  }
}
