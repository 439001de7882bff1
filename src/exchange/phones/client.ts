/** A staff phone's side: what it is told, and what it asks. It opens no database. */
import type { PhoneRequest } from '../../core/phone';
import { besideThis, type Carrier } from './passes';
import type { Answers, Knock, Parts, ToPhone } from './protocol';

/** A request is sent again so often until it is answered: the exchange may just be moving to another window. */
const AGAIN_MS = 400;
/** What is done to a call or set is answered by then; what takes reckoning has longer. In milliseconds. */
const GIVE_UP_MS = 8000;
const RECKONING_MS = 60_000;
/** Without an answer to its knock a phone knocks again so often. */
const KNOCK_MS = 1000;

export interface Told {
  told<P extends keyof Parts>(part: P, is: Parts[P]): void;
  none(words: string): void;
}

/** A request was refused, with why in words. */
export class Refused extends Error {}

/** Requests that take long, or are large: they are sent again seldom. */
const SLOW: readonly PhoneRequest['do'][] = [
  'if called',
  'effect',
  'sound',
  'call sound',
  'recorded',
  'text',
  'wish',
  'keep file',
  'file',
  'address',
];
const isReckoned = ({ do: what }: PhoneRequest): boolean => SLOW.includes(what);

export class PhoneClient {
  private readonly waiting = new Map<string, (answer: Extract<ToPhone, { kind: 'answer' }>) => void>();
  private knocking: ReturnType<typeof setInterval> | undefined;

  constructor(
    me: Knock,
    private readonly to: Told,
    private readonly freshId: () => string,
    private readonly carrier: Carrier = besideThis(me),
  ) {
    carrier.passes.onmessage = (message) => this.receive(message);
    this.knocking = setInterval(carrier.knock, KNOCK_MS);
    carrier.knock();
  }

  /**
   * Asks the exchange for something.
   * @throws Refused with why, in words; Error when no exchange answers in time
   */
  ask<R extends PhoneRequest>(request: R, id = this.freshId()): Promise<Answers[R['do']]> {
    const whyNot = this.carrier.whyNot?.();
    if (whyNot) return Promise.reject(new Error(whyNot));
    return new Promise((resolve, reject) => {
      const post = () => this.carrier.passes.send({ id, request });
      const again = setInterval(post, isReckoned(request) ? AGAIN_MS * 10 : AGAIN_MS);
      const end = (settle: () => void) => {
        clearInterval(again);
        clearTimeout(late);
        this.waiting.delete(id);
        settle();
      };
      const late = setTimeout(
        () => end(() => reject(new Error('The exchange does not answer. Reload this window.'))),
        isReckoned(request) ? RECKONING_MS : GIVE_UP_MS,
      );
      this.waiting.set(id, ({ answer, refused }) =>
        end(() => (refused === null ? resolve(answer as Answers[R['do']]) : reject(new Refused(refused)))),
      );
      post();
    });
  }

  close(): void {
    clearInterval(this.knocking);
    this.carrier.close();
  }

  private receive(message: ToPhone): void {
    switch (message.kind) {
      case 'told':
        clearInterval(this.knocking);
        return this.to.told(message.part, message.is as Parts[typeof message.part]);
      case 'none':
        clearInterval(this.knocking);
        return this.to.none(message.words);
      case 'answer':
        return this.waiting.get(message.id)?.(message);
    }
  }
}
