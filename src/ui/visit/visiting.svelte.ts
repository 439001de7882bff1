/** A visitor's side of a call button: what it offers, and one call, by an exchange in this browser or on another machine. */
import type { VisitLink } from '../../channel/visit';
import { makeKeys } from '../../channel/sealed';
import { version } from '$app/environment';
import type { VisitSeen } from '$core/buttons';
import type { VisitorCall } from '$core/phone';
import { hold } from '$exchange';
import { FarExchange } from '$exchange/devices/far';
import {
  VISITS,
  visitLock,
  type Envelope,
  type FromVisit,
  type ToVisit,
  type VisitAnswer,
  type VisitRequest,
} from '$exchange/visits/words';
import { BrowserSignals, type Signal, type Signals } from '$media';

/** A request is sent again so often until it is answered, and so long; what is here is said so often. In milliseconds. */
const AGAIN_MS = 1500;
const GIVE_UP_MS = 15_000;
const HERE_MS = 3000;
const CALL = 'visit:call';

export class Visiting {
  /** Null is that there is nothing here; undefined that it is not known yet. */
  seen = $state.raw<VisitSeen | null | undefined>(undefined);
  call = $state.raw<VisitorCall | null>(null);
  /** Why nothing comes just now, in words; empty while it does. */
  cut = $state('');
  /** When the call was placed, or gone on with, in milliseconds. */
  since = $state(0);
  private readonly waiting = new Map<string, (answer: VisitAnswer) => void>();
  private send: (from?: FromVisit) => void = () => {};
  private ends: (() => void)[] = [];
  private readonly listeners = new Set<(signal: Signal) => void>();
  private far: FarExchange | null = null;
  private closed = false;

  /** @param link where the exchange is; undefined is in this browser */
  constructor(businessId: string, buttonId: string, link: VisitLink | undefined) {
    if (link) void this.reach(link, buttonId);
    else this.beside(businessId, buttonId);
  }

  private beside(businessId: string, buttonId: string): void {
    const visit = crypto.randomUUID();
    const channel = new BroadcastChannel(VISITS);
    channel.onmessage = ({ data }: MessageEvent<Envelope>) => {
      if (data.visit === visit && data.to) this.told(data.to);
    };
    this.send = (from) =>
      channel.postMessage({ visit, businessId, buttonId, ...(from ? { from } : {}) } satisfies Envelope);
    const letGo = hold(visitLock(visit), () => this.send());
    const here = setInterval(() => this.send(), HERE_MS);
    this.ends = [letGo, () => clearInterval(here), () => channel.close()];
  }

  private async reach({ address, publicKey }: VisitLink, buttonId: string): Promise<void> {
    const own = await makeKeys();
    if (this.closed) return;
    const far = (this.far = new FarExchange({ address, publicKey, own, visits: buttonId }, version, {
      standing: (standing) => {
        if (standing.is === 'refused') this.cut = standing.why;
        else if (standing.is !== 'visit') this.seen = null;
      },
      visit: (message) => this.told(message),
      signal: (signal) => {
        for (const listen of this.listeners) listen(signal);
      },
      cut: (why) => (this.cut = why ? 'Nobody is reached just now. It is tried again by itself.' : ''),
    }));
    this.send = (from) => from && far.visit(from);
    this.ends = [() => far.close()];
  }

  close(): void {
    this.closed = true;
    for (const end of this.ends) end();
  }

  /** How windows that talk find each other. */
  readonly signals = (): Signals => {
    if (!this.far) return new BrowserSignals();
    const { far, listeners } = this;
    return {
      send: (signal) => far.signal(signal),
      listen(heard) {
        listeners.add(heard);
        return () => listeners.delete(heard);
      },
      close: () => {},
    };
  };

  ask(request: VisitRequest): Promise<VisitAnswer> {
    const id = crypto.randomUUID();
    return new Promise((resolve) => {
      const post = () => this.send({ id, request });
      const again = setInterval(post, AGAIN_MS);
      const end = (answer: VisitAnswer) => {
        clearInterval(again);
        clearTimeout(late);
        this.waiting.delete(id);
        resolve(answer);
      };
      const late = setTimeout(
        () => end({ ok: false, message: 'Nobody answers just now. Try again, or dial the number.' }),
        GIVE_UP_MS,
      );
      this.waiting.set(id, end);
      post();
    });
  }

  /** Calls the number. @returns why not, in words */
  async place(): Promise<string> {
    const callId = `visit-${crypto.randomUUID()}`;
    sessionStorage.setItem(CALL, callId);
    this.since = Date.now();
    this.call = null;
    const answer = await this.ask({ do: 'call', callId });
    if (answer.ok) return '';
    sessionStorage.removeItem(CALL);
    return answer.message;
  }

  private told(message: ToVisit): void {
    switch (message.is) {
      case 'seen':
        this.seen = message.seen;
        this.cut = '';
        return void this.goOn();
      case 'call':
        this.call = message.call;
        if (!message.call || message.call.phase === 'over') sessionStorage.removeItem(CALL);
        return;
      case 'answer':
        return this.waiting.get(message.id)?.(message.answer);
    }
  }

  /** The page was loaded anew in a call, or the exchange is another, or was reached again. */
  private async goOn(): Promise<void> {
    const callId = sessionStorage.getItem(CALL);
    // One that was just placed is told by itself.
    if (!callId || (this.call === null && this.since > 0)) return;
    this.since ||= Date.now();
    const answer = await this.ask({ do: 'go on', callId });
    if (answer.ok || this.call === null) return;
    sessionStorage.removeItem(CALL);
    this.call = { ...this.call, phase: 'over', talk: null, sound: null, tone: null, over: answer.message };
  }
}
