/** A visitor on another machine, whose connection is sealed: told what a call button offers, and nothing of the business besides. */
import { Sealed, type Agreed, type Bytes } from '../../channel/sealed';
import { readSignal, VOICE_CHANNEL, type Signal } from '../../channel/voice';
import type { FromDevice, ToDevice } from '../devices/words';
import { VisitDesk, type VisitPlace } from './desk';

export class FarVisit {
  private readonly sealed: Sealed;
  private desk: VisitDesk | null = null;
  private voice: BroadcastChannel | null = null;

  /** @param post sends a piece @param over is told when nothing it says can be believed any more */
  constructor(
    keys: Agreed,
    private readonly place: VisitPlace,
    private readonly businessId: string,
    private readonly buttonId: string,
    post: (piece: Bytes) => void,
    over: () => void,
  ) {
    this.sealed = new Sealed(keys, post, (message) => this.heard(message as FromDevice), over);
  }

  receive(piece: Bytes): void {
    this.sealed.receive(piece);
  }
  close(): void {
    this.desk?.close();
    this.voice?.close();
    this.desk = this.voice = null;
    this.sealed.close();
  }

  private say(message: ToDevice): void {
    this.sealed.send(message);
  }
  private heard(message: FromDevice | null): void {
    switch (message?.is) {
      case 'ready':
        return this.begin();
      case 'visit':
        return void this.desk?.ask(message.message);
      case 'signal': {
        const signal = readSignal(message.signal);
        const out = signal && this.desk?.signalOut(signal);
        if (out) this.voice?.postMessage(out);
        return;
      }
      default:
        return;
    }
  }

  /** Only whoever greeted says so. */
  private begin(): void {
    if (this.desk) return;
    const desk = (this.desk = new VisitDesk(this.place, this.businessId, this.buttonId, true, (message) =>
      this.say({ is: 'visit', message }),
    ));
    const voice = (this.voice = new BroadcastChannel(VOICE_CHANNEL));
    voice.onmessage = ({ data }: MessageEvent<Signal>) => {
      const signal = desk.signalIn(data);
      if (signal) this.say({ is: 'signal', signal });
    };
  }
}
