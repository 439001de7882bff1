/**
 * The exchange's side of staff phones: tells each window what its phone may know, whenever that changes, and does what it
 * asks, where it may ask it. Whatever a phone learns of its business goes through here.
 */
import { ownsMailbox } from '../../core/calls';
import {
  callsKnown,
  finishing,
  hidden,
  knownTo,
  meetingsKnown,
  ownPhones,
  textLines,
  textsKnown,
  presencesApart,
  presencesIn,
  seesAll,
  unseenIn,
  unseenNumbers,
  withOwnContacts,
  type Presence,
} from '../../core/phone';
import { circlesKnown } from '../../core/story';
import { withOwn, type Standing, type System } from '../../core/system';
import { RATES } from '../../standins/carrier/prices';
import {
  DealingsRecord,
  noDealings,
  readAgain,
  readNear,
  readRecord,
  settable,
  type CallRecord,
  type CircleRecord,
  type FaxRecord,
  type Change,
  type Changes,
  type Db,
  type MeetingRecord,
  type MessageRecord,
  type OwnContactRecord,
  type TextRecord,
  type ThreadRecord,
  type WordsRecord,
} from '../../workspace';
import { phoneLock } from '../protocol';
import { Doing } from './doing';
import { isOwnRecord, type LineNow, type Office, type Window } from './office';
import { InThisBrowser, type Passes } from './passes';
import {
  KNOCKS,
  phoneChannel,
  type FromPhone,
  type Knock,
  type MessageKnown,
  type Parts,
  type ToPhone,
} from './protocol';

/** What lies in the mailboxes and the log of a business, and its texts. */
interface Mail {
  messages: MessageRecord[];
  calls: CallRecord[];
  texts: TextRecord[];
  threads: ThreadRecord[];
  ownContacts: OwnContactRecord[];
  circles: CircleRecord[];
  words: WordsRecord[];
  faxes: FaxRecord[];
  meetings: MeetingRecord[];
}
const MAIL = [
  'messages',
  'calls',
  'texts',
  'threads',
  'ownContacts',
  'circles',
  'words',
  'faxes',
  'meetings',
] as const;

const isMail = (what: string): what is (typeof MAIL)[number] => (MAIL as readonly string[]).includes(what);

/** So many answers and ways back are remembered of a phone. */
const REMEMBERED = 50;
/** So many windows that are gone are remembered. */
const LEFT = 200;
/** So many of the last calls a phone is told of. */
const LOG = 100;
const MINUTE_MS = 60_000;

export class PhoneWindows {
  private readonly doing: Doing;
  private readonly windows = new Map<string, Window>();
  /** What is remembered of windows that are gone. */
  private readonly left = new Map<string, Pick<Window, 'answered' | 'backs'>>();
  private readonly knocks: Passes<Knock, never> = new InThisBrowser(KNOCKS);
  private readonly apart = new Map<
    string,
    {
      minute: number;
      system: System;
      standing: Standing;
      /** Who is left alone after a call, and when the first of them is not any more. */
      finishing: string;
      until: number;
      is: Record<string, Presence>;
    }
  >();

  /** Messages and calls of businesses that have phones open, as they are stored. */
  private readonly mail = new Map<string, Mail>();

  constructor(
    private readonly db: Db,
    changes: Changes,
    private readonly office: Office,
  ) {
    this.doing = new Doing(db, changes, office);
    this.knocks.onmessage = (knock) => void this.office.turn(() => this.knocked(knock)).catch(() => {});
  }

  close(): void {
    this.knocks.close();
    for (const { passes } of this.windows.values()) passes.close();
    this.windows.clear();
  }

  /** Within a turn: windows that are open are taken on without their knocking, and those that are gone are let go. @param locks held or asked for */
  async look(locks: ReadonlySet<string | undefined>, businessIds: readonly string[]): Promise<void> {
    for (const [key, { passes, answered, backs }] of this.windows)
      if (!locks.has(key)) {
        passes.close();
        this.windows.delete(key);
        // One whose network comes back asks again what it was not answered: that is not done twice.
        this.left.set(key, { answered, backs });
        for (const old of [...this.left.keys()].slice(0, -LEFT)) this.left.delete(old);
      }
    for (const businessId of businessIds) {
      const prefix = phoneLock(businessId, '');
      for (const lock of locks)
        if (lock?.startsWith(prefix) && !this.windows.has(lock))
          await this.knocked({ businessId, phoneId: lock.slice(prefix.length) });
    }
    const now = this.office.now();
    const minute = Math.floor(now / MINUTE_MS);
    // What somebody is doing goes by the time of day, too.
    for (const [businessId, known] of this.apart)
      if (!this.of(businessId).length) this.apart.delete(businessId);
      else if (known.minute !== minute || known.until <= now) await this.tellCalls(businessId);
  }

  private async knocked({ businessId, phoneId }: Knock): Promise<void> {
    const key = phoneLock(businessId, phoneId);
    let window = this.windows.get(key);
    if (!window) {
      const passes: Passes<FromPhone, ToPhone> = new InThisBrowser(phoneChannel(businessId, phoneId));
      const line = await this.office.line(businessId).catch(() => undefined);
      if (!line) {
        // Whoever opens a business that is just being laid in knocks again.
        passes.send({ kind: 'none', words: 'This business is not in this browser.' });
        return passes.close();
      }
      const { system, standing } = line;
      const none = { unseen: new Set<string>(), going: new Set<string>() };
      window = {
        businessId,
        phoneId,
        passes,
        system,
        standing,
        ...none,
        answered: new Map(),
        backs: new Map(),
        ...this.left.get(key),
      };
      this.left.delete(key);
      passes.onmessage = (message) => void this.asked(window!, message);
      this.windows.set(key, window);
    }
    await this.tellAll(window);
  }

  private async tellAll(window: Window): Promise<void> {
    await this.tellBusiness(window);
    const mail = await this.mailOf(window.businessId);
    this.tellMessages(window, mail);
    await this.tellTexts(window, mail);
    this.tellCircles(window, mail);
    this.tellMeetings(window, mail);
    await this.tellCalls(window.businessId, window);
  }

  /** Something of a business changed in storage. Within a turn. */
  async changed({ businessId, what, ids }: Change): Promise<void> {
    if (businessId !== null && isMail(what)) {
      const known = this.mail.get(businessId);
      // Read once, however many phones are told of it.
      if (known && this.of(businessId).length)
        this.mail.set(businessId, {
          ...known,
          [what]: await readAgain(this.db, what, businessId, known[what] as never, ids),
        });
      else this.mail.delete(businessId);
    } else if (what === 'businesses') this.mail.clear();
    for (const window of this.windows.values()) {
      if (businessId !== null && window.businessId !== businessId) continue;
      switch (what) {
        case 'draft':
          // A phone that is in force goes by what is in force.
          if (!(await this.isInForce(window))) await this.tellBusiness(window);
          break;
        case 'in force':
          // Another PIN, another extension.
          this.tellMeetings(window, await this.mailOf(window.businessId));
        // falls through
        case 'standing':
          await this.tellBusiness(window);
          await this.tellCalls(window.businessId, window);
          break;
        case 'clock':
        case 'businesses':
          await this.tellAll(window);
          break;
        case 'faxes':
        case 'messages':
        case 'calls': {
          this.tellMessages(window, await this.mailOf(window.businessId));
          break;
        }
        case 'meetings':
          this.tellMeetings(window, await this.mailOf(window.businessId));
          break;
        case 'ownContacts':
          await this.tellBusiness(window);
          break;
        case 'circles':
        case 'words':
          this.tellCircles(window, await this.mailOf(window.businessId));
          break;
        case 'texts':
        case 'threads':
        case 'dealings':
          await this.tellTexts(window, await this.mailOf(window.businessId));
          break;
        case 'mail':
        case 'invitations':
        case 'carrier':
          break;
      }
    }
  }

  private async isInForce({ businessId, phoneId }: Window): Promise<boolean> {
    const inForce = (await this.office.line(businessId))?.system;
    return inForce?.phones[phoneId] !== undefined;
  }

  private tell<P extends keyof Parts>({ passes }: Window, part: P, is: Parts[P]): void {
    passes.send({ kind: 'told', part, is } as ToPhone);
  }

  private async tellBusiness(window: Window): Promise<void> {
    const { businessId, phoneId } = window;
    const line = await this.office.line(businessId);
    if (!line) return;
    const draft = (await readRecord(this.db, businessId).catch(() => undefined))?.system;
    window.system = draft ? settable(line.system, draft) : line.system;
    window.standing = line.standing;
    window.unseen = unseenNumbers(window.system, window.standing, phoneId);
    const known = knownTo(window.system, window.standing, phoneId);
    const { ownContacts } = await this.mailOf(businessId);
    this.tell(window, 'business', {
      ...known,
      system: withOwnContacts(known.system, ownContacts, window.system.phones[phoneId]?.personId ?? null),
      inForce: line.system.phones[phoneId] !== undefined,
      clock: this.office.clock(),
      rates: RATES,
    });
  }

  /** What goes on in calls, told to one window or to all of a business. */
  private async tellCalls(businessId: string, only?: Window): Promise<void> {
    const windows = only ? [only] : this.of(businessId);
    const line = windows.length ? await this.office.line(businessId) : undefined;
    if (line) this.sendCalls(windows, line);
  }
  /** The same at once, for acts are shown without delay. */
  callsNow(businessId: string, line: LineNow): void {
    this.sendCalls(this.of(businessId), line);
  }
  private of(businessId: string): Window[] {
    return [...this.windows.values()].filter((w) => w.businessId === businessId);
  }

  private sendCalls(windows: readonly Window[], line: LineNow): void {
    if (!windows.length) return;
    const { calls, memory } = line;
    const done = finishing(memory, line.system, this.office.now());
    const set = withOwn(line.system, line.standing.own);
    const presence = presencesIn(
      this.presenceApart(windows[0]!.businessId, set, line.standing, done),
      calls,
      set,
    );
    for (const window of windows) {
      const { phoneId, standing, unseen } = window;
      const system = withOwn(window.system, standing.own);
      this.tell(window, 'calls', callsKnown(calls, phoneId, system, presence, memory, done, unseen));
    }
  }

  /** What everybody in force is doing apart from calls: the same for all phones of a business. */
  private presenceApart(
    businessId: string,
    system: System,
    standing: Standing,
    done: ReadonlyMap<string, number>,
  ): Record<string, Presence> {
    const now = this.office.now();
    const minute = Math.floor(now / MINUTE_MS);
    const known = this.apart.get(businessId);
    const finishing = [...done.keys()].join(' ');
    if (
      known?.minute === minute &&
      known.system === system &&
      known.standing === standing &&
      known.finishing === finishing
    )
      return known.is;
    const is = presencesApart({ system, standing, now, finishing: new Set(done.keys()) });
    const until = Math.min(...done.values());
    this.apart.set(businessId, { minute, system, standing, finishing, until, is });
    return is;
  }

  private async mailOf(businessId: string): Promise<Mail> {
    const known = this.mail.get(businessId);
    if (known) return known;
    const read = await Promise.all(
      MAIL.map(async (kind) => [kind, await readNear(this.db, kind, businessId)] as const),
    );
    const mail = Object.fromEntries(read) as unknown as Mail;
    this.mail.set(businessId, mail);
    return mail;
  }

  private tellMessages(window: Window, { messages, calls, faxes }: Mail): void {
    const { phoneId, system } = window;
    const me = system.phones[phoneId]?.personId ?? '';
    const all = seesAll(system, phoneId);
    const own = ownPhones(system, phoneId);
    const theirs = (c: CallRecord) =>
      c.trace.some((e) => e.kind === 'leg offered' && e.personId === me) || isOwnRecord(c, own);
    this.tell(window, 'messages', {
      messages: messages
        .filter((m) => all || (me && ownsMailbox(system, m.mailboxId, me)))
        .map(({ sound, ...m }): MessageKnown => ({ ...m, sound: null, soundThere: sound !== null })),
      faxes: faxes.filter((f) => f.mailboxId && (all || (me && ownsMailbox(system, f.mailboxId, me)))),
      log: calls
        .filter((c) => all || (me && theirs(c)))
        .slice(-LOG)
        .map((c) => hidden(c, unseenIn(c.request, c.trace, own, window.unseen))),
    });
  }

  private tellCircles(window: Window, { circles, words }: Mail): void {
    const { phoneId, system } = window;
    const me = system.phones[phoneId]?.personId ?? null;
    this.tell(window, 'circles', circlesKnown(circles, words, me, system));
  }

  private tellMeetings(window: Window, { meetings }: Mail): void {
    const { phoneId, system } = window;
    const me = system.phones[phoneId]?.personId ?? null;
    this.tell(window, 'meetings', meetingsKnown(meetings, system, me, this.office.now()));
  }

  private async tellTexts(window: Window, { texts, threads }: Mail): Promise<void> {
    const { phoneId, system, businessId } = window;
    const { wishes = [], texting } =
      DealingsRecord.safeParse(await this.db.get('dealings', businessId)).data ?? noDealings(businessId);
    const lines = textLines(system, phoneId);
    const known = textsKnown(texts, threads, wishes, lines);
    this.tell(window, 'texting', hidden({ ...known, requests: texting }, window.unseen));
  }

  /** Answers a request once, however often it is sent. */
  private async asked(window: Window, { id, request }: FromPhone): Promise<void> {
    const before = window.answered.get(id);
    if (before) return window.passes.send(before);
    if (window.going.has(id)) return;
    window.going.add(id);
    let answer: ToPhone;
    try {
      const refused = await this.doing.whyNot(window, request);
      answer = {
        kind: 'answer',
        id,
        answer: refused ? null : await this.doing.does(window, id, request),
        refused: refused || null,
      };
    } catch (error) {
      answer = {
        kind: 'answer',
        id,
        answer: null,
        refused: error instanceof Error ? error.message : String(error),
      };
    }
    window.going.delete(id);
    window.answered.set(id, answer);
    for (const old of [...window.answered.keys()].slice(0, -REMEMBERED)) window.answered.delete(old);
    window.passes.send(answer);
  }
}
