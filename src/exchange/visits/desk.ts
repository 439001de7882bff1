/**
 * The exchange's side of one visitor of a site: shows what a call button offers and no more, and does what is asked of it. A
 * visitor has one call at a time, and is known by no number.
 */
import { offeredAt, visitSeen } from '../../core/buttons';
import { CALLER } from '../../core/calls';
import { momentInFull, writingOf } from '../../core/hours';
import { visitorCall, type VisitorCall, type VisitorSound } from '../../core/phone';
import type { CallButton, System } from '../../core/system';
import type { Signal } from '../../channel/voice';
import {
  askCallBack,
  askedOf,
  bookVisit,
  Changes,
  codeWords,
  readMany,
  readSound,
  type Db,
  type Keeper,
} from '../../workspace';
import { ExchangeClient } from '../client';
import { callerLock, type LiveCall } from '../protocol';
import { FromVisit, type ToVisit, type VisitAnswer, type VisitRequest } from './words';

/** What is offered, and what is heard in a call, is looked at so often, in milliseconds. */
const LOOK_MS = 15_000;
const HEAR_MS = 400;
/** So long a call of one whose connection is cut off is held. Common practice, no source. */
const LINGER_MS = 15_000;
/** So many calls one visit may make, and all visitors have at once. Common practice, no source. */
const MOST_CALLS = 10;
const MOST_AT_ONCE = 8;
const REMEMBERED = 50;

/** What it needs of the exchange. */
export interface VisitPlace {
  db: Db;
  /** Bench time, epoch milliseconds. */
  now(): number;
  /** The business that calls go by; undefined where it is not here. */
  inForce(businessId: string): Promise<System | undefined>;
  /** Holds a lock of this browser. @returns lets it go */
  hold(name: string, onHeld: () => void): () => void;
}

const NOT_OFFERED: VisitAnswer = { ok: false, message: 'That is not offered any more.' };
const DONE: VisitAnswer = { ok: true };

export class VisitDesk {
  private readonly changes = new Changes();
  private readonly client: ExchangeClient;
  private calls: readonly LiveCall[] = [];
  private system: System | undefined;
  private callId: string | null = null;
  private made = 0;
  private letGo = () => {};
  private told: Record<'seen' | 'call', string> = { seen: '', call: '' };
  private readonly answers = new Map<string, VisitAnswer | null>();
  private readonly sounds = new Set<string>();
  private readonly aliases = new Map<string, string>();
  private readonly looking: ReturnType<typeof setInterval>;
  private readonly hearing: ReturnType<typeof setInterval>;
  private message = { text: '', sound: null as string | null };
  /** The call as it was told last. */
  call: VisitorCall | null = null;

  /** @param apart the visitor is on another machine: nobody of the business is named there, not even by a phone */
  constructor(
    private readonly place: VisitPlace,
    private readonly businessId: string,
    private readonly buttonId: string,
    private readonly apart: boolean,
    private readonly post: (message: ToVisit) => void,
  ) {
    let acts = 0;
    const own = crypto.randomUUID();
    this.client = new ExchangeClient(
      businessId,
      (calls) => {
        this.calls = calls;
        this.hear();
      },
      () => `visit-${own}-${++acts}`,
    );
    this.changes.listen(({ businessId: of, what }) => {
      if (what === 'clock' || (of === businessId && (what === 'bookings' || what === 'in force')))
        void this.look();
    });
    this.looking = setInterval(() => void this.look(), LOOK_MS);
    this.hearing = setInterval(() => this.hear(), HEAR_MS);
    void this.look();
  }

  close(): void {
    clearInterval(this.looking);
    clearInterval(this.hearing);
    this.client.close();
    this.changes.close();
    // Cut off, they mostly are there again in a moment.
    setTimeout(this.letGo, LINGER_MS);
  }

  /** @param said what came, of which nothing is known yet */
  async ask(said: unknown): Promise<void> {
    const read = FromVisit.safeParse(said);
    if (!read.success) return;
    const { id, request } = read.data;
    const known = this.answers.get(id);
    if (known) return this.post({ is: 'answer', id, answer: known });
    // It is being done.
    if (known === null) return;
    this.answers.set(id, null);
    const answer = await this.done(id, request).catch((error: unknown): VisitAnswer => {
      console.error('A visitor could not be served', error);
      return { ok: false, message: 'That could not be done just now. Please dial the number instead.' };
    });
    this.answers.set(id, answer);
    for (const old of [...this.answers.keys()].slice(0, -REMEMBERED)) this.answers.delete(old);
    this.post({ is: 'answer', id, answer });
  }

  /** The name that somebody who is talked with has for this visitor: it sorts as theirs does, as both ends go by that order. */
  private readonly alias = (phone: string): string => {
    if (!this.apart || phone === CALLER || phone.startsWith('guest-')) return phone;
    const known = this.aliases.get(phone);
    if (known) return known;
    const alias = `${phone < CALLER ? 'a' : 'z'}${this.aliases.size}`;
    this.aliases.set(phone, alias);
    return alias;
  };

  /** What a visitor's window says to another end of its talk. @returns undefined where that is none of its talk */
  signalOut(signal: Signal): Signal | undefined {
    const { talk } = this.call ?? {};
    if (!talk || signal.callId !== talk.callId || signal.from !== talk.me) return undefined;
    const to = [...this.aliases].find(([, alias]) => alias === signal.to)?.[0] ?? signal.to;
    return { ...signal, to };
  }
  /** The other way. */
  signalIn(signal: Signal): Signal | undefined {
    const { talk } = this.call ?? {};
    if (!talk || signal.callId !== talk.callId || signal.to !== talk.me) return undefined;
    return { ...signal, from: this.alias(signal.from) };
  }

  private get button(): CallButton | undefined {
    return this.system?.buttons[this.buttonId];
  }

  /** What cannot be read just now is looked at again. */
  private look(): Promise<void> {
    return this.looked().catch((error: unknown) =>
      console.error('What a visitor is offered could not be read', error),
    );
  }
  private async looked(): Promise<void> {
    this.system = await this.place.inForce(this.businessId).catch(() => undefined);
    const { system, button } = this;
    const now = this.place.now();
    const asked =
      system && button?.calendarId
        ? askedOf(system, button.calendarId, await readMany(this.place.db, 'bookings', this.businessId), now)
        : null;
    this.tell('seen', { is: 'seen', seen: system && button ? visitSeen(button, system, asked, now) : null });
    this.hear();
  }

  private tell(what: 'seen' | 'call', message: ToVisit): void {
    const as = JSON.stringify(message);
    if (as === this.told[what]) return;
    this.told[what] = as;
    this.post(message);
  }

  private get live(): LiveCall | undefined {
    return this.calls.find((c) => c.request.id === this.callId);
  }
  private hear(): void {
    const { live, system } = this;
    if (!this.callId || !system) return;
    // What is over is told once, and stays as it was told.
    if (!live) return;
    this.call = visitorCall(live, system, this.place.now(), this.alias);
    for (const sound of [this.call.sound, this.call.music?.sound]) this.mayHave(sound);
    this.tell('call', { is: 'call', call: this.call });
    if (live.phase !== 'over') return;
    this.letGo();
    this.callId = null;
    this.message = { text: '', sound: null };
  }
  private mayHave(sound: VisitorSound | null | undefined): void {
    if (sound?.is === 'kept') this.sounds.add(sound.hash);
  }

  private get keeper(): Keeper {
    const { place, businessId, changes } = this;
    return {
      db: place.db,
      id: businessId,
      now: () => place.now(),
      changedOnes: async (what, ids) => changes.tell({ businessId, what, ...(ids ? { ids } : {}) }),
    };
  }

  private async done(id: string, request: VisitRequest): Promise<VisitAnswer> {
    const { system, button, callId } = this;
    if (!system || !button) return NOT_OFFERED;
    switch (request.do) {
      case 'call back': {
        const made = await askCallBack(this.keeper, system, button, request.who, request.day, id);
        return made.ok
          ? {
              ok: true,
              says: request.day
                ? 'Thank you: one of us calls you that day.'
                : 'Thank you: one of us calls you.',
            }
          : made;
      }
      case 'book': {
        const made = await bookVisit(this.keeper, system, button, request.who, request.from, id);
        if (!made.ok) return made;
        const { from, code } = made.booking;
        const said = momentInFull(from, system.business.timeZone, writingOf(system.business));
        await this.look();
        return { ok: true, says: `Booked: ${said}. ${codeWords(code)}` };
      }
      case 'call':
        return this.begin(request.callId, system, button);
      case 'go on':
        // It is theirs already: held once, it is let go once.
        if (this.callId === request.callId) return DONE;
        if (!this.calls.some((c) => c.request.id === request.callId && c.phase !== 'over')) {
          this.tell('call', { is: 'call', call: null });
          return { ok: false, message: 'The call has ended meanwhile.' };
        }
        this.letGo = this.place.hold(callerLock(request.callId), () => {});
        this.callId = request.callId;
        this.hear();
        return DONE;
      case 'press':
        if (!callId) return DONE;
        await this.client.act(
          this.live?.phase === 'talking'
            ? { kind: 'send keys', callId, phone: CALLER, keys: request.key }
            : { kind: 'press', callId, key: request.key },
        );
        return DONE;
      case 'say':
        if (callId) await this.client.act({ kind: 'say', callId, text: request.text });
        return DONE;
      case 'leave':
        this.message = { text: request.text, sound: request.sound ?? this.message.sound };
        if (callId) await this.client.say(callId, this.message);
        return DONE;
      case 'silent':
        if (callId && this.call?.silenceMs)
          await this.client.act({ kind: 'silent', callId, ms: this.call.silenceMs });
        return DONE;
      case 'hang up':
        if (callId)
          await this.client.act({
            kind: 'hang up',
            callId,
            by: 'caller',
            ...(this.live?.phase === 'talking' ? { phone: CALLER } : {}),
          });
        return DONE;
      case 'sound':
        // Nothing but what they hear.
        return {
          ok: true,
          ulaw: this.sounds.has(request.hash)
            ? ((await readSound(this.place.db, this.businessId, request.hash)) ?? null)
            : null,
        };
    }
  }

  private async begin(callId: string, system: System, button: CallButton): Promise<VisitAnswer> {
    const number = system.numbers[button.numberId ?? ''];
    if (!number || !offeredAt(button, system, this.place.now()).can.call) return NOT_OFFERED;
    if (this.callId) return { ok: false, message: 'You are in a call already.' };
    const visitors = this.calls.filter((c) => c.phase !== 'over' && c.request.id.startsWith('visit-'));
    if (++this.made > MOST_CALLS || visitors.length >= MOST_AT_ONCE)
      return { ok: false, message: 'Very many call from here just now: please dial the number instead.' };
    this.callId = callId;
    // Whether somebody is there is seen by it: it is held before the call is there.
    await new Promise<void>((held) => (this.letGo = this.place.hold(callerLock(callId), held)));
    const placed = this.client.act({
      kind: 'place',
      request: {
        id: callId,
        at: this.place.now(),
        from: { kind: 'outside', number: null },
        to: { kind: 'number', e164: number.e164 },
        behaviour: null,
      },
    });
    try {
      await placed;
    } catch (error) {
      // Nobody answered for it: it may be tried again.
      this.callId = null;
      this.letGo();
      throw error;
    }
    return DONE;
  }
}
